package verge.core.surface;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import verge.core.plan.Vertices;

class SurfaceTest {
    private static final double N0 = 6_314_490;
    private static final double E0 = 649_010;

    /** A plane h = 5 + 0.1 n − 0.2 e over a square, in two triangles. */
    private static Surface plane() {
        Vertices.Builder v = new Vertices.Builder();
        for (double[] p : new double[][] {{0, 0}, {0, 10}, {10, 10}, {10, 0}}) {
            v.add(N0 + p[0], E0 + p[1], 5 + 0.1 * p[0] - 0.2 * p[1]);
        }
        return new Surface("deck", v.build(), new int[] {0, 1, 2, 0, 2, 3}, List.of(), List.of());
    }

    @Test
    void aPlaneIsMetEverywhereAndNowhereElse() {
        Random chance = new Random(7);
        for (int i = 0; i < 500; i++) {
            double n = 14 * chance.nextDouble() - 2;
            double e = 14 * chance.nextDouble() - 2;
            boolean inside = n >= 0 && n <= 10 && e >= 0 && e <= 10;
            assertThat(plane().height(N0 + n, E0 + e).isPresent()).isEqualTo(inside);
            plane().height(N0 + n, E0 + e).ifPresent(h -> assertThat(h).isCloseTo(5 + 0.1 * n - 0.2 * e, within(1e-8)));
        }
    }

    @Test
    void cornersAndEdgesBelongToIt() {
        assertThat(plane().height(N0, E0)).hasValue(5.0);
        assertThat(plane().height(N0 + 5, E0 + 5).orElseThrow()).as("on the diagonal").isCloseTo(4.5, within(1e-9));
        assertThat(plane().height(N0 + 10, E0 + 10).orElseThrow()).isCloseTo(4.0, within(1e-9));
    }

    @Test
    void trianglesWithoutAreaOrWithoutHeightsGiveNone() {
        Vertices row = new Vertices.Builder().add(0, 0, 1).add(0, 5, 1).add(0, 9, 1).build();
        assertThat(new Surface("line", row, new int[] {0, 1, 2}, List.of(), List.of()).height(0, 3)).isEmpty();
        Vertices flat = new Vertices.Builder().add(0, 0).add(0, 5, 1).add(5, 0, 1).build();
        assertThat(new Surface("holes", flat, new int[] {0, 1, 2}, List.of(), List.of()).height(1, 1)).isEmpty();
    }

    @Test
    void cornersThatAreNotThereAreRefusedAndTheArrayIsItsOwn() {
        int[] corners = {0, 1, 2};
        Vertices three = new Vertices.Builder().add(0, 0, 1).add(0, 5, 1).add(5, 0, 1).build();
        Surface surface = new Surface("s", three, corners, List.of(), List.of());
        corners[0] = 2;
        surface.triangles()[1] = 2;
        assertThat(surface.triangles()).containsExactly(0, 1, 2);
        assertThatThrownBy(() -> new Surface("s", three, new int[] {0, 1, 3}, List.of(), List.of()))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Surface("s", three, new int[] {0, 1}, List.of(), List.of()))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void whatIsPlacedElsewhereKeepsItsShape() {
        Surface moved = plane().placed((values, at) -> {
            values[at] += 100;
            values[at + 2] += 1;
        });
        assertThat(moved.height(N0 + 103, E0 + 4).orElseThrow()).isCloseTo(plane().height(N0 + 3, E0 + 4).orElseThrow() + 1, within(1e-9));
    }
}
