package verge.core.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.geodesy.FlatSite;
import verge.core.geodesy.Position;
import verge.core.problem.SurveyException;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.reduction.FirstVelocity;
import verge.core.units.Angle;
import verge.core.units.Length;

class SetupTest {
    private static final DistanceMeter METER = new DistanceMeter(0.658, 1.0002863, new Length(0.001), 1.5);
    private static final InstrumentPrecision PRECISION = InstrumentPrecision.withUsualCare(Angle.ofArcSeconds(2), METER);
    /** Air in which this meter's raw distances are right to a micrometre a metre, so that expected figures stay plain. */
    private static final Atmosphere AIR = new Atmosphere(12, 1013.25, 60);
    private static final Target PRISM = new Target(new Length(1.6), new Length(-0.012));
    private static final Position STATION = Position.of(6_314_458.795, 649_001.336, 4.714);
    private static final Position BACKSIGHT = Position.of(6_314_519.066, 649_062.381, 11.997);
    private static final double GRID = Math.hypot(60.271, 61.045);

    @Test
    void orientationTurnsTheCircleIntoAzimuths() {
        KnownPointSetup.Result r = solve(350, 0, 0);
        // Northings of 6 300 000 m are exact to 1e-9 m, so differences of 60 m give azimuths to some 1e-9 degrees.
        double azimuth = Math.toDegrees(Math.atan2(61.045, 60.271));
        assertThat(r.azimuth().degrees()).isCloseTo(azimuth, within(1e-8));
        assertThat(r.station().orientation().degrees()).isCloseTo(azimuth - 350 + 360, within(1e-8));
        assertThat(r.distance().difference().metres()).isCloseTo(0, within(1e-5));
        assertThat(r.height().orElseThrow().difference().metres()).isCloseTo(0, within(1e-5));
        assertThat(r.within()).isTrue();
    }

    @ParameterizedTest
    @CsvSource({"0.030, 0, false, true", "-0.030, 0, false, true", "0, 0.100, true, false", "0.001, 0.001, true, true"})
    void aBlunderShowsInTheCheckItBelongsTo(double distanceError, double heightError, boolean distanceWithin, boolean heightWithin) {
        KnownPointSetup.Result r = solve(10, distanceError, heightError);
        assertThat(r.distance().difference().metres()).isCloseTo(distanceError, within(1e-4));
        assertThat(r.height().orElseThrow().difference().metres()).isCloseTo(heightError, within(5e-3));
        assertThat(r.distance().within()).isEqualTo(distanceWithin);
        assertThat(r.height().orElseThrow().within()).isEqualTo(heightWithin);
        assertThat(r.within()).isEqualTo(distanceWithin && heightWithin);
    }

    @Test
    void withoutElevationsThereIsNoHeightToCheckAndNoneToCarry() {
        Position flat = Position.ofPlan(STATION.plan().northing(), STATION.plan().easting());
        KnownPointSetup.Result r = KnownPointSetup.solve(occupation(flat), BACKSIGHT, backsight(10, 0, 0), PRISM);
        assertThat(r.height()).isEmpty();
        assertThat(r.station().observe(backsight(10, 0, 0), PRISM).position().elevation()).isEmpty();
    }

    @Test
    void oneMarkIsNoSetup() {
        assertThatThrownBy(() -> KnownPointSetup.solve(occupation(STATION), STATION, backsight(10, 0, 0), PRISM)).isInstanceOf(SurveyException.class);
    }

    @Test
    void theBacksightMeasuredAsAPointFallsOnItself() {
        KnownPointSetup.Result r = solve(123.456, 0, 0);
        Position again = r.station().observe(backsight(123.456, 0, 0), PRISM).position();
        assertThat(again.plan().distanceMetres(BACKSIGHT.plan())).isLessThan(1e-5);
        assertThat(again.elevation().orElseThrow().metres()).isCloseTo(11.997, within(1e-5));
    }

    /** The stated standard deviations against the spread of points from noisy readings. */
    @Test
    void sigmaIsWhatNoiseMakesOfAPoint() {
        OrientedStation station = solve(0, 0, 0).station();
        TotalStationReading clean = reading(40, 70, 180);
        Random random = new Random(11);
        Position[] noisy = IntStream.range(0, 20_000).mapToObj(i -> station.observe(noisy(clean, station, random), PRISM).position()).toArray(Position[]::new);
        Uncertainty stated = station.observe(clean, PRISM).sigma();
        double centring = Math.hypot(0.001, 0.002);
        double tape = Math.hypot(0.001, 0.001);
        assertThat(Math.hypot(spread(noisy, p -> p.plan().northing()), centring)).isCloseTo(stated.north().metres(), within(0.02 * stated.north().metres()));
        assertThat(Math.hypot(spread(noisy, p -> p.plan().easting()), centring)).isCloseTo(stated.east().metres(), within(0.02 * stated.east().metres()));
        assertThat(Math.hypot(spread(noisy, p -> p.elevation().orElseThrow().metres()), tape)).isCloseTo(stated.up().metres(), within(0.02 * stated.up().metres()));
    }

    private static TotalStationReading noisy(TotalStationReading clean, OrientedStation station, Random random) {
        double direction = Math.hypot(PRECISION.sigmaDirection().radians(), station.sigmaOrientation().radians());
        return new TotalStationReading(new Angle(clean.horizontalDirection().radians() + direction * random.nextGaussian()),
                new Angle(clean.zenith().radians() + PRECISION.sigmaZenith().radians() * random.nextGaussian()),
                new Length(clean.slopeDistance().metres() + METER.sigma(clean.slopeDistance()).metres() * random.nextGaussian()), "");
    }

    private static double spread(Position[] positions, ToDoubleFunction<Position> figure) {
        double mean = IntStream.range(0, positions.length).mapToDouble(i -> figure.applyAsDouble(positions[i])).average().orElseThrow();
        return Math.sqrt(IntStream.range(0, positions.length)
                .mapToDouble(i -> figure.applyAsDouble(positions[i]) - mean).map(d -> d * d).sum() / (positions.length - 1));
    }

    private static KnownPointSetup.Result solve(double circleDegrees, double distanceError, double heightError) {
        return KnownPointSetup.solve(occupation(STATION), BACKSIGHT, backsight(circleDegrees, distanceError, heightError), PRISM);
    }

    private static Occupation occupation(Position station) {
        return new Occupation(station, new Length(1.546), AIR, PRECISION, 0.13, new FlatSite(0.999872));
    }

    /** What a perfect instrument reads to the backsight, worked from the coordinates with flat-earth terms and (1 − k)d²/2R. */
    private static TotalStationReading backsight(double circleDegrees, double distanceError, double heightError) {
        double d = (GRID + distanceError) / 0.999872;
        double up = 11.997 + heightError + 1.6 - 4.714 - 1.546 - 0.87 * d * d / (2 * 6_371_010.0);
        double across = d * (1 + (1.546 + up) / 6_371_010.0);   // plumb lines part upwards
        double ppm = FirstVelocity.ppm(METER, AIR);
        return reading(circleDegrees, Math.toDegrees(Math.atan2(across, up)), Math.hypot(across, up) / (1 + ppm * 1e-6) + 0.012);
    }

    private static TotalStationReading reading(double hzDegrees, double zenithDegrees, double metres) {
        return new TotalStationReading(Angle.ofDegrees(hzDegrees), Angle.ofDegrees(zenithDegrees), new Length(metres), "");
    }
}
