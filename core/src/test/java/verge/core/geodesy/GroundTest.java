package verge.core.geodesy;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import net.sf.geographiclib.Geodesic;
import net.sf.geographiclib.GeodesicData;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.cogo.SiteInverse;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.SystemText;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;
import verge.core.units.Length;

/** Grid, ellipsoid and ground distances against the geodesic, and the two uses of a ground factor. */
class GroundTest {
    private static final MapProjection UTM32 = projection("+proj=utm +zone=32 +ellps=GRS80 +units=m");
    private static final MapProjection SWISS =
            projection("+proj=somerc +lat_0=46.95240555555556 +lon_0=7.439583333333333 +k_0=1 +x_0=2600000 +y_0=1200000 +ellps=bessel");
    private static final MapProjection CASSINI = projection("+proj=cass +lat_0=31.734 +lon_0=35.212 +x_0=170251 +y_0=126867 +ellps=clrk66");

    private static MapProjection projection(String text) {
        return SystemText.projection((CoordinateSystem.Projected) SystemText.read(text));
    }

    private static ProjectedPlane plane(MapProjection p, double n) {
        return new ProjectedPlane(p, new Heights(Optional.of(Geoid.constant(n)), Optional.empty(), Optional.empty()));
    }

    /** GeographicLib is independent of everything here; ten kilometres, any direction, any of the three projections. */
    @Test
    void gridDistancesComeDownToTheGeodesic() {
        Random random = new Random(21);
        for (int i = 0; i < 300; i++) {
            MapProjection p = List.of(UTM32, SWISS, CASSINI).get(i % 3);
            Geodesic earth = new Geodesic(p.ellipsoid().semiMajor(), 1 / p.ellipsoid().inverseFlattening());
            double latitude = (p == UTM32 ? 56 : p == SWISS ? 46.5 : 31.5) + random.nextDouble();
            double longitude = (p == UTM32 ? 11 : p == SWISS ? 7 : 35) + random.nextDouble();
            GeodesicData line = earth.Direct(latitude, longitude, random.nextDouble() * 360, 100 + 9900 * random.nextDouble());
            GridPoint from = p.grid(Geographic.ofDegrees(latitude, longitude));
            GridPoint to = p.grid(Geographic.ofDegrees(line.lat2, line.lon2));
            double h = 3000 * random.nextDouble();
            double n = 40;
            SiteInverse.Result r = SiteInverse.between(new Position(from, Optional.of(new Elevation(h))),
                    new Position(to, Optional.of(new Elevation(h))),
                    plane(p, n), GroundUse.GRID);
            assertThat(r.ellipsoid().metres()).isCloseTo(line.s12, within(1e-5));
            double radius = p.ellipsoid().radiusAlong(Angle.ofDegrees(latitude), Angle.ofDegrees(line.azi1));
            assertThat(r.ground().metres()).isCloseTo(line.s12 * (radius + h + n) / radius, within(1e-5));
            if (p != CASSINI) {   // not conformal
                double bearing = line.azi1 - Math.toDegrees(p.scale(Geographic.ofDegrees(latitude, longitude)).convergence().radians());
                double bent = new Angle(r.azimuth().radians() - Math.toRadians(bearing)).halfCircle().arcSeconds();
                assertThat(Angle.ofArcSeconds(bent).minus(new Angle(plane(p, n).arcToChordRadians(from, to))).arcSeconds())
                        .as("arc to chord").isCloseTo(0, within(0.01));
            }
            Length grid = plane(p, n).toGrid(new Position(from, Optional.of(new Elevation(h))), r.azimuth(), r.ground());
            assertThat(grid.metres()).as("there and back").isCloseTo(r.grid().metres(), within(1e-5));
        }
    }

    /** Textbook figures: scale 0.9996 on the central meridian, 157 ppm per kilometre of height. */
    @Test
    void factorsApart() {
        GridPoint onMeridian = UTM32.grid(Geographic.ofDegrees(57, 9));
        CombinedFactor f = CombinedFactor.at(plane(UTM32, 0), onMeridian, Optional.of(new Elevation(1000)));
        assertThat(f.pointScale()).isCloseTo(0.9996, within(1e-12));
        double radius = ReferenceEllipsoid.GRS80.meanRadius(Angle.ofDegrees(57));
        assertThat(f.elevationFactor()).isCloseTo(radius / (radius + 1000), within(1e-15));
        assertThat(f.groundPerGrid()).isCloseTo(1.000557, within(1e-6));
        assertThat(f.sigma(0.064, 0, 0, radius)).isCloseTo(1e-8, within(1e-10));
    }

    @Test
    void heightsComeFromTheGeoidOrTheSiteOrNowhere() {
        Geographic place = Geographic.ofDegrees(57, 11);
        Heights known = new Heights(Optional.of(Geoid.constant(37.6)), Optional.of(new Elevation(10)), Optional.empty());
        assertThat(known.forScale(place, Optional.of(new Elevation(12)))).isCloseTo(49.6, within(1e-12));
        assertThat(known.forScale(place, Optional.empty())).isCloseTo(47.6, within(1e-12));
        assertThat(new Heights(Optional.empty(), Optional.empty(), Optional.of(new EllipsoidHeight(50))).forScale(place, Optional.empty()))
                .isEqualTo(50);
        assertThat(Heights.UNKNOWN.forScale(place, Optional.empty())).isZero();
    }

    /** Between a line's ends the mean of the ends and Simpson's rule differ as the curvature of k says. */
    @Test
    void alongALine() {
        ProjectedPlane plane = plane(UTM32, 0);
        Optional<Elevation> level = Optional.of(new Elevation(0));
        GridPoint from = new GridPoint(6_300_000, 640_000);
        GridPoint to = new GridPoint(6_300_000, 660_000);
        CombinedFactor a = CombinedFactor.at(plane, from, level);
        CombinedFactor b = CombinedFactor.at(plane, to, level);
        CombinedFactor simpson = CombinedFactor.simpson(a, CombinedFactor.at(plane, new GridPoint(6_300_000, 650_000), level), b);
        assertThat(simpson.gridPerGround()).isCloseTo(plane.gridPerGround(from, to, level), within(1e-9));
        assertThat(CombinedFactor.mean(List.of(a, b)).gridPerGround() - simpson.gridPerGround()).isCloseTo(8.2e-7, within(0.2e-7));
    }

    @ParameterizedTest
    @CsvSource({"1.0001476, 0, 0", "0.9998, -6000000, -600000"})
    void groundCoordinatesScaleAboutTheReferenceAndComeBack(double factor, double north, double east) {
        GridPoint reference = new GridPoint(6_314_000, 649_000);
        GroundUse use = new GroundUse(GroundUse.Kind.GROUND_COORDINATES,
                Optional.of(new GroundFactor(factor, reference, GroundFactor.Taken.TYPED,
                Optional.empty(), OptionalDouble.empty(), "")), north, east);
        assertThat(use.shown(reference)).isEqualTo(new GridPoint(6_314_000 + north, 649_000 + east));
        GridPoint far = new GridPoint(6_314_300, 649_400);
        assertThat(use.shown(far).distanceMetres(use.shown(reference))).isCloseTo(500 * factor, within(1e-8));
        assertThat(use.grid(use.shown(far)).distanceMetres(far)).isLessThan(2e-9);
        GroundUse distances = new GroundUse(GroundUse.Kind.GROUND_DISTANCES, use.factor(), 0, 0);
        assertThat(distances.shown(far)).isEqualTo(far);
        assertThat(distances.groundPerGrid(1)).isEqualTo(factor);
        assertThat(GroundUse.GRID.groundPerGrid(1.5)).isEqualTo(1.5);
    }

    @Test
    void whatCannotBeAGroundFactorIsRefused() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new GroundFactor(1.02, new GridPoint(0, 0), GroundFactor.Taken.TYPED, Optional.empty(),
                OptionalDouble.empty(), ""));
        assertThatIllegalArgumentException().isThrownBy(() -> new GroundUse(GroundUse.Kind.GROUND_COORDINATES, Optional.empty(), 0, 0));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"56.95, 11.45 | 56.95 | 11.45", "56.95,11.45 | 56.95 | 11.45", "-33,9; 18,4 | -33.9 | 18.4",
            "56 57 N 11 27 E | 56.95 | 11.45",
        "33.9 S, 18.4 E | -33.9 | 18.4", "56.95 11.45 | 56.95 | 11.45"})
    void readsAPositionFromOneText(String typed, double latitude, double longitude) {
        Geographic read = Geographic.parse(typed);
        assertThat(read.latitude().degrees()).isCloseTo(latitude, within(1e-12));
        assertThat(read.longitude().degrees()).isCloseTo(longitude, within(1e-12));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "56.95", "nowhere", "95, 11", "1, 2, 3", "N, E"})
    void refusesWhatIsNoPosition(String typed) {
        assertThatThrownBy(() -> Geographic.parse(typed))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.POSITION_UNFIT));
    }

    @Test
    void areasOfUseCrossTheDateLine() {
        AreaOfUse fiji = new AreaOfUse("", 176, -20, -178, -12);
        assertThat(fiji.contains(Geographic.ofDegrees(-17, 179))).isTrue();
        assertThat(fiji.contains(Geographic.ofDegrees(-17, -179))).isTrue();
        assertThat(fiji.contains(Geographic.ofDegrees(-17, 0))).isFalse();
        assertThat(fiji.centre().longitude().degrees()).isCloseTo(179, within(1e-9));
    }
}
