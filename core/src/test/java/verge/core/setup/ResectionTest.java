package verge.core.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import verge.core.Fixture;
import verge.core.coding.PointName;
import verge.core.geodesy.FlatSite;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.reduction.FirstVelocity;
import verge.core.units.Angle;
import verge.core.units.Length;

/** Free stations against scipy's least squares on vectors of its own (resections.py), and what must be said of bad geometry. */
class ResectionTest {
    private static final DistanceMeter METER = new DistanceMeter(0.658, 1.0002863, new Length(0.001), 1.5);
    private static final Atmosphere AIR = new Atmosphere(3, 1031, 60);
    private static final Length CONSTANT = new Length(-0.0344);
    static final Conditions CONDITIONS = new Conditions(AIR, InstrumentPrecision.withUsualCare(Angle.ofArcSeconds(1.5), METER),
            InstrumentErrors.NONE, 0.13);

    static Stream<double[]> resections() {
        return Fixture.rows("resections.csv").stream();
    }

    @ParameterizedTest
    @MethodSource("resections")
    void freeStationsAreThoseOfAnIndependentSolver(double[] row) {
        int count = (int) row[3];
        Map<PointName, Position> marks = new HashMap<>();
        List<Sighting> sightings = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            int at = 4 + 7 * i;
            PointName name = new PointName("M" + i);
            marks.put(name, Position.of(row[at], row[at + 1], row[at + 2]));
            sightings.add(Sighting.of(name, new Target(new Length(row[at + 3]), CONSTANT),
                    pointing(row[at + 4], row[at + 5], row[at + 6])));
        }
        Arrangement arrangement = Arrangement.freeStation(new PointName("S"), new Length(row[2]), row[0] == 1, sightings);
        StationFit.Outcome outcome = StationFit.solve(arrangement, CONDITIONS, new FlatSite(row[1]),
                n -> Optional.ofNullable(marks.get(n)).map(KnownMark::exact));
        assertThat(outcome).isInstanceOf(StationSolution.class);
        StationSolution s = (StationSolution) outcome;
        int e = 4 + 7 * count;
        GridPoint plan = s.station().occupation().station().plan();
        assertThat(plan.northing()).isCloseTo(row[e], within(1e-5));
        assertThat(plan.easting()).isCloseTo(row[e + 1], within(1e-5));
        // A direction hangs on the place: 0.01 mm at the nearest mark's distance of 15 m is 0.14″.
        double turned = s.station().orientation().minus(Angle.ofDegrees(row[e + 2])).halfCircle().arcSeconds();
        assertThat(turned).isCloseTo(0, within(0.01));
        assertThat(s.station().occupation().station().elevation().orElseThrow().metres()).isCloseTo(row[e + 3], within(1e-5));
        assertThat(s.station().occupation().scale()).isCloseTo(row[e + 4], within(1e-9));
        Uncertainty sigma = s.station().covariance().position();
        double[] own = {sigma.north().metres(), sigma.east().metres(), s.station().sigmaOrientation().arcSeconds(), sigma.up().metres(),
                s.station().covariance().scale() * 1e6};
        IntStream.range(0, 5).forEach(i -> assertThat(own[i]).as("σ " + i).isCloseTo(row[e + 5 + i], within(0.01 * row[e + 5 + i] + 1e-9)));
        assertThat(s.variance().degreesOfFreedom()).isEqualTo((int) row[e + 11]);
        assertThat(s.variance().factor() * s.variance().degreesOfFreedom()).isCloseTo(row[e + 10], within(1e-3 * row[e + 10] + 1e-6));
    }

    private static Pointing pointing(double hz, double zenith, double slope) {
        double ppm = FirstVelocity.ppm(METER, AIR);
        return new Pointing(Angle.ofDegrees(hz), Angle.ofDegrees(zenith), slope < 0 ? Optional.empty()
                : Optional.of(new Length(slope / (1 + ppm * 1e-6) - CONSTANT.metres())), "");
    }

    /**
     * The first solution must not be led astray: with two of seven marks named one for the other, it still lies where the instrument
     * stands.
     */
    @Test
    void theFirstSolutionBearsABlunder() {
        for (int run = 0; run < 60; run++) {
            Yard yard = new Yard(200 + run);
            List<Sighting> sightings = new ArrayList<>(yard.sightings(7));
            PointName first = sightings.get(0).mark();
            sightings.set(0, sightings.get(0).with(sightings.get(5).mark()));
            sightings.set(5, sightings.get(5).with(first));
            List<FitSight> sights = sightings.stream()
                    .map(s -> FitSight.of(s, yard.known(s.mark()), yard.arrangement(sightings), CONDITIONS)).toList();
            FirstSolution.Found found = new FirstSolution(sights, Yard.PLANE.gridPerGround()).find().orElseThrow();
            assertThat(found.place().distanceMetres(yard.station().plan())).isLessThan(0.1);
        }
    }

    /** Circles alone, from anywhere round the marks, with the circle's zero anywhere: no case of quadrants is special. */
    @Test
    void threeDirectionsPlaceTheStationWhereverItIs() {
        for (int run = 0; run < 60; run++) {
            Yard yard = new Yard(300 + run);
            List<Sighting> circles = yard.sightings(5).stream().map(s -> s.with(s.pointings().stream()
                    .map(p -> new Pointing(p.horizontalDirection(), p.zenith(), Optional.empty(), "")).toList())).toList();
            StationSolution s = (StationSolution) yard.solve(yard.arrangement(circles));
            double off = s.station().occupation().station().plan().distanceMetres(yard.station().plan());
            assertThat(off).isLessThan(4 * s.station().covariance().ellipse().longer().metres() + 0.001);
            assertThat(s.marks()).allSatisfy(m -> assertThat(m.observations()).extracting(StationSolution.Observed::quantity)
                    .containsExactly(StationSolution.Quantity.DIRECTION, StationSolution.Quantity.ZENITH));
        }
    }

    /** A free scale takes what a fixed one leaves in the residuals. */
    @Test
    void aScaleIsFoundWhereItIsAskedFor() {
        Yard yard = new Yard(17);
        List<Sighting> longer = yard.sightings(6).stream().map(s -> s.with(s.pointings().stream()
                .map(p -> new Pointing(p.horizontalDirection(), p.zenith(), p.distance().map(d -> d.times(1.0004)), "")).toList()))
                .toList();
        Arrangement free = Arrangement.freeStation(new PointName("S"), new Length(1.5), true, longer);
        StationSolution s = (StationSolution) yard.solve(free);
        assertThat(s.station().occupation().scale()).isCloseTo(1 / 1.0004, within(5e-5));
        assertThat(s.notices()).extracting(Notice::kind).contains(Notice.Kind.SCALE_FAR);
        Sighting shot = longer.get(0);
        GridPoint again = s.station().observe(shot.pointings().get(0).shot().orElseThrow(), shot.target()).position().plan();
        assertThat(again.distanceMetres(yard.marks.get(shot.mark()).plan())).as("points measured from it are scaled alike")
                .isLessThan(0.012);
    }
}
