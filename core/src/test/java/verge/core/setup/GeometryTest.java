package verge.core.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.coding.PointName;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.plan.Extent;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.units.Angle;
import verge.core.units.Length;

/** What bad geometry and bad input come to: always told, never a plausible number. */
class GeometryTest {
    private final Yard yard = new Yard(31);

    private static List<Sighting> circlesOnly(List<Sighting> sightings) {
        return sightings.stream().map(s ->
                s.with(s.pointings().stream().map(p -> new Pointing(p.horizontalDirection(), p.zenith(), Optional.empty(), "")).toList()))
                .toList();
    }

    private static List<Notice.Kind> kinds(StationFit.Outcome outcome) {
        return ((StationSolution) outcome).notices().stream().map(Notice::kind).toList();
    }

    /** Directions only, from the circle through the marks, or from their line: a matter of geometry, however the readings scatter. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void whatGeometryLeavesOpenIsNeverCalledAContradiction(long seed) {
        Random random = new Random(seed);
        boolean line = seed % 2 == 0;
        Map<PointName, Position> marks = new HashMap<>();
        List<Sighting> sightings = new ArrayList<>();
        double turn = 6 * random.nextDouble();
        for (int i = 0; i < 4; i++) {
            double a = 0.4 + 0.7 * i + 0.2 * random.nextDouble();
            double n = line ? (i - 1.5) * 40 + 10 * random.nextDouble() : 60 * Math.cos(a);
            double e = line ? 0 : 60 * Math.sin(a);
            PointName name = new PointName("D" + i);
            marks.put(name, Position.of(6_314_490 + n, 649_010 + e, 5));
            double hereN = line ? 3 : 60 * Math.cos(-1.1);
            double hereE = line ? 0 : 60 * Math.sin(-1.1);
            double hz = Math.atan2(e - hereE, n - hereN) - turn + 7e-6 * random.nextGaussian();
            sightings.add(Sighting.of(name, new Target(new Length(1.5), Length.ZERO),
                    new Pointing(new Angle(hz).wholeCircle(), new Angle(Math.PI / 2), Optional.empty(), "")));
        }
        StationFit.Outcome outcome = StationFit.solve(Arrangement.freeStation(new PointName("S"), new Length(1.5), false, sightings),
                ResectionTest.CONDITIONS, Yard.PLANE,
                n -> Optional.ofNullable(marks.get(n)).map(KnownMark::exact));
        if (outcome instanceof StationFit.Unsolved why) {
            assertThat(why.reason()).isEqualTo(StationFit.Reason.UNDETERMINED);
        } else {
            assertThat(((StationSolution) outcome).notices()).extracting(Notice::kind)
                    .containsAnyOf(Notice.Kind.DANGER_CIRCLE, Notice.Kind.GEOMETRY_WEAK);
        }
    }

    /** A mark that is known to a centimetre across the sight turns the circle by that over its distance; along it, it does not. */
    @ParameterizedTest
    @CsvSource({"0, 0.010, 0, 0.010", "0.010, 0, 0, 0", "0, 0, 0.020, 0"})
    void standardDeviationsOfMarksCount(double north, double east, double up, double across) {
        double d = 80;
        Position station = Position.of(6_314_490, 649_010, 5);
        Position mark = Position.of(6_314_490 + d * Yard.PLANE.gridPerGround(), 649_010, 5);
        Sighting sight = Sighting.of(new PointName("B"), new Target(new Length(1.5), Length.ZERO),
                new Pointing(Angle.ZERO, new Angle(Math.PI / 2), Optional.of(new Length(d)), ""));
        Arrangement over = Arrangement.knownPoint(new PointName("S"), new Length(1.5), sight);
        Uncertainty sigma = new Uncertainty(new Length(north), new Length(east), new Length(up));
        StationSolution exact = (StationSolution) StationFit.solve(over, ResectionTest.CONDITIONS, Yard.PLANE,
                n -> Optional.of(KnownMark.exact(n.text().equals("S") ? station : mark)));
        StationSolution known = (StationSolution) StationFit.solve(over, ResectionTest.CONDITIONS, Yard.PLANE,
                n -> Optional.of(n.text().equals("S") ? KnownMark.exact(station) : new KnownMark(mark, Optional.of(sigma))));
        double turned = Math.hypot(exact.station().sigmaOrientation().radians(), across / d);
        assertThat(known.station().sigmaOrientation().radians()).isCloseTo(turned, within(1e-9 + turned * 2e-4));
        assertThat(known.marks().get(0).distance().orElseThrow().sigma().metres())
                .isCloseTo(Math.hypot(exact.marks().get(0).distance().orElseThrow().sigma().metres(), north), within(1e-5));
        assertThat(known.marks().get(0).height().orElseThrow().sigma().metres())
                .isCloseTo(Math.hypot(exact.marks().get(0).height().orElseThrow().sigma().metres(), up), within(1e-5));
        StationSolution stood = (StationSolution) StationFit.solve(over, ResectionTest.CONDITIONS, Yard.PLANE,
                n -> Optional.of(n.text().equals("S") ? new KnownMark(station, Optional.of(sigma)) : KnownMark.exact(mark)));
        double centring = ResectionTest.CONDITIONS.precision().sigmaStationCentring().metres();
        assertThat(stood.station().covariance().position().east().metres()).isCloseTo(Math.hypot(centring, east), within(1e-9));
        assertThat(stood.station().covariance().position().north().metres()).isCloseTo(Math.hypot(centring, north), within(1e-9));
    }

    @Test
    void twoMarksOnOneSpotAreRefusedByName() {
        List<Sighting> sightings = yard.sightings(3);
        yard.marks.put(sightings.get(2).mark(), yard.marks.get(sightings.get(0).mark()));
        assertThat(yard.solve(yard.arrangement(sightings))).isEqualTo(new StationFit.Unsolved(StationFit.Reason.MARKS_COINCIDE,
                List.of(sightings.get(0).mark(), sightings.get(2).mark())));
    }

    @Test
    void whatIsTooLittleIsSaidToBe() {
        List<Sighting> three = yard.sightings(3);
        assertThat(((StationFit.Unsolved) yard.solve(yard.arrangement(three.subList(0, 1)))).reason()).isEqualTo(StationFit.Reason.TOO_FEW);
        assertThat(((StationFit.Unsolved) yard.solve(yard.arrangement(circlesOnly(three.subList(0, 2))))).reason())
                .isEqualTo(StationFit.Reason.TOO_FEW);
        assertThat(((StationFit.Unsolved) yard.solve(yard.arrangement(List.of()))).reason()).isEqualTo(StationFit.Reason.TOO_FEW);
        assertThat(yard.solve(yard.arrangement(List.of(three.get(0), three.get(1).with(new PointName("nowhere"))))))
                .isEqualTo(new StationFit.Unsolved(StationFit.Reason.MARK_UNKNOWN, List.of(new PointName("nowhere"))));
        Arrangement over = Arrangement.knownPoint(new PointName("nowhere"), Length.ZERO, three.get(0));
        assertThat(((StationFit.Unsolved) yard.solve(over)).reason()).isEqualTo(StationFit.Reason.STATION_UNKNOWN);
    }

    /** Four marks on one circle with the station on it too, nearer and nearer: told long before it cannot be solved. */
    @ParameterizedTest
    @CsvSource({"0, true", "0.01, true", "0.06, true", "0.5, false"})
    void theDangerCircleIsSeen(double outside, boolean danger) {
        Yard ring = onCircle(outside);
        StationFit.Outcome outcome = ring.solve(
                ring.arrangement(circlesOnly(ring.marks.keySet().stream().map(n -> ring.sighting(n, ring.marks.get(n), Yard.PRISM))
                .toList())));
        if (outcome instanceof StationSolution) {
            assertThat(kinds(outcome).contains(Notice.Kind.DANGER_CIRCLE)).isEqualTo(danger);
        } else {
            assertThat(outside).isZero();
        }
        StationFit.Outcome ranged = ring.solve(ring.arrangement(ring.marks.keySet().stream()
                .map(n -> ring.sighting(n, ring.marks.get(n), Yard.PRISM)).toList()));
        assertThat(kinds(ranged)).as("distances know no danger circle").doesNotContain(Notice.Kind.DANGER_CIRCLE);
    }

    private static Yard onCircle(double outside) {
        Yard ring = new Yard(5);
        ring.marks.clear();
        double radius = 60;
        double angle = 1;
        GridPoint centre = ring.station().plan().plus(-radius * (1 + outside) * Math.cos(angle), -radius * (1 + outside) * Math.sin(angle));
        IntStream.range(0, 4).forEach(i -> ring.marks.put(new PointName("C" + i),
                new Position(centre.plus(radius * Math.cos(angle + 0.8 + i * 1.4), radius * Math.sin(angle + 0.8 + i * 1.4)),
                Optional.of(new Elevation(5 + i)))));
        return ring;
    }

    @Test
    void theCircleThroughThreeMarksIsTheOneThroughThem() {
        DangerCircle circle = DangerCircle.through(List.of(new GridPoint(6_314_500, 649_000), new GridPoint(6_314_530, 649_040),
                new GridPoint(6_314_500, 649_080))).orElseThrow();
        // Sagitta 30 over half a chord of 40: r = (40² + 30²)/60.
        assertThat(circle.radiusMetres()).isCloseTo(2500.0 / 60, within(1e-6));
        assertThat(circle.centre().easting()).isCloseTo(649_040, within(1e-6));
        assertThat(DangerCircle.through(List.of(new GridPoint(0, 0), new GridPoint(1, 1), new GridPoint(2, 2)))).isEmpty();
    }

    @Test
    void aStationOnTheLineOfBothMarksIsTold() {
        Yard line = new Yard(9);
        line.marks.clear();
        line.marks.put(new PointName("A"), new Position(line.station().plan().plus(40, 30), line.station().elevation()));
        line.marks.put(new PointName("B"), new Position(line.station().plan().plus(-60, -45.3), line.station().elevation()));
        StationFit.Outcome outcome = line.solve(line.arrangement(line.marks.keySet().stream()
                .map(n -> line.sighting(n, line.marks.get(n), Yard.PRISM)).toList()));
        assertThat(kinds(outcome)).contains(Notice.Kind.ON_THE_LINE);
    }

    @Test
    void marksWithoutHeightCountInPlanOnly() {
        List<Sighting> sightings = yard.sightings(4);
        sightings.subList(0, 3).forEach(s -> yard.marks.computeIfPresent(s.mark(), (n, p) -> new Position(p.plan(), Optional.empty())));
        StationSolution one = (StationSolution) yard.solve(yard.arrangement(sightings));
        assertThat(kinds(one)).contains(Notice.Kind.MARKS_WITHOUT_HEIGHT);
        assertThat(one.station().occupation().station().elevation().orElseThrow().metres())
                .isCloseTo(yard.station().elevation().orElseThrow().metres(), within(0.01));
        yard.marks.computeIfPresent(sightings.get(3).mark(), (n, p) -> new Position(p.plan(), Optional.empty()));
        StationSolution none = (StationSolution) yard.solve(yard.arrangement(sightings));
        assertThat(kinds(none)).contains(Notice.Kind.NO_HEIGHTS);
        assertThat(none.station().occupation().station().elevation()).isEmpty();
    }

    @Test
    void pointingsAtDifferentThingsUnderOneNameAreTold() {
        List<Sighting> sightings = new ArrayList<>(yard.sightings(4));
        Pointing p = sightings.get(1).pointings().get(0);
        Pointing aside = new Pointing(p.horizontalDirection().plus(Angle.ofDegrees(0.5)), p.zenith(), p.distance(), "");
        sightings.set(1, sightings.get(1).with(List.of(p, aside)));
        assertThat(kinds(yard.solve(yard.arrangement(sightings)))).contains(Notice.Kind.POINTINGS_APART);
        Pointing wrongFace = new Pointing(p.horizontalDirection().plus(Angle.HALF_TURN), p.zenith(), p.distance(), "");
        sightings.set(1, sightings.get(1).with(List.of(p, wrongFace)));
        StationFit.Outcome outcome = yard.solve(yard.arrangement(sightings));
        assertThat(kinds(outcome)).contains(Notice.Kind.FACE_WRONG);
        assertThat(((StationSolution) outcome).within()).isFalse();
    }

    /** What counts of a mark: out of plan, the others place the station; its height still helps. */
    @Test
    void aMarkMayCountInHeightOnly() {
        List<Sighting> sightings = new ArrayList<>(yard.sightings(3));
        PointName pushed = sightings.get(0).mark();
        yard.marks.computeIfPresent(pushed, (n, p) -> new Position(p.plan().plus(5, 5), p.elevation()));
        sightings.set(0, sightings.get(0).with(new Sighting.Use(false, false, true)));
        StationSolution s = (StationSolution) yard.solve(yard.arrangement(sightings));
        assertThat(s.station().occupation().station().plan().distanceMetres(yard.station().plan())).isLessThan(0.02);
        assertThat(s.marks().get(0).observations()).extracting(StationSolution.Observed::quantity)
                .containsExactly(StationSolution.Quantity.RISE);
        assertThat(s.marks().get(0).distance().orElseThrow().difference().abs().metres()).isGreaterThan(0.5);
    }

    @Test
    void anAzimuthTypedOrientsWhereNoCoordinatesDo() {
        Sighting far = yard.sightings(1).get(0);
        Sighting typed = new Sighting(new PointName("spire"), far.target(), Sighting.Use.ALL, Optional.of(Angle.ofDegrees(77)),
                far.pointings());
        Arrangement assumed = new Arrangement(Arrangement.Kind.ASSUMED, new PointName("A1"), new Length(1.5),
                Optional.of(Position.of(1000, 2000, 50)),
                Arrangement.HeightFrom.STATION, Optional.empty(), false, List.of(typed), List.of());
        StationSolution s = (StationSolution) yard.solve(assumed);
        assertThat(s.station().azimuth(far.pointings().get(0).faceOneDirection()).degrees()).isCloseTo(77, within(0.01));
        assertThat(s.station().occupation().station()).isEqualTo(Position.of(1000, 2000, 50));
    }

    /** Contours lie where the expected error is theirs; the mark put forward is the one after which the error is least. */
    @Test
    void assuranceDrawsWhatThePointsWillBeWorth() {
        List<Sighting> two = yard.sightings(2);
        StationSolution s = (StationSolution) yard.solve(yard.arrangement(two));
        GridPoint middle = yard.station().plan();
        List<Assurance.Contour> contours = Assurance.contours(s.station(),
                new Extent(middle.northing() - 150, middle.easting() - 150, middle.northing() + 150, middle.easting() + 150));
        assertThat(contours).extracting(Assurance.Contour::part).contains(Assurance.Part.PLAN, Assurance.Part.HEIGHT);
        for (Assurance.Contour c : contours) {
            double between = Stream.of(c).flatMap(x -> x.lines().stream()).flatMap(List::stream)
                    .mapToDouble(p -> Math.abs(Assurance.error(s.station(), p, c.part()).metres() - c.error().metres())).max().orElse(0);
            assertThat(between).isLessThan(0.1 * c.error().metres());
        }
        List<GridPoint> work = List.of(middle.plus(80, 80), middle.plus(-80, 40));
        List<Suspects.KnownPoint> all = yard.marks.entrySet().stream().map(m -> new Suspects.KnownPoint(m.getKey(), m.getValue())).toList();
        Assurance.Next next = Assurance.next(s, yard.arrangement(two), ResectionTest.CONDITIONS, Yard.PLANE, yard::known, all, work)
                .orElseThrow();
        assertThat(next.after()).isLessThan(next.before());
        for (Suspects.KnownPoint other : all) {
            Assurance.next(s, yard.arrangement(two), ResectionTest.CONDITIONS, Yard.PLANE, yard::known, List.of(other), work)
                    .ifPresent(o -> assertThat(next.after()).isLessThanOrEqualTo(o.after()));
        }
    }

    @Test
    void aCheckSaysWhetherTheSetupStillHolds() {
        List<Sighting> sightings = yard.sightings(5);
        StationSolution s = (StationSolution) yard.solve(yard.arrangement(sightings.subList(0, 4)));
        Sighting check = sightings.get(4);
        var shot = check.pointings().get(0).shot().orElseThrow();
        assertThat(StationCheck.of(s.station(), shot, check.target(), yard.known(check.mark()).orElseThrow()).within()).isTrue();
        var turned = new Pointing(shot.horizontalDirection().plus(Angle.ofArcSeconds(90)), shot.zenith(), shot.distance(), "").shot()
                .orElseThrow();
        StationCheck drifted = StationCheck.of(s.station(), turned, check.target(), yard.known(check.mark()).orElseThrow());
        assertThat(drifted.within()).isFalse();
        assertThat(drifted.turned().arcSeconds()).isCloseTo(90, within(15.0));
    }
}
