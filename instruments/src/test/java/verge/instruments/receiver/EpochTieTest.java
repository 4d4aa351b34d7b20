package verge.instruments.receiver;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.instruments.receiver.Epoch.Kind;

/** Lines that are held, late, or let go, and receivers whose clocks leap: what counts was observed no earlier than it is said to be. */
class EpochTieTest {
    private static final Instant NOON = Instant.parse("2026-06-01T12:00:00Z");
    private static final double APART = 123_456.789;   // what the clocks differ by, seconds

    private final EpochTie tie = new EpochTie();
    private final List<Epoch.Timing> told = new ArrayList<>();

    /** An epoch observed so many seconds after the begin, arriving so many later. */
    private Epoch.Timing at(double observed, double arrives) {
        Epoch.Timing timing = tie.take(NOON.plusNanos(Math.round(observed * 1e9)), Math.round((APART + arrives) * 1e9));
        told.add(timing);
        return timing;
    }

    private void steadily(double from, double to, double delay, Random jitter) {
        for (double t = from; t < to; t += 0.1) {
            at(t, t + delay + 0.04 * jitter.nextDouble());
        }
    }

    /** By how much a timely epoch is said to be observed later than it was, in seconds. */
    private static double tooLate(Epoch.Timing timing, double observed) {
        return timing.observedNanos() / 1e9 - APART - observed;
    }

    @Test
    void aQuietLineSettlesWithinASecondAndThenCounts() {
        steadily(0, 3, 0.08, new Random(1));
        assertThat(told.stream().limit(10).map(Epoch.Timing::kind)).containsOnly(Kind.UNSETTLED);
        assertThat(told.stream().skip(15).map(Epoch.Timing::kind)).containsOnly(Kind.TIMELY);
    }

    /**
     * Whenever the line is held, what it held comes in one burst, at once or trickling: of that nothing counts that was observed over half
     * a second ago.
     */
    @ParameterizedTest
    @CsvSource({"5, 8, 0.001", "5, 8, 0.05", "5, 2.5, 0.001", "0, 8, 0.001", "0, 8, 0.05", "0.4, 3, 0.02"})
    void aLineThatIsHeldAndLetGo(double heldFrom, double heldFor, double apart) {
        steadily(0, heldFrom, 0.08, new Random(2));
        double arrives = heldFrom + heldFor;
        double observed = heldFrom;
        for (; observed + 0.08 < arrives; observed += 0.1, arrives += apart) {
            Epoch.Timing timing = at(observed, arrives);
            assertThat(timing.kind() == Kind.TIMELY && tooLate(timing, observed) > 0.5).as("observed %s, came %s", observed, arrives)
                    .isFalse();
        }
        steadily(observed, observed + 4, 0.08, new Random(3));
        assertThat(told.get(told.size() - 1).kind()).isEqualTo(Kind.TIMELY);
        assertThat(tooLate(told.get(told.size() - 1), observed + 3.9)).isLessThan(0.2);
    }

    @Test
    void aLineThatBecomesLateIsLateForAsLongAsItIs() {
        steadily(0, 5, 0.08, new Random(4));
        steadily(5, 65, 8.1, new Random(5));
        assertThat(told.stream().skip(51).map(Epoch.Timing::kind)).containsOnly(Kind.LATE);
        assertThat(told.get(300).late().toMillis()).isBetween(7_900L, 8_200L);
        steadily(65, 70, 0.08, new Random(6));
        assertThat(told.get(told.size() - 1).kind()).isEqualTo(Kind.TIMELY);
    }

    /** One moment that leaps an hour on counts for nothing, and spoils nothing; a clock that is put right counts after ten seconds. */
    @Test
    void clocksThatLeap() {
        steadily(0, 5, 0.08, new Random(7));
        assertThat(at(3_605, 5.1).kind()).isEqualTo(Kind.AHEAD);
        assertThat(at(5.1, 5.2).kind()).isEqualTo(Kind.TIMELY);
        steadily(5.2, 7, 0.08, new Random(8));
        for (double t = 7; t < 20; t += 0.1) {
            assertThat(at(t + 18, t + 0.08).kind())
                    .isEqualTo(t < 17 ? Kind.AHEAD : t > 18.5 ? Kind.TIMELY : told.get(told.size() - 1).kind());
        }
        Epoch.Timing back = at(20.1, 20.2);   // old moments, sent again
        assertThat(back.kind()).isEqualTo(Kind.LATE);
    }

    /** Clocks drift apart by up to a part in ten thousand: an hour of that is a third of a second, and no epoch is late for it. */
    @ParameterizedTest
    @CsvSource({"1e-4", "-1e-4"})
    void clocksThatDrift(double drift) {
        Random jitter = new Random(9);
        for (int i = 0; i < 3_600; i++) {
            at(i, i * (1 + drift) + 0.05 + 0.05 * jitter.nextDouble());
        }
        assertThat(told.stream().skip(5).map(Epoch.Timing::kind)).containsOnly(Kind.TIMELY);
        assertThat(Math.abs(tooLate(told.get(3_599), 3_599 * (1 + drift)))).isLessThan(0.15);
    }
}
