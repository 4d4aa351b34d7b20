package verge.core.geodesy.system;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Kernel;
import verge.core.geodesy.LocalScale;
import verge.core.geodesy.MapProjection;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.geodesy.method.LambertKernel;
import verge.core.geodesy.method.TransverseMercatorKernel;
import verge.core.geodesy.system.FormulaMethod.Parameter;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;
import verge.core.units.PlanAxes;

/** Formulas of one's own: every method typed, kept, read back and computed; the own kernels at the edges of their range. */
class FormulaTest {
    private static final double METRE_IN_DEGREES = 1 / 111_000.0;
    private static final double GRS80_E2 = ReferenceEllipsoid.GRS80.eccentricitySquared();

    /** Parameters that make sense for a method, round 56° N 11° E; polar ones round the pole. */
    private static Map<Parameter, Double> sensible(FormulaMethod method) {
        Map<Parameter, Double> values = new EnumMap<>(Parameter.class);
        for (Parameter p : method.parameters()) {
            values.put(p, switch (p) {
                case LATITUDE_OF_ORIGIN -> method == FormulaMethod.STEREOGRAPHIC_POLAR ? 90.0 : 55.5;
                case LATITUDE_OF_FALSE_ORIGIN, LATITUDE_OF_CENTRE -> 55.5;
                case LONGITUDE_OF_ORIGIN, LONGITUDE_OF_FALSE_ORIGIN, LONGITUDE_OF_CENTRE, LONGITUDE_DOWN -> 10.25;
                case FIRST_PARALLEL -> 55.0;
                case SECOND_PARALLEL -> 57.0;
                case LATITUDE_OF_PARALLEL -> 71.0;
                case AZIMUTH_AT_CENTRE, RECTIFIED_TO_SKEW -> 37.5;
                case CONE_AXIS -> 30.2881397527778;
                case PSEUDO_PARALLEL -> 78.5;
                case SCALE_AT_ORIGIN, SCALE_AT_CENTRE, SCALE_ON_PSEUDO_PARALLEL -> 0.99985;
                case FALSE_EASTING, EASTING_AT_FALSE_ORIGIN, EASTING_AT_CENTRE -> 400_000.0;
                case FALSE_NORTHING, NORTHING_AT_FALSE_ORIGIN, NORTHING_AT_CENTRE -> -150_000.0;
            });
        }
        return values;
    }

    private static Formula formula(FormulaMethod method, PlanAxes axes, double meridian) {
        return new Formula("own", method, sensible(method), ReferenceEllipsoid.GRS80, meridian, axes, 1);
    }

    private static MapProjection projection(Formula formula) {
        return SystemText.projection((CoordinateSystem.Projected) SystemText.read(formula.wkt()));
    }

    private static Geographic somewhere(FormulaMethod method, Random random) {
        double latitude = method == FormulaMethod.STEREOGRAPHIC_POLAR || method == FormulaMethod.STEREOGRAPHIC_POLAR_PARALLEL ? 75 : 55;
        return Geographic.ofDegrees(latitude + 2 * random.nextDouble(), 9.5 + 2 * random.nextDouble());
    }

    @ParameterizedTest
    @EnumSource(FormulaMethod.class)
    void everyMethodIsKeptAndReadBackWhole(FormulaMethod method) {
        Formula typed = formula(method, new PlanAxes(PlanAxes.Order.EAST_NORTH, false, true), 2.33722917);
        Formula back = SystemText.formula((CoordinateSystem.Projected) SystemText.read(typed.wkt())).orElseThrow();
        assertThat(back.method()).isEqualTo(method);
        assertThat(back.values().keySet()).isEqualTo(typed.values().keySet());
        typed.values().forEach((p, value) -> assertThat(back.values().get(p)).as(p.name()).isCloseTo(value, within(1e-9)));
        assertThat(back.axes()).isEqualTo(typed.axes());
        assertThat(back.primeMeridian()).isCloseTo(2.33722917, within(1e-12));
        assertThat(back.ellipsoid().semiMajor()).isEqualTo(typed.ellipsoid().semiMajor());
    }

    @ParameterizedTest
    @EnumSource(FormulaMethod.class)
    void everyMethodGoesThereAndBackAndItsScaleIsThatOfSmallSteps(FormulaMethod method) {
        MapProjection p = projection(formula(method, PlanAxes.NORTH_THEN_EAST, 0));
        Random random = new Random(method.ordinal());
        for (int i = 0; i < 50; i++) {
            Geographic place = somewhere(method, random);
            GridPoint point = p.grid(place);
            assertThat(p.grid(p.geographic(point)).distanceMetres(point)).isLessThan(1e-5);
            LocalScale scale = p.scale(place);
            double step = 10 * METRE_IN_DEGREES;
            GridPoint north = p.grid(new Geographic(place.latitude().plus(Angle.ofDegrees(step)), place.longitude()));
            double metres = Math.toRadians(step) * p.ellipsoid().meridianRadius(place.latitude());
            assertThat(north.distanceMetres(point) / metres).isCloseTo(scale.alongMeridian(), within(2e-6));
            double bearing = Math.atan2(north.easting() - point.easting(), north.northing() - point.northing());
            assertThat(new Angle(bearing + scale.convergence().radians()).halfCircle().arcSeconds()).isCloseTo(0, within(1.0));
            assertThat(scale.conformal() || method == FormulaMethod.CASSINI).isTrue();
        }
    }

    /** The sense of the axes turns signs and nothing else. */
    @ParameterizedTest
    @EnumSource(FormulaMethod.class)
    void southAndWestAreTheSamePlaceWithOtherFalseOrigins(FormulaMethod method) {
        MapProjection plain = projection(formula(method, PlanAxes.NORTH_THEN_EAST, 0));
        Formula turned = formula(method, new PlanAxes(PlanAxes.Order.NORTH_EAST, true, true), 0);
        MapProjection south = projection(turned);
        Geographic place = somewhere(method, new Random(1));
        GridPoint a = plain.grid(place);
        GridPoint b = south.grid(place);
        assertThat(b.easting() - a.easting()).isCloseTo(-2 * 400_000, within(1e-6));
        assertThat(b.northing() - a.northing()).isCloseTo(2 * 150_000, within(1e-6));
    }

    @ParameterizedTest
    @EnumSource(value = FormulaMethod.class,
            names = {"TRANSVERSE_MERCATOR", "LAMBERT_ONE_PARALLEL", "LAMBERT_TWO_PARALLELS", "STEREOGRAPHIC_OBLIQUE",
            "OBLIQUE_MERCATOR_SWISS"})
    void theOwnFormulasAreTheLibrarys(FormulaMethod method) {
        Formula f = formula(method, PlanAxes.NORTH_THEN_EAST, 2.5);
        Kernel own = Kernels.of(f).orElseThrow();
        MapProjection through = projection(f);
        Random random = new Random(8);
        for (int i = 0; i < 100; i++) {
            Geographic place = somewhere(method, random);
            double[] grid = own.grid(place.longitude().radians(), place.latitude().radians());
            GridPoint other = through.grid(place);
            assertThat(grid[0]).isCloseTo(other.easting(), within(1e-5));
            assertThat(grid[1]).isCloseTo(other.northing(), within(1e-5));
        }
    }

    /** To the poles, over the equator, forty degrees off the meridian: there and back within a tenth of a millimetre. */
    @ParameterizedTest
    @CsvSource({"89.9, 0", "-89.9, 12", "0, 25", "0, -25", "45, 40", "-33, -0.0001", "0, 0", "60, 30"})
    void transverseMercatorReachesFar(double latitude, double longitude) {
        Kernel kernel = new TransverseMercatorKernel(6378137, GRS80_E2, 0, 0, 0.9996, 500_000, 0);
        double[] grid = kernel.grid(Math.toRadians(longitude), Math.toRadians(latitude));
        double[] back = kernel.geographic(grid[0], grid[1]);
        assertThat(Math.toDegrees(back[1])).isCloseTo(latitude, within(1e-9));
        assertThat(Math.toDegrees(back[0])).isCloseTo(longitude, within(1e-9 / Math.max(0.001, Math.cos(Math.toRadians(latitude)))));
    }

    /** A quarter meridian of GRS80 is 10 001 965.7293 m: a published constant that no series of ours went into. */
    @Test
    void theMeridianIsAsLongAsItIs() {
        Kernel kernel = new TransverseMercatorKernel(6378137, GRS80_E2, 0, 0, 1, 0, 0);
        assertThat(kernel.grid(0, Math.PI / 2)[1]).isCloseTo(10_001_965.7293, within(1e-4));
        assertThat(kernel.grid(0, 0)[1]).isCloseTo(0, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"-33, 18, -30, -36", "33, 18, 30, 36", "-45, -170, -44, -46"})
    void lambertWorksOnBothHalves(double latitude, double longitude, double first, double second) {
        Kernel kernel = LambertKernel.onTwo(6378137, GRS80_E2, Math.toRadians(first), Math.toRadians(second),
                Math.toRadians((first + second) / 2),
                Math.toRadians(longitude - 1), 10, 20);
        double[] grid = kernel.grid(Math.toRadians(longitude), Math.toRadians(latitude));
        double[] back = kernel.geographic(grid[0], grid[1]);
        assertThat(Math.toDegrees(back[1])).isCloseTo(latitude, within(1e-10));
        assertThat(Math.toDegrees(back[0])).isCloseTo(longitude, within(1e-10));
        assertThat(grid[0]).as("east of the meridian").isPositive();
    }

    @ParameterizedTest
    @CsvSource({"LATITUDE_OF_ORIGIN, 91", "LONGITUDE_OF_ORIGIN, -181", "SCALE_AT_ORIGIN, 0", "SCALE_AT_ORIGIN, 2.5", "FALSE_EASTING, 2e8",
            "FALSE_NORTHING, NaN"})
    void parametersOutOfRangeAreRefusedByName(Parameter parameter, double value) {
        Map<Parameter, Double> values = sensible(FormulaMethod.TRANSVERSE_MERCATOR);
        values.put(parameter, value);
        assertThatThrownBy(() -> new Formula("x", FormulaMethod.TRANSVERSE_MERCATOR, values, ReferenceEllipsoid.GRS80, 0,
                PlanAxes.NORTH_THEN_EAST, 1))
                .isInstanceOfSatisfying(SurveyException.class, e -> {
                    assertThat(e.problem()).isEqualTo(Problem.OUT_OF_RANGE);
                    assertThat(e.arguments().get(0)).isEqualTo(parameter.epsgName().toLowerCase(Locale.ROOT));
                });
    }

    @Test
    void whatIsMissingOrMakesNoConeIsSaid() {
        Map<Parameter, Double> values = sensible(FormulaMethod.LAMBERT_TWO_PARALLELS);
        values.put(Parameter.SECOND_PARALLEL, -55.0);
        assertThat(problem(FormulaMethod.LAMBERT_TWO_PARALLELS, values)).isEqualTo(Problem.PARALLELS_UNFIT);
        values.remove(Parameter.SECOND_PARALLEL);
        assertThat(problem(FormulaMethod.LAMBERT_TWO_PARALLELS, values)).isEqualTo(Problem.MISSING);
        Map<Parameter, Double> pole = sensible(FormulaMethod.STEREOGRAPHIC_POLAR);
        pole.put(Parameter.LATITUDE_OF_ORIGIN, 80.0);
        assertThat(problem(FormulaMethod.STEREOGRAPHIC_POLAR, pole)).isEqualTo(Problem.OUT_OF_RANGE);
    }

    private static Problem problem(FormulaMethod method, Map<Parameter, Double> values) {
        try {
            new Formula("x", method, values, ReferenceEllipsoid.GRS80, 0, PlanAxes.NORTH_THEN_EAST, 1);
            return null;
        } catch (SurveyException refused) {
            return refused.problem();
        }
    }

    /** A zone of the far side: 179° W lies two degrees east of 179° E, not 358° west of it. */
    @ParameterizedTest
    @EnumSource(FormulaMethod.class)
    void theDateLineIsNoEdge(FormulaMethod method) {
        Map<Parameter, Double> values = sensible(method);
        values.keySet().stream().filter(p -> p.kind() == FormulaMethod.Kind.LONGITUDE).forEach(p -> values.put(p, 179.0));
        MapProjection p = projection(new Formula("far", method, values, ReferenceEllipsoid.GRS80, 0, PlanAxes.NORTH_THEN_EAST, 1));
        double latitude = somewhere(method, new Random(2)).latitude().degrees();
        GridPoint west = p.grid(Geographic.ofDegrees(latitude, 179.5));
        GridPoint east = p.grid(Geographic.ofDegrees(latitude, -179.5));
        double metres = Math.toRadians(1) * p.ellipsoid().primeVerticalRadius(Angle.ofDegrees(latitude))
                * Math.cos(Math.toRadians(latitude));
        assertThat(west.distanceMetres(east)).isCloseTo(metres, within(metres * 0.12));
        Geographic back = p.geographic(east);
        assertThat(back.longitude().minus(Angle.ofDegrees(-179.5)).halfCircle().degrees()).isCloseTo(0, within(1e-8));
    }

    @ParameterizedTest
    @EnumSource(value = FormulaMethod.class, names = {"TRANSVERSE_MERCATOR", "STEREOGRAPHIC_POLAR", "STEREOGRAPHIC_POLAR_PARALLEL"})
    void atAPoleTheScaleIsThatBesideIt(FormulaMethod method) {
        MapProjection p = projection(formula(method, PlanAxes.NORTH_THEN_EAST, 0));
        double at = p.scale(Geographic.ofDegrees(90, 10.25)).point();
        assertThat(at).isCloseTo(p.scale(Geographic.ofDegrees(89.99, 10.25)).point(), within(1e-6));
        assertThat(at).isEqualTo(p.scale(Geographic.ofDegrees(90, 10.25)).along(Angle.ofDegrees(45)), within(1e-6));
    }

    @Test
    void namesWithQuotesStayNames() {
        Formula odd = new Formula("the \"old\" zone", FormulaMethod.CASSINI, sensible(FormulaMethod.CASSINI), ReferenceEllipsoid.GRS80, 0,
                PlanAxes.NORTH_THEN_EAST, 1);
        assertThat(SystemText.read(odd.wkt()))
                .isInstanceOfSatisfying(CoordinateSystem.Projected.class, p -> assertThat(p.name()).isEqualTo("the \"old\" zone"));
    }

    @Test
    void whereThereIsNoPictureItIsSaid() {
        MapProjection p = projection(formula(FormulaMethod.LAMBERT_TWO_PARALLELS, PlanAxes.NORTH_THEN_EAST, 0));
        assertThatThrownBy(() -> p.grid(Geographic.ofDegrees(-90, 0))).isInstanceOfSatisfying(SurveyException.class,
                e -> assertThat(e.problem()).isEqualTo(Problem.OUTSIDE_PROJECTION));
        assertThat(Optional.of(p.singleScale(Geographic.ofDegrees(56, 11)))).get().satisfies(s -> assertThat(s).isPresent());
    }

    @ParameterizedTest
    @CsvSource({"POSITION_VECTOR, 5001, 0, 0", "POSITION_VECTOR, 0, 61, 0", "COORDINATE_FRAME, 0, 0, 101", "COORDINATE_FRAME, NaN, 0, 0"})
    void shiftsThatNobodyPublishesAreRefused(DatumShift.Rotation rotation, double tx, double rx, double ppm) {
        assertThatThrownBy(() -> new DatumShift(rotation, tx, 0, 0, rx, 0, 0, ppm, 0)).isInstanceOf(IllegalArgumentException.class);
    }
}
