package verge.core.settings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.SystemText;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.geodesy.GroundUse;
import verge.core.units.Figures;
import verge.core.units.PlanAxes;

/** Places as they are typed into the search. */
class TypedPlaceTest {
    private static final CoordinateSystem UTM = SystemText.read("+proj=utm +zone=32 +ellps=GRS80");

    private static JobGeodesy job(CoordinateSystem system, PlanAxes axes) {
        JobSettings settings = new JobSettings(Figures.metric().with(axes), system, new GeoidChoice.None(), Optional.empty(),
                GroundUse.GRID, JobSettings.Work.ALONE);
        return JobGeodesy.of(settings, none -> {
            throw new AssertionError("no geoid is asked for");
        });
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
            "6314490.25 649010.5|6314490.25|649010.5|", "6314490,25 649010,5|6314490.25|649010.5|",
                    "6314490.25, 649010.5|6314490.25|649010.5|",
            "6314490.25;649010.5;12.3|6314490.25|649010.5|12.3", "N 6314490.25 E 649010.5|6314490.25|649010.5|",
            "649010.5 E 6314490.25 N|6314490.25|649010.5|",
            "E649010.5 N6314490.25 H12.3|6314490.25|649010.5|12.3", "S 10 W 20|-10|-20|", "100 ft 200 ft|30.48|60.96|", "N=1 E=2|1|2|"})
    void readsCoordinatesOfTheGrid(String typed, double north, double east, Double height) {
        Position at = TypedPlace.of(typed, job(UTM, PlanAxes.NORTH_THEN_EAST)).get(0).at();
        assertThat(at.plan().northing()).isCloseTo(north, within(1e-9));
        assertThat(at.plan().easting()).isCloseTo(east, within(1e-9));
        assertThat(at.elevation().map(e -> e.metres()).orElse(null)).isEqualTo(height);
    }

    @Test
    void theJobsOrderAndSenseCountWithoutLetters() {
        PlanAxes southern = new PlanAxes(PlanAxes.Order.EAST_NORTH, true, true);
        assertThat(TypedPlace.of("100 200", job(CoordinateSystem.flat(1), southern)).get(0).at().plan())
                .isEqualTo(new GridPoint(-200, -100));
        assertThat(TypedPlace.of("S 200 W 100", job(CoordinateSystem.flat(1), southern)).get(0).at().plan())
                .isEqualTo(new GridPoint(-200, -100));
        assertThat(TypedPlace.of("N 200 E 100", job(CoordinateSystem.flat(1), southern)).get(0).at().plan())
                .isEqualTo(new GridPoint(200, 100));
    }

    @ParameterizedTest
    @ValueSource(strings = {"56.95, 11.45", "56,95 11,45", "56 57 N 11 27 E", "N56 57 E11 27", "56\u00b057\u2032N 11\u00b027\u2032E",
            "11.45 E 56.95 N", "56 57 00 11 27 00", "geo:56.95,11.45",
            "N 56 57.0 E 11 27.0", "56.95N,11.45E"})
    void readsLatitudeAndLongitude(String typed) {
        List<TypedPlace.Meant> meant = TypedPlace.of(typed, job(UTM, PlanAxes.NORTH_THEN_EAST));
        TypedPlace.Meant onEarth = meant.get(meant.size() - 1);
        assertThat(onEarth.geographic()).hasValueSatisfying(g -> {
            assertThat(g.latitude().degrees()).isCloseTo(56.95, within(1e-9));
            assertThat(g.longitude().degrees()).isCloseTo(11.45, within(1e-9));
        });
        // Karney 2011, series to the sixth order in n, reckoned apart
        assertThat(onEarth.at().plan().northing()).isCloseTo(6314491.2743, within(0.001));
        assertThat(onEarth.at().plan().easting()).isCloseTo(649013.4546, within(0.001));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "T1", "M1 to M17", "kerb 12", "1e400 2", "N 1 N 2", "E 1 E 2", "H 1 N 2", "1", "1 2 3 4 5 6 7",
            "999999999 1", "NaN 3", "1 H 2"})
    void whatIsNoPlaceIsNone(String typed) {
        assertThat(TypedPlace.of(typed, job(CoordinateSystem.flat(1), PlanAxes.NORTH_THEN_EAST))).isEmpty();
    }

    @Test
    void latitudeAndLongitudeLieNowhereOnAFlatSite() {
        assertThat(TypedPlace.of("56 57 N 11 27 E", job(CoordinateSystem.flat(1), PlanAxes.NORTH_THEN_EAST))).isEmpty();
        assertThat(TypedPlace.of("1 2", job(new CoordinateSystem.LatLonOnly("x", ""), PlanAxes.NORTH_THEN_EAST))).isEmpty();
    }
}
