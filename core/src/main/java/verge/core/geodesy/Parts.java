package verge.core.geodesy;

import java.util.function.IntConsumer;
import java.util.stream.IntStream;

/** Work on many places at once, in parts side by side on all cores. */
public final class Parts {
    /** So many are a part that one core takes: far more work than handing it over is. */
    private static final int SIZE = 1024;

    private Parts() {
    }

    /** @param each of the numbers from 0 on, in no order; must not cross the others */
    public static void each(int count, IntConsumer each) {
        IntStream.range(0, (count + SIZE - 1) / SIZE).parallel().forEach(part -> {
            for (int i = part * SIZE; i < Math.min(count, (part + 1) * SIZE); i++) {
                each.accept(i);
            }
        });
    }
}
