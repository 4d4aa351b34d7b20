package verge.core.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.coding.PointName;
import verge.core.geodesy.FlatSite;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Pointing;
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
        StationSolution r = solve(350, 0, 0);
        // Northings of 6 300 000 m are exact to 1e-9 m, so differences of 60 m give azimuths to some 1e-9 degrees.
        double azimuth = Math.toDegrees(Math.atan2(61.045, 60.271));
        assertThat(r.station().azimuth(Angle.ofDegrees(350)).degrees()).isCloseTo(azimuth, within(1e-8));
        assertThat(r.station().orientation().degrees()).isCloseTo(azimuth - 350 + 360, within(1e-8));
        assertThat(distance(r).difference().metres()).isCloseTo(0, within(1e-5));
        assertThat(r.marks().get(0).height().orElseThrow().difference().metres()).isCloseTo(0, within(1e-5));
        assertThat(r.within()).isTrue();
    }

    @ParameterizedTest
    @CsvSource({"0.030, 0, false, true", "-0.030, 0, false, true", "0, 0.100, true, false", "0.001, 0.001, true, true"})
    void aBlunderShowsInTheCheckItBelongsTo(double distanceError, double heightError, boolean distanceWithin, boolean heightWithin) {
        StationSolution r = solve(10, distanceError, heightError);
        assertThat(distance(r).difference().metres()).isCloseTo(distanceError, within(1e-4));
        assertThat(r.marks().get(0).height().orElseThrow().difference().metres()).isCloseTo(heightError, within(5e-3));
        assertThat(distance(r).within()).isEqualTo(distanceWithin);
        assertThat(r.marks().get(0).height().orElseThrow().within()).isEqualTo(heightWithin);
        assertThat(r.within()).isEqualTo(distanceWithin && heightWithin);
    }

    @Test
    void withoutElevationsThereIsNoHeightToCheckAndNoneToCarry() {
        Position flat = Position.ofPlan(STATION.plan().northing(), STATION.plan().easting());
        StationSolution r = (StationSolution) solve(flat, BACKSIGHT, backsight(10, 0, 0));
        assertThat(r.marks().get(0).height()).isEmpty();
        assertThat(r.station().observe(backsight(10, 0, 0), PRISM).position().elevation()).isEmpty();
    }

    @Test
    void oneMarkIsNoSetup() {
        assertThat(solve(STATION, STATION, backsight(10, 0, 0)))
                .isEqualTo(new StationFit.Unsolved(StationFit.Reason.MARKS_COINCIDE, List.of(new PointName("S"), new PointName("B"))));
    }

    @Test
    void theBacksightMeasuredAsAPointFallsOnItself() {
        StationSolution r = solve(123.456, 0, 0);
        Position again = r.station().observe(backsight(123.456, 0, 0), PRISM).position();
        assertThat(again.plan().distanceMetres(BACKSIGHT.plan())).isLessThan(1e-5);
        assertThat(again.elevation().orElseThrow().metres()).isCloseTo(11.997, within(1e-5));
    }

    /**
     * The stated standard deviations against the spread of points from whole setups, each with an instrument and a prism that miss their
     * marks.
     */
    @Test
    void sigmaIsWhatNoiseMakesOfAPoint() {
        Random random = new Random(11);
        Position point = Position.of(STATION.plan().northing() + 40, STATION.plan().easting() - 61, 9);
        Position[] found = IntStream.range(0, 20_000).mapToObj(i -> {
            double[] axis = {0.001 * random.nextGaussian(), 0.001 * random.nextGaussian(), 0.001 * random.nextGaussian()};
            StationSolution setup = (StationSolution) solve(STATION, BACKSIGHT, noisy(BACKSIGHT, axis, random));
            return setup.station().observe(noisy(point, axis, random), PRISM).position();
        }).toArray(Position[]::new);
        Uncertainty stated = solve(Math.toDegrees(Math.atan2(61.045, 60.271)), 0, 0).station()
                .observe(noisy(point, new double[3], new Random(1)), PRISM).sigma();
        assertThat(spread(found, p -> p.plan().northing())).isCloseTo(stated.north().metres(), within(0.02 * stated.north().metres()));
        assertThat(spread(found, p -> p.plan().easting())).isCloseTo(stated.east().metres(), within(0.02 * stated.east().metres()));
        StationSolution setup = solve(Math.toDegrees(Math.atan2(61.045, 60.271)), 0, 0);
        ObservedPoint seen = setup.station().observe(noisy(point, new double[3], new Random(1)), PRISM);
        OrientedStation.AlongSight sight = setup.station().alongSight(seen.reduction());
        double azimuth = Math.atan2(-61, 40);
        assertThat(spread(found, p -> p.plan().northing() * Math.cos(azimuth) + p.plan().easting() * Math.sin(azimuth)))
                .isCloseTo(sight.along().metres(), within(0.02 * sight.along().metres()));
        assertThat(spread(found, p -> p.plan().easting() * Math.cos(azimuth) - p.plan().northing() * Math.sin(azimuth)))
                .isCloseTo(sight.across().metres(), within(0.02 * sight.across().metres()));
        assertThat(spread(found, p -> p.elevation().orElseThrow().metres()))
                .isCloseTo(stated.up().metres(), within(0.02 * stated.up().metres()));
    }

    /** A reading with the maker's noise from an axis that misses its mark to a prism that misses its own, on a flat earth. */
    private static TotalStationReading noisy(Position to, double[] axis, Random random) {
        double n = (to.plan().northing() + 0.002 * random.nextGaussian() - STATION.plan().northing() - axis[0]) / 0.999872;
        double e = (to.plan().easting() + 0.002 * random.nextGaussian() - STATION.plan().easting() - axis[1]) / 0.999872;
        double up = to.elevation().orElseThrow().metres() + 1.6 + 0.001 * random.nextGaussian() - 4.714 - 1.546 - axis[2];
        double across = Math.hypot(n, e);
        double second = Math.PI / 648_000;
        double slope = Math.hypot(across, up);
        return new TotalStationReading(new Angle(Math.atan2(e, n) + 2 * second * random.nextGaussian()).wholeCircle(),
                new Angle(Math.atan2(across, up) + 2 * second * random.nextGaussian()),
                new Length(slope + METER.sigma(new Length(slope)).metres() * random.nextGaussian() + 0.012), "");
    }

    private static double spread(Position[] positions, ToDoubleFunction<Position> figure) {
        double mean = IntStream.range(0, positions.length).mapToDouble(i -> figure.applyAsDouble(positions[i])).average().orElseThrow();
        return Math.sqrt(IntStream.range(0, positions.length)
                .mapToDouble(i -> figure.applyAsDouble(positions[i]) - mean).map(d -> d * d).sum() / (positions.length - 1));
    }

    private static StationSolution solve(double circleDegrees, double distanceError, double heightError) {
        return (StationSolution) solve(STATION, BACKSIGHT, backsight(circleDegrees, distanceError, heightError));
    }

    private static StationFit.Outcome solve(Position station, Position backsight, TotalStationReading reading) {
        Arrangement arrangement = Arrangement.knownPoint(new PointName("S"), new Length(1.546),
                Sighting.of(new PointName("B"), PRISM, Pointing.of(reading)));
        return StationFit.solve(arrangement, new Conditions(AIR, PRECISION, InstrumentErrors.NONE, 0.13), new FlatSite(0.999872),
                name -> Optional.of(KnownMark.exact(name.text().equals("S") ? station : backsight)));
    }

    private static Misfit distance(StationSolution r) {
        return r.marks().get(0).distance().orElseThrow();
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
