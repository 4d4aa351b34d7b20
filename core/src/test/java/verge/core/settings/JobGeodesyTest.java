package verge.core.settings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.FlatSite;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GeoidGrid;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.GroundFactor;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Plane;
import verge.core.geodesy.Position;
import verge.core.geodesy.ProjectedPlane;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.GeoidChoice;
import verge.core.geodesy.system.SystemText;
import verge.core.settings.JobSettings.HeightKind;
import verge.core.settings.JobSettings.ReferenceHeight;
import verge.core.units.Figures;
import verge.core.units.Length;
import verge.core.units.PlanAxes;

/** Settings at work: which plane, which heights, which figures a coordinate is written in. */
class JobGeodesyTest {
    private static final CoordinateSystem UTM = SystemText.read("+proj=utm +zone=32 +ellps=GRS80");
    private static final GridPoint YARD = new GridPoint(6_314_490, 649_010);
    private static final Geographic PLACE = Geographic.ofDegrees(56.95, 11.45);

    private static JobSettings settings(CoordinateSystem system, GeoidChoice geoid, ReferenceHeight reference) {
        return new JobSettings(Figures.metric(), system, geoid, Optional.ofNullable(reference), GroundUse.GRID, JobSettings.Work.ALONE);
    }

    private static JobGeodesy of(CoordinateSystem system, GeoidChoice geoid, ReferenceHeight reference) {
        GeoidGrid grid = new GeoidGrid(new GeoidGrid.Frame(56, 10, 1, 1, 2, 3), new float[] {30, 31, 32, 40, 41, 42});
        return JobGeodesy.of(settings(system, geoid, reference), named -> grid);
    }

    @Test
    void eachSystemHasItsPlane() {
        assertThat(of(UTM, new GeoidChoice.None(), null).plane()).containsInstanceOf(ProjectedPlane.class);
        assertThat(of(CoordinateSystem.flat(0.9999), new GeoidChoice.None(), null).plane()).contains(new FlatSite(0.9999));
        assertThat(of(new CoordinateSystem.Undecided(), new GeoidChoice.None(), null).plane()).contains(new FlatSite(1));
        assertThat(of(new CoordinateSystem.LatLonOnly("x", ""), new GeoidChoice.None(), null).plane()).isEmpty();
        assertThat(of(CoordinateSystem.flat(1), new GeoidChoice.None(), null).projected()).isEmpty();
    }

    @Test
    void undulationsComeFromTheGridTheConstantOrNowhere() {
        assertThat(of(UTM, new GeoidChoice.Constant(37.6), null).undulation(PLACE)).hasValue(37.6);
        assertThat(of(UTM, new GeoidChoice.Grid("g", "d"), null).undulation(PLACE).orElseThrow()).isCloseTo(30 + 9.5 + 1.45, within(1e-5));
        assertThat(of(UTM, new GeoidChoice.Grid("g", "d"), null).undulation(Geographic.ofDegrees(50, 11))).isEmpty();
        assertThat(of(UTM, new GeoidChoice.None(), null).undulation(PLACE)).isEmpty();
        assertThat(of(UTM, new GeoidChoice.Constant(37.6), null).ellipsoidHeight(PLACE, new Elevation(10)))
                .hasValueSatisfying(h -> assertThat(h.metres()).isEqualTo(47.6));
        assertThat(of(UTM, new GeoidChoice.None(), null).ellipsoidHeight(PLACE, new Elevation(10))).isEmpty();
    }

    /** 10 m of height are 1.57 millionths; an elevation and its ellipsoid height give the same scale, a forgotten geoid does not. */
    @Test
    void scaleFollowsTheHeightOfItsKind() {
        double atElevation = scale(of(UTM, new GeoidChoice.Constant(37.6), new ReferenceHeight(HeightKind.ELEVATION, 10)));
        double atEllipsoidHeight = scale(of(UTM, new GeoidChoice.Constant(37.6), new ReferenceHeight(HeightKind.ELLIPSOID_HEIGHT, 47.6)));
        double withoutGeoid = scale(of(UTM, new GeoidChoice.None(), new ReferenceHeight(HeightKind.ELEVATION, 10)));
        double withoutHeight = scale(of(UTM, new GeoidChoice.None(), null));
        assertThat(atElevation).isCloseTo(atEllipsoidHeight, within(1e-12));
        assertThat((withoutGeoid - atElevation) * 1e6).isCloseTo(37.6 / 6.3868, within(0.02));
        assertThat((withoutHeight - withoutGeoid) * 1e6).isCloseTo(10 / 6.3868, within(0.01));
    }

    private static double scale(JobGeodesy geodesy) {
        Plane plane = geodesy.plane().orElseThrow();
        return plane.gridPerGround(YARD, YARD.plus(100, 0), Optional.empty());
    }

    @Test
    void aPointsOwnElevationGoesBeforeTheSites() {
        Plane plane = of(UTM, new GeoidChoice.Constant(0), new ReferenceHeight(HeightKind.ELEVATION, 0)).plane().orElseThrow();
        double low = plane.gridPerGround(YARD, YARD.plus(100, 0), Optional.empty());
        double high = plane.gridPerGround(YARD, YARD.plus(100, 0), Optional.of(new Elevation(1000)));
        assertThat((low - high) * 1e6).isCloseTo(156.5, within(0.5));
    }

    @ParameterizedTest
    @CsvSource({"NORTH_EAST, false, false, N 6314490.000  E 649010.000", "EAST_NORTH, false, false, E 649010.000  N 6314490.000",
        "NORTH_EAST, true, false, S −6314490.000  E 649010.000", "EAST_NORTH, true, true, W −649010.000  S −6314490.000"})
    void coordinatesInEveryOrderAndSense(PlanAxes.Order order, boolean south, boolean west, String written) {
        JobSettings s = settings(UTM, new GeoidChoice.None(), null).with(Figures.metric().with(new PlanAxes(order, south, west)));
        assertThat(s.plan(YARD)).isEqualTo(written);
        double north = (south ? -1 : 1) * YARD.northing();
        double east = (west ? -1 : 1) * YARD.easting();
        assertThat(s.gridOf(north, east)).isEqualTo(YARD);
        assertThat(s.place(new Position(YARD, Optional.of(new Elevation(1.5))))).isEqualTo(written + "  H 1.500");
    }

    /** Ground coordinates with a shift: what is written, typed again, is the same grid point. */
    @ParameterizedTest
    @CsvSource({"1.000134, -6000000, -600000", "0.99987, 0, 0", "1.0005, 12.5, -7.25"})
    void whatIsWrittenAndTypedAgainIsTheSamePoint(double factor, double north, double east) {
        GroundUse use = new GroundUse(GroundUse.Kind.GROUND_COORDINATES,
                Optional.of(new GroundFactor(factor, YARD, GroundFactor.Taken.TYPED, Optional.empty(),
                OptionalDouble.empty(), "")), north, east);
        JobSettings s = settings(UTM, new GeoidChoice.None(), null).with(use);
        GridPoint far = YARD.plus(1234.567, -890.123);
        GridPoint shown = use.shown(far);
        assertThat(s.gridOf(shown.northing(), shown.easting()).distanceMetres(far)).isLessThan(1e-8);
        assertThat(use.unshifted().shown(YARD)).isEqualTo(YARD);
        assertThat(use.distanceWord()).isEqualTo("ground");
        assertThat(s.offset(new Length(north), Length.ZERO)).startsWith("N ");
    }

    @Test
    void referenceHeightsAreOfOneKindAndOnEarth() {
        assertThat(new ReferenceHeight(HeightKind.ELEVATION, 7).ellipsoidHeight()).isEmpty();
        assertThat(new ReferenceHeight(HeightKind.ELLIPSOID_HEIGHT, 7).elevation()).isEmpty();
        assertThatIllegalArgumentException().isThrownBy(() -> new ReferenceHeight(HeightKind.ELEVATION, 10_001));
        assertThatIllegalArgumentException().isThrownBy(() -> new ReferenceHeight(HeightKind.ELEVATION, Double.NaN));
        assertThatThrownBy(() -> new JobSettings.Work(null, Set.of(), List.of(), "", ZoneOffset.UTC))
                .isInstanceOf(NullPointerException.class);
    }
}
