package verge.instruments.receiver;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;

/**
 * Ties the time that a receiver tells to the clock here, so that an epoch that comes late is known for one.
 *
 * <p>What lies between both is the difference of the clocks and the way of the epoch. The least of it counts as the clocks': what an epoch
 * takes longer than that it is late by. At first nothing is known: a line that was held and is let go brings old epochs before the new
 * ones, so that the least still falls; only once it has stood for a while does anything count. An epoch that seems to come from ahead, as
 * when a receiver's clock leaps, does not count until others have agreed with it for as long as no line is held.
 *
 * <p>For one thread.
 */
final class EpochTie {
    private static final long SECOND = 1_000_000_000L;
    private static final long SETTLES_NANOS = SECOND;
    private static final int SETTLES_EPOCHS = 3;
    /** By less the least falls in a line that is not held: epochs jitter. */
    private static final long FALLS_NANOS = SECOND / 20;
    private static final long AHEAD_NANOS = SECOND;
    private static final long AHEAD_COUNTS_NANOS = 10 * SECOND;
    /** No two clocks drift apart faster, in parts of the time: the least may grow by that. */
    private static final double DRIFT = 2e-4;
    private static final long LEAST_LATE_NANOS = SECOND / 2;
    private static final int LATE_TIMES = 4;
    private static final int USUAL_OF = 51;

    private long least = Long.MAX_VALUE;
    private long seen;
    private long fellLast;
    private int sinceItFell;
    private long aheadSince;
    private long aheadBy;
    private final Deque<Long> delays = new ArrayDeque<>();

    /** @param at as the receiver tells it @param arrived by the clock of System.nanoTime */
    Epoch.Timing take(Instant at, long arrived) {
        long between = arrived - nanos(at);
        if (least == Long.MAX_VALUE) {
            return fallen(between, arrived);
        }
        least += Math.round((arrived - seen) * DRIFT);
        seen = arrived;
        long late = between - least;
        if (late < -AHEAD_NANOS && settled(arrived)) {
            return ahead(between, arrived);
        }
        aheadSince = 0;
        if (late < -FALLS_NANOS) {
            return fallen(between, arrived);
        }
        least = Math.min(least, between);
        sinceItFell++;
        if (!settled(arrived)) {
            return timing(arrived, 0, Epoch.Kind.UNSETTLED);
        }
        long delay = Math.max(0, late);
        boolean tooLate = delay > Math.max(LEAST_LATE_NANOS, LATE_TIMES * usual());
        if (!tooLate) {
            delays.addLast(delay);
            if (delays.size() > USUAL_OF) {
                delays.removeFirst();
            }
        }
        return timing(arrived, delay, tooLate ? Epoch.Kind.LATE : Epoch.Kind.TIMELY);
    }

    private static Epoch.Timing timing(long arrived, long delay, Epoch.Kind kind) {
        return new Epoch.Timing(kind, arrived - delay, Duration.ofNanos(delay));
    }

    private boolean settled(long now) {
        return sinceItFell >= SETTLES_EPOCHS && now - fellLast >= SETTLES_NANOS;
    }

    private Epoch.Timing fallen(long between, long arrived) {
        least = between;
        seen = arrived;
        fellLast = arrived;
        sinceItFell = 0;
        return timing(arrived, 0, Epoch.Kind.UNSETTLED);
    }

    private Epoch.Timing ahead(long between, long arrived) {
        if (aheadSince == 0 || Math.abs(between - aheadBy) > AHEAD_NANOS) {
            aheadSince = arrived;
            aheadBy = between;
        } else if (arrived - aheadSince > AHEAD_COUNTS_NANOS) {
            delays.clear();
            aheadSince = 0;
            return fallen(between, arrived);
        }
        return timing(arrived, 0, Epoch.Kind.AHEAD);
    }

    private long usual() {
        return delays.stream().sorted().skip(delays.size() / 2).findFirst().orElse(0L);
    }

    private static long nanos(Instant at) {
        return Math.addExact(Math.multiplyExact(at.getEpochSecond(), SECOND), at.getNano());
    }
}
