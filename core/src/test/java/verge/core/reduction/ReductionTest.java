package verge.core.reduction;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import net.sf.geographiclib.Geodesic;
import net.sf.geographiclib.GeodesicData;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.Fixture;
import verge.core.geodesy.Plane;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reading.Face;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.units.Angle;
import verge.core.units.Length;

class ReductionTest {
    private static final DistanceMeter METER = new DistanceMeter(0.658, 1.0002863, new Length(0.001), 1.5);
    private static final Atmosphere AIR = new Atmosphere(11.4, 1008.6, 60);
    private static final Length EYE = new Length(1.546);

    /** The closed formula is stated to stay within 0.25 ppm of the full equations. */
    @Test
    void refractivityAgreesWithTheFullEquations() {
        List<double[]> rows = Fixture.rows("first_velocity.csv");
        assertThat(rows).hasSize(80).allSatisfy(r -> assertThat(
                FirstVelocity.groupRefractivityPpm(r[0], new Atmosphere(r[1], r[2], r[3]))).isCloseTo(r[4], within(0.25)));
    }

    @Test
    void refractivityIsTheClosedFormulaOfTheResolution() {
        assertThat(Fixture.rows("first_velocity.csv")).allSatisfy(r -> assertThat(
                FirstVelocity.groupRefractivityPpm(r[0], new Atmosphere(r[1], r[2], r[3]))).isCloseTo(r[5], within(0.1)));
    }

    @Test
    void atmosphereLengthensADistanceInThinAir() {
        DistanceMeter meter = METER;
        assertThat(FirstVelocity.ppm(meter, new Atmosphere(30, 900, 60))).isGreaterThan(40);
        assertThat(FirstVelocity.ppm(meter, new Atmosphere(-10, 1040, 60))).isLessThan(-25);
    }

    @Test
    void slopesReduceAsATracedRayDoes() {
        List<double[]> rows = Fixture.rows("slope_reduction.csv");
        assertThat(rows).hasSize(120).allSatisfy(r -> {
            SlopeReduction.Result result = SlopeReduction.reduce(new Length(r[0]), Angle.ofDegrees(r[1]), new Length(r[2]), r[3],
                    Plane.MEAN_RADIUS_METRES);
            assertThat(result.horizontal().metres()).isCloseTo(r[4], within(1e-5));
            assertThat(result.heightDifference().metres()).isCloseTo(r[5], within(1e-5));
        });
    }

    @Test
    void aLevelSightOfOneKilometreRisesByCurvatureLessRefraction() {
        // (1 − k) s² / 2R, the textbook figure
        SlopeReduction.Result r = SlopeReduction.reduce(new Length(1000), Angle.ofDegrees(90), Length.ZERO, 0.13, Plane.MEAN_RADIUS_METRES);
        assertThat(r.heightDifference().metres()).isCloseTo(0.87 * 1e6 / (2 * Plane.MEAN_RADIUS_METRES), within(1e-7));
    }

    @Test
    void aSightOfNoLengthReducesToNothing() {
        SlopeReduction.Result r = SlopeReduction.reduce(Length.ZERO, Angle.ofDegrees(80), EYE, 0.13, Plane.MEAN_RADIUS_METRES);
        assertThat(r.horizontal().metres()).isZero();
        assertThat(r.heightDifference().metres()).isCloseTo(0, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"10, 80, ONE, 10, 80", "190, 280, TWO, 10, 80", "350, 270.5, TWO, 170, 89.5", "0, 359.9, TWO, 180, 0.1",
            "359, 180, ONE, 359, 180"})
    void face2ReadsBackAsFace1(double hz, double v, Face face, double direction, double zenith) {
        TotalStationReading reading = reading(hz, v, 50);
        assertThat(reading.face()).isEqualTo(face);
        assertThat(reading.faceOneDirection().degrees()).isCloseTo(direction, within(1e-9));
        assertThat(reading.faceOneZenith().degrees()).isCloseTo(zenith, within(1e-9));
    }

    /**
     * Heights and ground distances against vectors between places on the ellipsoid, in a system at the earth's centre: no sphere anywhere.
     * A mean radius is up to 7 mm off at 5 km, and the ellipsoid's own at sea level 0.1 mm for each 400 m of height.
     */
    @ParameterizedTest
    @CsvSource({"0, 0, 5000", "0, 90, 5000", "57, 0, 5000", "57, 45, 3000", "57, 90, 5000", "-43, 200, 4000", "85, 10, 5000"})
    void theEarthIsAsCurvedAsItIsThere(double latitude, double azimuth, double distance) {
        double h = 1500;
        double[] from = centred(Math.toRadians(latitude), 0, h);
        double arc = distance * ReferenceEllipsoid.GRS80.radiusAlong(Angle.ofDegrees(latitude), Angle.ofDegrees(azimuth))
                / (ReferenceEllipsoid.GRS80.radiusAlong(Angle.ofDegrees(latitude), Angle.ofDegrees(azimuth)) + h);
        GeodesicData end = Geodesic.WGS84.Direct(latitude, 0, azimuth, arc);
        double[] to = centred(Math.toRadians(end.lat2), Math.toRadians(end.lon2), h + 120);
        double[] v = {to[0] - from[0], to[1] - from[1], to[2] - from[2]};
        double slope = Math.sqrt(v[0] * v[0] + v[1] * v[1] + v[2] * v[2]);
        double phi = Math.toRadians(latitude);
        double zenith = Math.acos((v[0] * Math.cos(phi) + v[2] * Math.sin(phi)) / slope);
        double radius = ReferenceEllipsoid.GRS80.radiusAlong(Angle.ofDegrees(latitude), Angle.ofDegrees(azimuth)) + h;
        SlopeReduction.Result r = SlopeReduction.reduce(new Length(slope), new Angle(zenith), Length.ZERO, 0, radius);
        assertThat(r.heightDifference().metres()).isCloseTo(120, within(0.0003));
        assertThat(r.horizontal().metres()).isCloseTo(distance, within(0.0005));
    }

    private static double[] centred(double latitude, double longitude, double h) {
        double n = ReferenceEllipsoid.GRS80.primeVerticalRadius(new Angle(latitude));
        double e2 = ReferenceEllipsoid.GRS80.eccentricitySquared();
        return new double[] {(n + h) * Math.cos(latitude) * Math.cos(longitude), (n + h) * Math.cos(latitude) * Math.sin(longitude),
                (n * (1 - e2) + h) * Math.sin(latitude)};
    }

    @Test
    void theDistanceKeepsEveryStepItTook() {
        ShotReduction.Result shot = ShotReduction.reduce(reading(10, 90, 100), InstrumentErrors.NONE,
                new Target(new Length(1.6), new Length(-0.012)),
                EYE, AIR, METER, 0.13, Plane.MEAN_RADIUS_METRES, ground -> ground.times(0.999872));
        double ppm = FirstVelocity.ppm(METER, AIR);
        assertThat(shot.grid().steps()).extracting(Step::kind)
                .containsExactly(Step.Kind.PRISM_CONSTANT, Step.Kind.ATMOSPHERE, Step.Kind.HORIZONTAL, Step.Kind.GRID_SCALE);
        assertThat(shot.grid().steps().get(0).after().metres()).isEqualTo(99.988);
        assertThat(shot.slope().metres()).isCloseTo(99.988 * (1 + ppm * 1e-6), within(1e-12));
        assertThat(shot.grid().value().metres()).isCloseTo(shot.groundDistance().metres() * 0.999872, within(1e-12));
        assertThat(shot.rise().metres()).isCloseTo(1.546 - 1.6 + 0.87 * 1e4 / (2 * Plane.MEAN_RADIUS_METRES), within(1e-6));
    }

    @Test
    void theTargetHeightLowersThePointByAsMuch() {
        ShotReduction.Result low = shot(new Target(Length.ZERO, Length.ZERO));
        ShotReduction.Result high = shot(new Target(new Length(2), Length.ZERO));
        assertThat(low.rise().minus(high.rise()).metres()).isCloseTo(2, within(1e-12));
        assertThat(low.grid().value()).isEqualTo(high.grid().value());
    }

    @ParameterizedTest
    @CsvSource({"70, 1000, 60", "10, 400, 60", "10, 1000, 120", "NaN, 1000, 60"})
    void airThatCannotBeIsRefused(double celsius, double hectopascals, double humidity) {
        assertThatIllegalArgumentException().isThrownBy(() -> new Atmosphere(celsius, hectopascals, humidity));
    }

    private static ShotReduction.Result shot(Target target) {
        return ShotReduction.reduce(reading(10, 85, 100), InstrumentErrors.NONE, target, EYE, AIR, METER, 0.13, Plane.MEAN_RADIUS_METRES,
                ground -> ground);
    }

    private static TotalStationReading reading(double hzDegrees, double zenithDegrees, double metres) {
        return new TotalStationReading(Angle.ofDegrees(hzDegrees), Angle.ofDegrees(zenithDegrees), new Length(metres), "");
    }

    /** What is predicted is reduced to what it was predicted from: steep, level, near, far, up and down. */
    @ParameterizedTest
    @CsvSource({"5, 40", "50, -20", "300, 2", "9000, 800", "9000, -30", "0.5, 15"})
    void predictionAndReductionUndoEachOther(double horizontal, double rise) {
        SlopeReduction.Sight sight = SlopeReduction.predict(horizontal, rise, EYE, 0.13, Plane.MEAN_RADIUS_METRES);
        SlopeReduction.Result back = SlopeReduction.reduce(sight.slope(), sight.zenith(), EYE, 0.13, Plane.MEAN_RADIUS_METRES);
        assertThat(back.horizontal().metres()).isCloseTo(horizontal, within(1e-6));
        assertThat(back.heightDifference().metres()).isCloseTo(rise, within(1e-6));
    }

    /**
     * The derivatives of the formula for dry air, worked by hand: N·273.15·p/(1013.25·T²) a degree and −N·273.15/(1013.25·T) a hectopascal.
     */
    @ParameterizedTest
    @CsvSource({"15, 1013", "-20, 1000", "45, 700", "59, 1050"})
    void theAirIsWorthItsDerivatives(double celsius, double hectopascals) {
        AirEffect e = AirEffect.of(METER, new Atmosphere(celsius, hectopascals, 0), new Length(1000));
        double kelvin = celsius + 273.15;
        double n = 287.6155 + 4.88660 / (0.658 * 0.658) + 0.06800 / Math.pow(0.658, 4);
        assertThat(e.perDegree().metres() * 1000).isCloseTo(n * 273.15 * hectopascals / (1013.25 * kelvin * kelvin), within(0.006));
        assertThat(e.perHectopascal().metres() * 1000).isCloseTo(-n * 273.15 / (1013.25 * kelvin), within(0.0001));
        assertThat(e.ppm()).isEqualTo(FirstVelocity.ppm(METER, new Atmosphere(celsius, hectopascals, 0)));
    }
}
