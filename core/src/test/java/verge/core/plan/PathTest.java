package verge.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.geodesy.Position;

/** Lengths and areas against polygons of 200 000 chords an arc, computed with numpy; everything at real coordinates. */
class PathTest {
    private static final double N0 = 6_314_490;
    private static final double E0 = 649_010;

    /** @param figures east, north and bulge of each vertex, blanks between */
    private static Path path(String figures, boolean closed) {
        String[] f = figures.split(" ");
        Vertices.Builder vertices = new Vertices.Builder();
        double[] bulges = new double[f.length / 3];
        for (int i = 0; i < bulges.length; i++) {
            vertices.add(N0 + Double.parseDouble(f[3 * i + 1]), E0 + Double.parseDouble(f[3 * i]));
            bulges[i] = Double.parseDouble(f[3 * i + 2]);
        }
        return Path.of(vertices.build(), bulges, closed);
    }

    @ParameterizedTest
    @CsvSource({"0 0 0.5 30 0 0 30 20 -0.3 0 20 0, true, 106.54236127, 665.65245318", "0 0 1 10 0 1, true, 31.41592654, 78.53981634",
            "0 0 2.2 10 5 0 12 9 0, false, 38.42960289, ",
        "0 0 0 30 0 0 30 40 0, true, 120, 600", "0 0 0 30 0 0 30 40 0, false, 70, "})
    void lengthAndAreaFollowTheArcs(String figures, boolean closed, double length, Double area) {
        Path path = path(figures, closed);
        assertThat(path.length()).isCloseTo(length, within(2e-7));
        assertThat(path.area().isPresent()).isEqualTo(area != null);
        path.area().ifPresent(a -> assertThat(a).isCloseTo(area, within(2e-6)));
    }

    @Test
    void chordsKeepWithinTheirDistanceAndEndWhereTheyBegan() {
        Path circle = path("0 0 1 10 0 1", true);
        Vertices chords = circle.chords(0.001);
        double middleNorth = N0;
        double middleEast = E0 + 5;
        for (int i = 1; i < chords.size(); i++) {
            double north = (chords.north(i) + chords.north(i - 1)) / 2;
            double east = (chords.east(i) + chords.east(i - 1)) / 2;
            assertThat(Math.hypot(north - middleNorth, east - middleEast)).isBetween(5 - 0.001 - 1e-9, 5.0);
        }
        assertThat(chords.plan(chords.size() - 1)).isEqualTo(chords.plan(0));
        assertThat(chords.size()).isLessThan(300);
    }

    /** An arc that bulges to the east still does so when its file is read with the axes changed, which mirrors the plan. */
    @Test
    void mirroringTurnsArcsOver() {
        Random chance = new Random(4);
        Placement swap = new Placement() {
            @Override
            public void place(double[] values, int at) {
                double north = values[at];
                values[at] = values[at + 1];
                values[at + 1] = north;
            }

            @Override
            public boolean mirrors() {
                return true;
            }
        };
        for (int i = 0; i < 200; i++) {
            Path path = path("0 0 " + (chance.nextDouble() * 4 - 2) + " " + (1 + chance.nextInt(20)) + " " + chance.nextInt(20) + " 0",
                    false);
            Vertices first = path.chords(0.01).placed(swap);
            Vertices second = path.placed(swap).chords(0.01);
            for (int k = 0; k < first.size(); k++) {
                assertThat(second.plan(k).distanceMetres(first.plan(k))).isLessThan(1e-6);
            }
        }
    }

    @Test
    void heightsRunEvenlyAlongAPieceAndAMissingOneStaysMissing() {
        Vertices ends = Vertices.of(Position.of(N0, E0, 2), Position.of(N0, E0 + 10, 4), Position.ofPlan(N0 + 5, E0 + 10));
        Vertices drawn = Path.of(ends, new double[] {1, 0, 0}, false).chords(0.05);
        assertThat(drawn.height(drawn.size() / 2).orElseThrow()).isBetween(2.5, 3.9);
        assertThat(drawn.height(drawn.size() - 1)).isEmpty();
    }

    @Test
    void boxesTellHowFarTheyLieApart() {
        Extent a = new Extent(0, 0, 10, 10);
        assertThat(a.distance(new Extent(13, 14, 20, 20))).isEqualTo(5);
        assertThat(a.distance(new Extent(5, 5, 6, 6))).isZero();
        assertThat(a.overlaps(Extent.EMPTY)).isFalse();
        assertThat(Extent.EMPTY.and(a)).isEqualTo(a);
        assertThat(new Extent.Builder().add(Double.NaN, 1).build().isEmpty()).isTrue();
    }
}
