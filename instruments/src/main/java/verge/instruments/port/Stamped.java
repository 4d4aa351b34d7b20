package verge.instruments.port;

import java.time.Duration;

/**
 * One thing of a stream with its time.
 *
 * @param nanos when it came, by the clock of System.nanoTime
 */
public record Stamped<V>(V value, long nanos) {
    public static <V> Stamped<V> now(V value) {
        return new Stamped<>(value, System.nanoTime());
    }

    public boolean within(Duration age) {
        return System.nanoTime() - nanos <= age.toNanos();
    }
}
