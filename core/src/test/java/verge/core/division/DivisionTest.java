package verge.core.division;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LinearRing;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.plan.Path;
import verge.core.plan.Region;
import verge.core.plan.Vertices;
import verge.core.units.Angle;

/** Divisions against closed forms, and against clipping by JTS, at real coordinates. */
class DivisionTest {
    private static final double N0 = 6_314_490;
    private static final double E0 = 649_010;
    private static final GeometryFactory JTS = new GeometryFactory();
    private static final double FAR = 5_000;

    /** @param figures east, north and bulge of each corner, blanks between */
    private static Path ring(String figures) {
        double[] f = Arrays.stream(figures.split(" ")).mapToDouble(Double::parseDouble).toArray();
        Vertices.Builder vertices = new Vertices.Builder();
        double[] bulges = new double[f.length / 3];
        for (int i = 0; i < bulges.length; i++) {
            vertices.add(N0 + f[3 * i + 1], E0 + f[3 * i], 10 + f[3 * i]);
            bulges[i] = f[3 * i + 2];
        }
        return Path.of(vertices.build(), bulges, true);
    }

    private static GridPoint place(double east, double north) {
        return new GridPoint(N0 + north, E0 + east);
    }

    private static DividingLine only(Division.Outcome outcome) {
        assertThat(((Division.Lines) outcome).lines()).hasSize(1);
        return ((Division.Lines) outcome).lines().get(0);
    }

    private static Geometry polygon(Region region, double sagitta) {
        return JTS.createPolygon(jts(region.rim(), sagitta), region.holes().stream().map(hole -> jts(hole, sagitta))
                .toArray(LinearRing[]::new));
    }

    private static LinearRing jts(Path ring, double sagitta) {
        Vertices chords = ring.chords(sagitta);
        Coordinate[] corners = new Coordinate[chords.size()];
        for (int i = 0; i < corners.length; i++) {
            corners[i] = new Coordinate(chords.east(i) - E0, chords.north(i) - N0);
        }
        return JTS.createLinearRing(corners);
    }

    /** What JTS finds to the left of a line. */
    private static Geometry left(Region region, DividingLine line, double sagitta) {
        double east = line.on().easting() - E0;
        double north = line.on().northing() - N0;
        double aheadEast = FAR * line.direction().sin();
        double aheadNorth = FAR * line.direction().cos();
        Coordinate back = new Coordinate(east - aheadEast, north - aheadNorth);
        return polygon(region, sagitta)
                .intersection(JTS.createPolygon(new Coordinate[] {back, new Coordinate(east + aheadEast, north + aheadNorth),
            new Coordinate(east + aheadEast - aheadNorth, north + aheadNorth + aheadEast),
            new Coordinate(east - aheadEast - aheadNorth, north - aheadNorth + aheadEast), back}));
    }

    private static double sum(List<Region> regions) {
        return regions.stream().mapToDouble(Region::area).sum();
    }

    /**
     * Both sides have what they should, together the whole, as many pieces as there are, and the same new corners, which lie on the line.
     */
    private static void holds(Region region, DividingLine line, double wanted, double sagitta, double tolerance) {
        Parts parts = Parts.of(region, line);
        double whole = region.area();
        assertThat(line.left()).isCloseTo(wanted, within(1e-10 * whole));
        assertThat(sum(parts.left())).isCloseTo(wanted, within(1e-10 * whole));
        assertThat(sum(parts.left()) + sum(parts.right())).isCloseTo(whole, within(1e-11 * whole));
        Geometry clipped = left(region, line, sagitta);
        assertThat(clipped.getArea()).isCloseTo(wanted, within(tolerance * whole));
        assertThat(parts.left()).hasSize(clipped.getNumGeometries());
        parts.crossings().forEach(c -> assertThat(Frame.looking(line.on(), line.direction()).right(c.plan().northing(), c.plan().easting()))
                .isCloseTo(0, within(2e-9)));
    }

    @ParameterizedTest
    @CsvSource({"0 0 0 40 0 0 40 30 0 0 30 0, 0, 0.5, 20", "0 0 0 40 0 0 40 30 0 0 30 0, 0, 0.1, 4", "0 0 0 30 0 0 0 60 0, 0, 0.75, 15",
            "0 0 1 40 0 1, 0, 0.5, 20",
        "0 0 1 40 0 1, 0, 0.195501109477885, 10", "0 0 0 40 0 0 40 10 0 10 10 0 10 30 0 0 30 0, 0, 0.6, 16", "0 0 0 40 0 1, 0, 0.5, 20"})
    void aLineGoingNorthLiesWhereTheClosedFormsSay(String figures, double azimuth, double part, double east) {
        Region region = Region.of(ring(figures));
        DividingLine line = only(Division.parallel(region, Angle.ofDegrees(azimuth), part * region.area()));
        assertThat(line.on().easting() - E0).isCloseTo(east, within(1e-8));
    }

    /**
     * Concave stars with arcs and a hole, looked at from everywhere: with sides only as exactly as JTS reckons, with arcs as finely as they
     * are drawn.
     */
    @Test
    void anyFigureIsDividedAsClippingFindsIt() {
        Random chance = new Random(15);
        for (int round = 0; round < 300; round++) {
            boolean arcs = round % 2 == 1;
            int corners = 5 + chance.nextInt(20);
            StringBuilder star = new StringBuilder();
            for (int i = 0; i < corners; i++) {
                double away = 30 + 70 * chance.nextDouble();
                double angle = 2 * Math.PI * (i + 0.6 * chance.nextDouble()) / corners;
                star.append(away * Math.cos(angle)).append(' ').append(away * Math.sin(angle)).append(' ')
                        .append(arcs && chance.nextInt(3) == 0 ? 0.2 * (chance.nextDouble() - 0.5) : 0).append(' ');
            }
            Path rim = ring(star.toString());
            Region region = new Region(round % 4 < 2 ? rim : rim.reversed(),
                    List.of(ring(arcs ? "-5 -4 1 6 -3 1" : "-5 -4 0 6 -3 0 2 7 0")));
            double wanted = region.area() * (0.02 + 0.96 * chance.nextDouble());
            Angle direction = Angle.ofDegrees(360 * chance.nextDouble());
            double tolerance = arcs ? 1e-6 : 1e-10;
            holds(region, only(Division.parallel(region, direction, wanted)), wanted, 1e-6, tolerance);
            GridPoint pivot = place(60 * (chance.nextDouble() - 0.5), 60 * (chance.nextDouble() - 0.5));
            if (Division.through(region, pivot, wanted) instanceof Division.Lines lines) {
                lines.lines().forEach(line -> holds(region, line, wanted, 1e-6, tolerance));
            }
        }
    }

    /** A comb lies with its teeth over the line: each tooth is a piece of its own. */
    @Test
    void aConcaveFigureFallsIntoSeveralPieces() {
        Region comb = Region.of(ring("0 0 0 50 0 0 50 10 0 40 10 0 40 40 0 30 40 0 30 10 0 20 10 0 20 40 0 10 40 0 10 10 0 0 10 0"));
        DividingLine line = only(Division.parallel(comb, Angle.ofDegrees(90), 400));
        Parts parts = Parts.of(comb, line);
        assertThat(line.on().northing() - N0).isCloseTo(20, within(1e-9));
        assertThat(parts.left()).extracting(Region::area).allSatisfy(area -> assertThat(area).isCloseTo(200, within(1e-7)));
        assertThat(parts.left()).hasSize(2);
        assertThat(parts.right()).hasSize(1);
        assertThat(parts.crossings()).extracting(c -> Math.round(1e6 * (c.plan().easting() - E0)) / 1e6)
                .containsExactly(10.0, 20.0, 30.0, 40.0);
        assertThat(parts.crossings()).extracting(c -> c.elevation().map(Elevation::metres).orElseThrow())
                .allSatisfy(height -> assertThat(height % 10).isCloseTo(0, within(1e-9)));
    }

    /**
     * Along a side, through corners, through a corner that only touches: nothing is lost, nothing is there twice, and corners keep their
     * last digit.
     */
    @ParameterizedTest
    @CsvSource({"0, 10, 90, 1, 2", "0, 0, 90, 1, 0", "0, 40, 90, 0, 1", "25, 0, 0, 1, 1", "20, 0, 0, 1, 1", "0, 10, 45, 1, 1",
            "-30, 0, 0, 0, 1"})
    void linesAlongSidesAndThroughCornersLoseNothing(double east, double north, double azimuth, int left, int right) {
        Region comb = Region.of(ring("0 0 0 50 0 0 50 10 0 40 10 0 40 40 0 30 40 0 30 10 0 20 10 0 20 40 0 10 40 0 10 10 0 0 10 0"));
        Parts parts = Parts.of(comb, Division.at(comb, place(east, north), Angle.ofDegrees(azimuth)));
        assertThat(sum(parts.left()) + sum(parts.right())).isCloseTo(1100, within(1e-7));
        assertThat(List.of(parts.left().size() >= Math.min(left, 1), parts.right().size() >= Math.min(right, 1))).doesNotContain(false);
        List<GridPoint> corners = new ArrayList<>();
        Stream.concat(parts.left().stream(), parts.right().stream()).forEach(r -> {
            for (int i = 0; i < r.rim().vertices().size(); i++) {
                corners.add(r.rim().vertices().plan(i));
            }
        });
        for (int i = 0; i < 12; i++) {
            assertThat(corners).contains(comb.rim().vertices().plan(i));
        }
    }

    @Test
    void throughACornerAndThroughPlacesOutside() {
        Region square = Region.of(ring("0 0 0 40 0 0 40 40 0 0 40 0"));
        Division.Lines corner = (Division.Lines) Division.through(square, place(0, 0), 400);
        assertThat(corner.lines()).extracting(l -> Math.round(1e9 * l.direction().degrees()) / 1e9)
                .containsExactlyInAnyOrder(Math.round(1e9 * Math.toDegrees(Math.atan(0.5))) / 1e9,
                180 + Math.round(1e9 * (90 - Math.toDegrees(Math.atan(0.5)))) / 1e9);
        Division.Lines outside = (Division.Lines) Division.through(square, place(-100, 20), 800);
        assertThat(outside.lines()).extracting(l -> Math.round(l.direction().degrees() * 1e7) / 1e7).containsExactlyInAnyOrder(90.0, 270.0);
        outside.lines().forEach(line -> holds(square, line, 800, 1e-6, 1e-10));
    }

    /** What cannot be is told with what can: from a place within, each line has something on either side. */
    @Test
    void whatNoLineDoesIsToldWithTheNearest() {
        Region square = Region.of(ring("0 0 0 40 0 0 40 40 0 0 40 0"));
        Division.Beyond within = (Division.Beyond) Division.through(square, place(20, 10), 300);
        assertThat(within.least()).isCloseTo(400, within(1e-6));
        assertThat(within.most()).isCloseTo(1200, within(1e-6));
        assertThat(within.nearest().left()).isCloseTo(400, within(1e-6));
        assertThat(Division.at(square, within.nearest().on(), within.nearest().direction()).left()).isCloseTo(400, within(1e-6));
        Division.Beyond whole = (Division.Beyond) Division.parallel(square, Angle.ZERO, 1700);
        assertThat(whole.most()).isEqualTo(1600);
        assertThat(whole.nearest().on().easting()).isCloseTo(E0 + 40, within(1e-9));
    }

    @Test
    void equalPartsAndTheCurveOfTheArea() {
        Region field = new Region(ring("0 0 0.3 50 0 0 50 30 0 20 35 -0.2 0 30 0"), List.of(ring("20 10 1 25 10 1")));
        double whole = field.area();
        List<DividingLine> lines = Division.equal(field, Angle.ofDegrees(20), 5);
        assertThat(lines).hasSize(4);
        for (int i = 0; i < 4; i++) {
            holds(field, lines.get(i), whole * (i + 1) / 5, 1e-7, 1e-6);
        }
        List<Division.Sample> curve = Division.curve(field, Angle.ofDegrees(20), 50);
        assertThat(curve.get(0).left()).isCloseTo(0, within(1e-9));
        assertThat(curve.get(50).left()).isCloseTo(whole, within(1e-9 * whole));
        assertThat(curve).isSortedAccordingTo((a, b) -> Double.compare(a.left(), b.left()));
        assertThat(Division.curve(field, place(10, 10))).allSatisfy(s -> assertThat(s.left()).isBetween(0.0, whole));
    }
}
