package verge.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.aggregator.ArgumentsAccessor;
import org.junit.jupiter.params.provider.CsvFileSource;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.operation.buffer.BufferOp;
import org.locationtech.jts.operation.buffer.BufferParameters;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;

/** Arcs through places and beside others, at real coordinates. */
class CurvesTest {
    private static final GridPoint ORIGIN = new GridPoint(6_314_490, 649_010);
    private static final double DIGITS = 2e-9;   // of coordinates of six million

    private static GridPoint on(double radius, double degrees) {
        return ORIGIN.plus(radius * Math.sin(Math.toRadians(degrees)), radius * Math.cos(Math.toRadians(degrees)));
    }

    /** The closed form: an arc of a known circle turns through a known angle. */
    @ParameterizedTest
    @CsvSource({"10, 0, 40, 90", "10, 90, 40, 0", "44, 0, 100, 300", "44, 10, 5, -330", "1000, 20, 20.001, 20.002", "3, 0, 179, 358"})
    void anArcThroughThreePlacesTurnsAsItsCircleDoes(double radius, double from, double via, double to) {
        double bulge = Arc.bulgeThrough(on(radius, from), on(radius, via), on(radius, to)).orElseThrow();
        assertThat(bulge).isCloseTo(Math.tan(Math.toRadians(to - from) / 4), within(1e-6 * Math.max(1, Math.abs(bulge))));
        Arc arc = Arc.ofBulge(on(radius, from), on(radius, to), bulge).orElseThrow();
        assertThat(arc.off(on(radius, via))).isCloseTo(0, within(1e-5));
    }

    @ParameterizedTest
    @CsvSource({"0, 5, 10, 0", "0, 0, 10, ", "0, 10, 10, ", "0, 15, 10, ", "3, 3, 3, "})
    void threePlacesInOneLineMakeAStraightPieceOrNone(double from, double via, double to, Double bulge) {
        var found = Arc.bulgeThrough(ORIGIN.plus(from, from), ORIGIN.plus(via, via), ORIGIN.plus(to, to));
        assertThat(found.isPresent()).isEqualTo(bulge != null);
        found.ifPresent(b -> assertThat(b).isCloseTo(0, within(1e-15)));
    }

    /** Against scipy's least squares over another unknown; made by arc_fits.py. */
    @ParameterizedTest
    @CsvFileSource(resources = "/fixtures/arc_fits.csv")
    void theBestArcIsThatOfAnIndependentSolver(ArgumentsAccessor row) {
        double[] v = IntStream.range(0, row.size()).mapToDouble(row::getDouble).toArray();
        List<GridPoint> places = new ArrayList<>();
        for (int i = 1; i < v.length; i += 2) {
            places.add(ORIGIN.plus(v[i], v[i + 1]));
        }
        GridPoint from = places.get(0);
        GridPoint to = places.get(1);
        double bulge = ArcFit.bulge(from, places.subList(2, places.size()), to).orElseThrow();
        assertThat(bulge * from.distanceMetres(to) / 2).isCloseTo(v[0], within(1e-5 * Math.max(1, Math.abs(bulge))));
    }

    private static Position at(double north, double east, double height) {
        return Position.of(ORIGIN.northing() + north, ORIGIN.easting() + east, height);
    }

    /** It passes every place to the last bit, nowhere bends, and rises evenly. */
    @ParameterizedTest
    @ValueSource(booleans = {false, true})
    void aSmoothCurveGoesThroughAllPlacesWithoutABend(boolean closed) {
        Random random = new Random(3);
        for (int trial = 0; trial < 100; trial++) {
            double turn = 2 * Math.PI / 9;
            List<Position> places = IntStream.range(0, 9)
                    .mapToObj(i -> at((10 + 6 * random.nextDouble()) * Math.sin(i * turn),
                    (10 + 6 * random.nextDouble()) * Math.cos(i * turn), i)).toList();
            Path smooth = SmoothCurve.through(places, closed);
            List<Position> vertices = IntStream.range(0, smooth.vertices().size()).mapToObj(smooth.vertices()::position).toList();
            assertThat(vertices).containsAll(places);
            for (int i = closed ? 0 : 1; i < smooth.pieces(); i++) {
                double[] in = heading(smooth, (i + smooth.pieces() - 1) % smooth.pieces(), true);
                double[] out = heading(smooth, i, false);
                assertThat(in[0] * out[1] - in[1] * out[0]).isCloseTo(0, within(1e-7));
                assertThat(in[0] * out[0] + in[1] * out[1]).isPositive();
            }
        }
    }

    private static double[] heading(Path path, int piece, boolean atEnd) {
        GridPoint from = path.vertices().plan(piece);
        GridPoint to = path.vertices().plan((piece + 1) % path.vertices().size());
        double azimuth = Math.atan2(to.easting() - from.easting(), to.northing() - from.northing())
                + (atEnd ? -2 : 2) * Math.atan(path.bulge(piece));
        return new double[] {Math.cos(azimuth), Math.sin(azimuth)};
    }

    /** Places shot twice, back and forth, in any order: no loop is made of them. */
    @Test
    void aSmoothCurveMakesNoLoops() {
        Random random = new Random(5);
        for (int trial = 0; trial < 3000; trial++) {
            List<Position> places = new ArrayList<>();
            for (int i = 0; i < 3 + random.nextInt(6); i++) {
                places.add(random.nextInt(4) == 0
                        && i > 0 ? at(places.get(i - 1).plan().northing() - ORIGIN.northing() + 0.004 * random.nextGaussian(),
                        places.get(i - 1).plan().easting() - ORIGIN.easting() + 0.004, 0)
                        : at(10 * random.nextDouble(), 10 * random.nextDouble(), 0));
            }
            double direct = IntStream.range(1, places.size())
                    .mapToDouble(i -> places.get(i).plan().distanceMetres(places.get(i - 1).plan())).sum();
            assertThat(SmoothCurve.through(places, false).length()).isBetween(direct - 1e-6, 1.5 * Math.PI / 2 * direct + 1e-6);
        }
    }

    @Test
    void placesOnACircleMakeTheCircleAndPlacesInALineTheLine() {
        List<Position> round = IntStream.range(0, 7).mapToObj(i -> new Position(on(20, 25 * i * i / 3.0), Optional.empty())).toList();
        Path smooth = SmoothCurve.through(round, false);
        smoothOn(smooth, 20);
        Path line = SmoothCurve.through(List.of(at(0, 0, 1), at(3, 4, 2), at(30, 40, 3)), false);
        assertThat(line.length()).isCloseTo(50, within(DIGITS));
    }

    private static void smoothOn(Path path, double radius) {
        Vertices chords = path.chords(0.0005);
        for (int i = 0; i < chords.size(); i++) {
            assertThat(chords.plan(i).distanceMetres(ORIGIN)).isCloseTo(radius, within(1e-7));
        }
    }

    private static Path path(boolean closed, double... northEastBulge) {
        Vertices.Builder vertices = new Vertices.Builder();
        double[] bulges = new double[northEastBulge.length / 3];
        for (int i = 0; i < bulges.length; i++) {
            vertices.add(ORIGIN.northing() + northEastBulge[3 * i], ORIGIN.easting() + northEastBulge[3 * i + 1], 5);
            bulges[i] = northEastBulge[3 * i + 2];
        }
        return Path.of(vertices.build(), bulges, closed);
    }

    /** Every place of it is as far from the other path as was asked, by measuring to the other's chords; heights are raised. */
    @ParameterizedTest
    @CsvSource({"0.15", "-0.15", "1.2", "-1.2"})
    void aParallelIsEverywhereAtItsDistance(double left) {
        List<Path> paths = List.of(path(false, 0, 0, 0, 20, 0, 0.3, 30, 12, 0, 30, 40, -0.5, 10, 50, 0),
                path(true, 0, 0, 0, 0, 20, 0.4, 20, 20, 0, 20, 0, 0),
                path(false, 0, 0, 0.2, 0, 30, 0.2, 0, 60, 0));
        for (Path path : paths) {
            Path beside = Parallel.of(path, left, 0.12).orElseThrow();
            assertThat(beside.closed()).isEqualTo(path.closed());
            Vertices original = path.chords(1e-5);
            Vertices found = beside.chords(1e-5);
            for (int i = 0; i < found.size() - 1; i++) {
                GridPoint middle = found.plan(i).plus((found.north(i + 1) - found.north(i)) / 2, (found.east(i + 1) - found.east(i)) / 2);
                double away = away(original, middle);
                boolean atCorner = IntStream.range(0, path.vertices().size())
                        .anyMatch(v -> path.vertices().plan(v).distanceMetres(middle) < away + 1e-6);
                // mitred
                assertThat(away).as("%s at %s", left, middle)
                        .isBetween(Math.abs(left) - 3e-5, atCorner ? 1.5 * Math.abs(left) : Math.abs(left) + 3e-5);
                assertThat(found.height(i).orElseThrow()).isCloseTo(5.12, within(1e-12));
            }
        }
    }

    private static double away(Vertices line, GridPoint place) {
        return IntStream.range(1, line.size()).mapToDouble(i -> {
            double north = line.north(i) - line.north(i - 1);
            double east = line.east(i) - line.east(i - 1);
            double part = ((place.northing() - line.north(i - 1)) * north + (place.easting() - line.east(i - 1)) * east)
                    / (north * north + east * east);
            return line.plan(i - 1).plus(Math.max(0, Math.min(1, part)) * north, Math.max(0, Math.min(1, part)) * east)
                    .distanceMetres(place);
        }).min().orElseThrow();
    }

    /**
     * Where there is room JTS finds the same area within; where there is none, what JTS leaves has lost a corner, is in parts, or is
     * nothing.
     */
    @Test
    void aParallelWithinARingIsThatOfJtsOrThereIsNoRoom() {
        Random chance = new Random(23);
        int fits = 0;
        for (int round = 0; round < 2_000; round++) {
            int corners = 3 + chance.nextInt(7);
            double[] figures = new double[3 * corners];
            Coordinate[] ring = new Coordinate[corners + 1];
            for (int i = 0; i < corners; i++) {
                double angle = 2 * Math.PI * (i + 0.7 * chance.nextDouble()) / corners;
                double radius = 5 + 30 * chance.nextDouble();
                figures[3 * i] = radius * Math.sin(angle);
                figures[3 * i + 1] = radius * Math.cos(angle);
                ring[i] = new Coordinate(figures[3 * i + 1], figures[3 * i]);
            }
            ring[corners] = ring[0];
            double left = 0.2 + 15 * chance.nextDouble();
            BufferParameters mitred = new BufferParameters(8, BufferParameters.CAP_ROUND, BufferParameters.JOIN_MITRE, 1e6);
            mitred.setSimplifyFactor(1e-7);
            Geometry within = BufferOp.bufferOp(new GeometryFactory().createPolygon(ring), -left, mitred);
            Optional<Path> beside = Parallel.of(path(true, figures), left, 0);
            if (beside.isPresent()) {
                fits += beside.get().vertices().size() == corners ? 1 : 0;   // else rounded, which JTS does of all corners or none
                // JTS is off by a thousandth of the distance at inner corners
                assertThat(beside.get().area().orElseThrow()).as("round %s", round)
                .isCloseTo(within.getArea(), within(beside.get().vertices().size() == corners ? 0.05 : 0.2 * within.getArea()));
                assertThat(beside.get().vertices().size() > corners ? 0 : beside.get().area().orElseThrow() - mitred(ring, left))
                        .isCloseTo(0, within(1e-6));
            } else {
                assertThat(within.getNumGeometries() > 1 || within.getNumPoints() <= corners).as("round %s", round).isTrue();
                double room = Parallel.room(path(true, figures), left);
                assertThat(room).isLessThan(left);
                assertThat(Parallel.of(path(true, figures), room, 0)).isPresent();
            }
        }
        assertThat(fits).isBetween(300, 1_700);
    }

    /** A − l d + d² Σ tan(τ/2), τ what each corner turns by to the left. */
    private static double mitred(Coordinate[] ring, double left) {
        double area = 0;
        for (int i = 0; i < ring.length - 1; i++) {
            Coordinate a = ring[i];
            Coordinate b = ring[i + 1];
            Coordinate c = ring[(i + 2) % (ring.length - 1)];
            double turn = Math.atan2((b.x - a.x) * (c.y - b.y) - (b.y - a.y) * (c.x - b.x),
                    (b.x - a.x) * (c.x - b.x) + (b.y - a.y) * (c.y - b.y));
            area += (a.x * b.y - b.x * a.y) / 2 - left * a.distance(b) + left * left * Math.tan(turn / 2);
        }
        return area;
    }

    /**
     * Sharp corners that stick out are rounded about the corner, however sharp; straight back is a half-circle; what has no room is not
     * made.
     */
    @Test
    void aParallelRoundsSharpCornersAndNeverRunsBack() {
        Path there = path(false, 0, 0, 0, 0, 10, 0, 0, 0, 0);
        assertThat(Parallel.of(there, 2, 0).orElseThrow().length()).isCloseTo(20 + 2 * Math.PI, within(1e-9));
        assertThat(Parallel.of(there, -2, 0).orElseThrow().length()).isCloseTo(20 + 2 * Math.PI, within(1e-9));
        Path milliradian = path(false, 0, 0, 0, 0, 100, 0, -0.1, 0, 0);   // turns right by nearly half a turn
        Path beside = Parallel.of(milliradian, 1, 0).orElseThrow();
        assertThat(IntStream.range(0, beside.vertices().size()).mapToDouble(i -> beside.vertices().plan(i).distanceMetres(ORIGIN)).max()
                .orElseThrow()).isLessThan(102);
        assertThat(Parallel.of(milliradian, -1, 0)).isEmpty();
        assertThat(Parallel.of(path(true, 0, 0, 0, 0, 10, 0, 10, 10, 0, 10, 0, 0), 6, 0)).as("inverted").isEmpty();
        assertThat(Parallel.of(path(false, 0, 0, 0, 0, 20, 0, -1, 20, 0, -1, 0, 0), -3, 0)).as("within a slot").isEmpty();
        assertThat(Parallel.of(path(true, 0, 0, 0, 0, 20, 0, 9, 20, 0, 1.5, 10, 0, 9, 0, 0), 1, 0)).as("a waist").isEmpty();
        assertThat(Parallel.room(path(true, 0, 0, 0, 0, 10, 0, 10, 10, 0, 10, 0, 0), 900)).isCloseTo(5, within(2e-4));
    }

    @Test
    void aParallelHasTheLengthOfTheClosedFormAndNoneIsFarInsideAnArc() {
        // turning left: its right is outside
        assertThat(Parallel.of(path(true, 10, 0, 1, -10, 0, 1), -2, 0).orElseThrow().length()).isCloseTo(2 * Math.PI * 12, within(1e-7));
        assertThat(Parallel.of(path(true, 0, 0, 0, 0, 10, 0, 10, 10, 0, 10, 0, 0), 1, 0).orElseThrow().area().orElseThrow())
                .isCloseTo(64, within(1e-7));
        assertThat(Parallel.of(path(true, 10, 0, 1, -10, 0, 1), 10.5, 0)).isEmpty();
    }

    @Test
    void linesAndCirclesMeetWhereTheyShould() {
        Meetings.Circle circle = new Meetings.Circle(ORIGIN, 5);
        assertThat(Meetings.between(circle, new Meetings.Straight(ORIGIN.plus(3, -50), ORIGIN.plus(3, 70)))).allSatisfy(p -> {
            assertThat(p.northing() - ORIGIN.northing()).isCloseTo(3, within(DIGITS));
            assertThat(Math.abs(p.easting() - ORIGIN.easting())).isCloseTo(4, within(DIGITS));
        }).hasSize(2);
        assertThat(Meetings.between(circle, new Meetings.Circle(ORIGIN.plus(0, 6), 5)))
                .allSatisfy(p -> assertThat(p.easting() - ORIGIN.easting()).isCloseTo(3, within(DIGITS))).hasSize(2);
        assertThat(Arrays.asList(Meetings.between(circle, new Meetings.Circle(ORIGIN.plus(0, 11), 5)), Meetings.between(circle, circle),
                Meetings.between(new Meetings.Straight(ORIGIN, ORIGIN.plus(1, 1)),
                new Meetings.Straight(ORIGIN.plus(1, 0), ORIGIN.plus(2, 1))))).allMatch(List::isEmpty);
    }
}
