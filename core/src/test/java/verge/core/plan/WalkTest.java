package verge.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.linearref.LengthIndexedLine;
import org.locationtech.jts.operation.valid.IsSimpleOp;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.rates.Rates;

/** Places along and beside paths, and where paths cross themselves: against hand-worked figures and JTS, at real coordinates. */
class WalkTest {
    private static final double N0 = 6_314_490;
    private static final double E0 = 649_010;

    private static Path path(boolean closed, double... eastNorthBulge) {
        Vertices.Builder vertices = new Vertices.Builder();
        double[] bulges = new double[eastNorthBulge.length / 3];
        for (int i = 0; i < bulges.length; i++) {
            vertices.add(N0 + eastNorthBulge[3 * i + 1], E0 + eastNorthBulge[3 * i], i);
            bulges[i] = eastNorthBulge[3 * i + 2];
        }
        return Path.of(vertices.build(), bulges, closed);
    }

    private static GridPoint place(double east, double north) {
        return new GridPoint(N0 + north, E0 + east);
    }

    /** East 40, then a half-circle to the left of radius 10, then west again. */
    private static final Path HAIRPIN = path(false, 0, 0, 0, 40, 0, 1, 40, 20, 0, 0, 20, 0);

    @ParameterizedTest
    @CsvSource({"10, -3, 10, 3, true", "10, 2, 10, -2, true", "-5, 1, -5, -1, false", "53, 10, 55.707963268, 3, true",
            "48, 10, 55.707963268, -2, true",
        "-4, 23, 115.415926536, 3, false", "40, 10, 40, -10, true"})
    void aPlaceLiesAlongAndBeside(double east, double north, double along, double right, boolean onIt) {
        Walk.Beside beside = Walk.of(HAIRPIN).orElseThrow().beside(place(east, north));
        assertThat(beside.along()).isCloseTo(along, within(1e-8));
        assertThat(beside.right()).isCloseTo(right, within(1e-8));
        assertThat(beside.onIt()).isEqualTo(onIt);
    }

    /** Nothing is square to a corner that sticks out: the place is as far off as the corner, on the outer side of the bend. */
    @ParameterizedTest
    @CsvSource({"13, -4, 5, false", "13, -4, 5, true", "-3, -4, -5, true"})
    void atACornerThatSticksOutTheCornerIsTheFoot(double east, double north, double right, boolean closed) {
        Path bend = east > 0 ? path(closed, 0, 0, 0, 10, 0, 0, 10, 10, 0) : path(closed, 10, 0, 0, 0, 0, 0, 0, 10, 0);
        Walk.Beside beside = Walk.of(bend).orElseThrow().beside(place(east, north));
        assertThat(beside.right()).isCloseTo(right, within(1e-8));
        assertThat(beside.onIt()).isTrue();
    }

    /**
     * The side of a place opposite a tangent point, or a vertex in a straight run, whose corner bends by the rounding of its coordinates
     * alone.
     */
    @Test
    void oppositeATangentPointASideIsNotThatOfTheRounding() {
        Random chance = new Random(5);
        int exchanged = 0;
        int rounds = 20_000;
        for (int round = 0; round < rounds; round++) {
            double azimuth = 2 * Math.PI * chance.nextDouble();
            double turn = chance.nextInt(3) == 0 ? 0 : (chance.nextBoolean() ? 1 : -1) * (0.1 + chance.nextDouble());
            double radius = 20 + 200 * chance.nextDouble();
            double length = 5 + 80 * chance.nextDouble();
            double chord = turn == 0 ? length : 2 * radius * Math.sin(Math.abs(turn) / 2);
            double[] out = {length * Math.sin(azimuth) + chord * Math.sin(azimuth + turn / 2),
                    length * Math.cos(azimuth) + chord * Math.cos(azimuth + turn / 2)};
            Path path = path(false, 0, 0, 0, millimetres(length * Math.sin(azimuth)), millimetres(length * Math.cos(azimuth)),
                    -Math.tan(turn / 4), millimetres(out[0]), millimetres(out[1]), 0);
            double right = (chance.nextBoolean() ? 1 : -1) * (0.5 + 18 * chance.nextDouble());
            GridPoint aside = place(millimetres(length * Math.sin(azimuth) + right * Math.cos(azimuth)),
                    millimetres(length * Math.cos(azimuth) - right * Math.sin(azimuth)));
            Walk.Beside beside = Walk.of(path).orElseThrow().beside(aside);
            exchanged += beside.right() * right > 0 ? 0 : 1;
            assertThat(Math.abs(beside.right())).as("round %s", round).isCloseTo(Math.abs(right), within(0.003));
            assertThat(beside.along()).isCloseTo(length, within(0.03));
        }
        Rates.tell("opposite a tangent point: left and right exchanged", exchanged, rounds);
        assertThat(exchanged).isZero();
    }

    private static double millimetres(double metres) {
        return Math.rint(1000 * metres) / 1000;
    }

    /**
     * Each line: a place, and how far along a line that goes 30 m north and then north-east, or round an arc to the right, every foot of it
     * lies, with its offset.
     */
    @ParameterizedTest
    @CsvSource({"0, 0, 15, '15.000 0.000'", "0, 4, 30, '30.000 4.000, 32.828 2.828'", "0, -6, 12, '12.000 -6.000'", "0, 3, -5, ''",
            "0, 0, 52, ''", "0, 9, 33, '38.485 4.243'",
        "-0.41421356237309503, 15, 25, '25.000 15.000, 37.854 17.071'", "-0.41421356237309503, 9, 31, '37.854 8.586'",
                "-0.41421356237309503, 10, 30, '30.000 10.000'"})
    void allFeetOfAPlaceAreFound(double bulge, double east, double north, String feet) {
        List<Walk.Beside> found = Walk.of(path(false, 0, 0, 0, 0, 30, bulge, 10, 40, 0)).orElseThrow().squares(place(east, north));
        assertThat(found.stream().map(b -> String.format(Locale.ROOT, "%.3f %.3f", b.along(), b.right() + 0.0))
                .collect(Collectors.joining(", "))).isEqualTo(feet);
    }

    /** Vertices that are given twice change nothing of what lies where: at the end, at the begin, between, and where a ring closes. */
    @ParameterizedTest
    @CsvSource({"45, 8, false", "47, -3, false", "-4, -3, false", "20, -5, false", "20, 5, false", "20, -5, true", "-3, 4, true",
            "-3, -4, true", "44, -1, true"})
    void verticesThatRepeatChangeNothing(double east, double north, boolean closed) {
        Path twice = closed ? path(true, 0, 0, 0, 0, 0, 0, 40, 0, 0, 40, 0, 0, 40, 1e-8, 0, 0, 30, 0, 0, 30, 0, 0, 0, 0)
                : path(false, 0, 0, 0, 0, 0, 0, 20, 0, 0, 20, 0, 0, 40, 0, 0, 40, 0, 0);
        Path once = closed ? path(true, 0, 0, 0, 40, 0, 0, 0, 30, 0) : path(false, 0, 0, 0, 20, 0, 0, 40, 0, 0);
        Walk.Beside beside = Walk.of(twice).orElseThrow().beside(place(east, north));
        Walk.Beside plain = Walk.of(once).orElseThrow().beside(place(east, north));
        assertThat(beside.along()).isCloseTo(plain.along(), within(1e-6));
        assertThat(beside.right()).isCloseTo(plain.right(), within(1e-6));
        assertThat(beside.onIt()).isEqualTo(plain.onIt());
    }

    /** Against JTS along finely drawn chords; and what was set off square comes back. */
    @Test
    void placesAlongAreThoseOfTheChordsAndOffsetsComeBack() {
        Random chance = new Random(7);
        for (int round = 0; round < 100; round++) {
            double[] figures = new double[24];
            for (int i = 0; i < 8; i++) {
                figures[3 * i] = 30 * i + 10 * chance.nextDouble();
                figures[3 * i + 1] = 20 * chance.nextDouble();
                figures[3 * i + 2] = chance.nextBoolean() ? 0 : 0.8 * (chance.nextDouble() - 0.5);
            }
            Path path = path(round % 3 == 0, figures);
            Vertices chords = path.chords(1e-7);
            Coordinate[] corners = new Coordinate[chords.size()];
            for (int i = 0; i < corners.length; i++) {
                corners[i] = new Coordinate(chords.east(i) - E0, chords.north(i) - N0);
            }
            Walk walk = Walk.of(path).orElseThrow();
            double along = walk.length() * chance.nextDouble();
            Coordinate there = new LengthIndexedLine(new GeometryFactory().createLineString(corners)).extractPoint(along);
            Walk.Place place = walk.at(along).orElseThrow();
            assertThat(place.position().plan().distanceMetres(place(there.x, there.y))).isLessThan(1e-4);
            assertThat(walk.length()).isCloseTo(path.length(), within(1e-9));
            double right = 0.01 * (chance.nextDouble() - 0.5);
            GridPoint aside = place.position().plan().plus(-right * place.azimuth().sin(), right * place.azimuth().cos());
            Walk.Beside beside = walk.beside(aside);
            assertThat(Math.abs(beside.along() - along)).isLessThan(0.02);
            assertThat(Math.abs(beside.right())).isLessThan(Math.abs(right) + 1e-8);
        }
        Walk walk = Walk.of(HAIRPIN).orElseThrow();
        assertThat(walk.at(walk.length()).orElseThrow().position()).isEqualTo(new Position(place(0, 20), Optional.of(new Elevation(3))));
        assertThat(walk.at(20).orElseThrow().position().elevation().orElseThrow().metres()).isCloseTo(0.5, within(1e-12));
        assertThat(walk.at(-0.001)).isEmpty();
        assertThat(walk.at(walk.length() + 0.001)).isEmpty();
        assertThat(Walk.of(path(false, 1, 1, 0, 1, 1, 0))).isEmpty();
    }

    @Test
    void crossingsAreThoseThatAnIndependentTestOfSimplicityFinds() {
        Random chance = new Random(3);
        int crossed = 0;
        for (int round = 0; round < 300; round++) {
            int corners = 4 + chance.nextInt(5);
            double[] figures = new double[3 * corners];
            Coordinate[] ring = new Coordinate[corners + 1];
            for (int i = 0; i < corners; i++) {
                double angle = 2 * Math.PI * (i + 1.6 * chance.nextDouble()) / corners;
                figures[3 * i] = (20 + 80 * chance.nextDouble()) * Math.cos(angle);
                figures[3 * i + 1] = (20 + 80 * chance.nextDouble()) * Math.sin(angle);
                ring[i] = new Coordinate(figures[3 * i], figures[3 * i + 1]);
            }
            ring[corners] = ring[0];
            IsSimpleOp simple = new IsSimpleOp(new GeometryFactory().createLinearRing(ring));
            simple.setFindAllLocations(true);
            List<GridPoint> places = new ArrayList<>();
            ((List<?>) simple.getNonSimpleLocations()).stream().map(Coordinate.class::cast).map(c -> place(c.x, c.y)).forEach(p -> {
                if (places.stream().noneMatch(other -> other.distanceMetres(p) < 1e-5)) {
                    places.add(p);
                }
            });
            List<GridPoint> found = Crossings.of(List.of(path(true, figures)), 100);
            assertThat(found).hasSameSizeAs(places).allSatisfy(f -> assertThat(places).anyMatch(p -> p.distanceMetres(f) < 1e-6));
            crossed += found.isEmpty() ? 0 : 1;
        }
        assertThat(crossed).isBetween(50, 250);
    }

    @Test
    void arcsCrossTouchAndLieUponEachOther() {
        assertThat(Crossings.of(List.of(path(true, 0, 0, 1, 20, 0, 0, 20, 5, 0, 0, 5, 0)), 9)).isEmpty();
        assertThat(Crossings.of(List.of(path(true, 0, 0, -1, 20, 0, 0, 20, 5, 0, 0, 5, 0)), 9)).hasSize(2);
        assertThat(Crossings.of(List.of(path(true, 0, 0, -1, 20, 0, 0, 20, 10, 0, 0, 10, 0)), 9)).as("an arc that touches a side")
                .hasSize(1);
        assertThat(Crossings.of(List.of(path(true, 0, 0, 0, 10, 0, 0, 10, 10, 0, 0, 10, 0), path(true, 2, 2, 1, 4, 2, 1)), 9)).as("a hole")
                .isEmpty();
        assertThat(Crossings.of(List.of(path(true, 0, 0, 0, 10, 0, 0, 10, 10, 0, 0, 10, 0), path(true, 8, 2, 1, 10, 2, 1)), 9))
                .as("a hole that touches the rim").hasSize(1);
        assertThat(Crossings.of(List.of(path(true, 0, 0, 0, 10, 0, 0, 5, 5, 0, 10, 10, 0, 0, 10, 0, 5, 5, 0)), 9))
                .as("two corners in one place").hasSize(1);
        assertThat(Crossings.of(List.of(path(false, 0, 0, 0, 10, 0, 0, 4, 0, 0)), 9)).as("straight back").hasSize(1);
    }
}
