package verge.core.geodesy.transformation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Lift;
import verge.core.geodesy.Position;
import verge.core.geodesy.Similarity;
import verge.core.units.Angle;

/**
 * A site's own grid near 1000/500, with its own level and a plane that tilts, over UTM coordinates: made by hand, so that every figure is
 * known.
 */
class LocalisationTest {
    private static final Similarity TRUE_MOVE = new Similarity(new GridPoint(6_314_490, 649_010), new GridPoint(1_000, 500),
            Angle.ofDegrees(28.4), 1.000135, false);
    private static final Lift TRUE_LIFT = new Lift(new GridPoint(1_000, 500), -37.6, 2e-5, -1e-5);

    private static Position site(Position utm) {
        return TRUE_LIFT.lifted(TRUE_MOVE.place(utm.plan()), utm);
    }

    private static Position utm(double north, double east, double height) {
        return new Position(new GridPoint(6_314_490 + north, 649_010 + east), Optional.of(new Elevation(height)));
    }

    private static Localisation localised() {
        List<Pair> pairs = Stream.of(utm(0, 0, 44), utm(200, 10, 46), utm(190, 260, 51), utm(-20, 240, 45), utm(90, 120, 43))
                .map(p -> new Pair(new Mark("", p), new Mark("", site(p)))).toList();
        return Localisation.of(pairs, new FitSettings(OptionalDouble.empty(), OptionalInt.empty(), FitSettings.Heights.TILT, false, 0.01,
                0.01));
    }

    /** Every position comes to where it was made to lie, and back again, to a hundredth of a millimetre, also far beyond the marks. */
    @ParameterizedTest
    @CsvSource({"0, 0, 44", "100, 100, 50", "-3000, 5000, 12.5", "87.25, -12.5, 0"})
    void positionsComeOntoTheSiteAndBack(double north, double east, double height) {
        Position utm = utm(north, east, height);
        Position onSite = localised().onSite(utm);
        assertThat(onSite.plan().distanceMetres(site(utm).plan())).isLessThan(1e-5);
        assertThat(onSite.elevation().orElseThrow().metres()).isCloseTo(site(utm).elevation().orElseThrow().metres(), within(1e-5));
        Position back = localised().back(onSite);
        assertThat(back.plan().distanceMetres(utm.plan())).isLessThan(1e-5);
        assertThat(back.elevation().orElseThrow().metres()).isCloseTo(height, within(1e-6));
        assertThat(localised().onSite(new Position(utm.plan(), Optional.empty())).elevation()).isEmpty();
    }

    @Test
    void whatLiesBeyondTheMarksIsToldByHowMuch() {
        Localisation localised = localised();
        assertThat(localised.hull().corners()).hasSize(5);
        assertThat(localised.hull().beyond(site(utm(90, 130, 0)).plan())).isZero();
        assertThat(localised.hull().beyond(site(utm(-20, 340, 0)).plan()))
                .isCloseTo(100 * 1.000135 * Math.cos(Math.atan2(210, 20) - Math.PI / 2), within(1e-3));
        Localisation two = Localisation.of(List.of(new Pair(new Mark("", utm(0, 0, 1)), new Mark("", site(utm(0, 0, 1)))),
                new Pair(new Mark("", utm(100, 0, 1)), new Mark("", site(utm(100, 0, 1))))), FitSettings.USUAL);
        assertThat(two.hull().beyond(site(utm(50, 30, 0)).plan())).isCloseTo(30, within(0.01));
    }
}
