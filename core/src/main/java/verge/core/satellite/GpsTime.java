package verge.core.satellite;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;

/**
 * A moment in the time of the satellites, which runs on without leap seconds.
 *
 * @param nanos since the beginning of 6 January 1980
 */
public record GpsTime(long nanos) implements Comparable<GpsTime> {
    private static final Instant EPOCH = Instant.parse("1980-01-06T00:00:00Z");
    private static final long SECOND = 1_000_000_000L;
    public static final long WEEK_SECONDS = 604_800;
    /** The days from which on one second more lies between both times (IERS, Bulletin C). */
    private static final LocalDate[] LEAPS = {LocalDate.of(1981, 7, 1), LocalDate.of(1982, 7, 1), LocalDate.of(1983, 7, 1),
            LocalDate.of(1985, 7, 1), LocalDate.of(1988, 1, 1), LocalDate.of(1990, 1, 1),
        LocalDate.of(1991, 1, 1), LocalDate.of(1992, 7, 1), LocalDate.of(1993, 7, 1), LocalDate.of(1994, 7, 1), LocalDate.of(1996, 1, 1),
        LocalDate.of(1997, 7, 1), LocalDate.of(1999, 1, 1), LocalDate.of(2006, 1, 1),
        LocalDate.of(2009, 1, 1), LocalDate.of(2012, 7, 1), LocalDate.of(2015, 7, 1), LocalDate.of(2017, 1, 1)};

    /** @param seconds of the week, from 0 */
    public static GpsTime of(int week, double seconds) {
        return new GpsTime(week * WEEK_SECONDS * SECOND + Math.round(seconds * SECOND));
    }

    public static GpsTime ofUtc(Instant utc) {
        Duration since = Duration.between(EPOCH, utc);
        return new GpsTime(since.toNanos() + leaps(utc) * SECOND);
    }

    /** Civil time. A leap second itself has no instant of its own: it is told as the one after it. */
    public Instant utc() {
        Instant uncorrected = EPOCH.plusNanos(nanos);
        Instant first = uncorrected.minusSeconds(leaps(uncorrected));
        return uncorrected.minusSeconds(leaps(first));
    }

    /** Seconds by which satellites are ahead of civil time then. */
    public static int leaps(Instant utc) {
        int passed = 0;
        while (passed < LEAPS.length && !utc.isBefore(LEAPS[passed].atStartOfDay().toInstant(ZoneOffset.UTC))) {
            passed++;
        }
        return passed;
    }

    public int week() {
        return (int) Math.floorDiv(nanos, WEEK_SECONDS * SECOND);
    }

    public double secondsOfWeek() {
        return Math.floorMod(nanos, WEEK_SECONDS * SECOND) / (double) SECOND;
    }

    public GpsTime plusSeconds(double seconds) {
        return new GpsTime(nanos + Math.round(seconds * SECOND));
    }

    public double secondsSince(GpsTime earlier) {
        return (nanos - earlier.nanos) / (double) SECOND;
    }

    @Override
    public int compareTo(GpsTime other) {
        return Long.compare(nanos, other.nanos);
    }
}
