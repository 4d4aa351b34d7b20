package verge.instruments.rtcm;

import java.util.Map;
import java.util.Optional;
import verge.core.satellite.GpsTime;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.Signal;

/** What observation messages call systems, signals and moments, and what those are. Source: RTCM 10403.3, section 3.5.16. */
public final class Msm {
    private static final long WEEK_MILLIS = 7 * 86_400_000L;
    private static final double NANOS_A_MILLI = 1e6;
    private static final int BEIDOU_BEHIND_SECONDS = 14;
    private static final int MOSCOW_AHEAD_SECONDS = 3 * 3_600;
    private static final Map<Signal, Integer> NUMBERS = Map.of(Signal.GPS_L1, 2, Signal.GPS_L2, 10, Signal.GLONASS_G1, 2, Signal.GLONASS_G2,
            8, Signal.GALILEO_E1, 2, Signal.GALILEO_E5A, 23, Signal.BEIDOU_B1, 2, Signal.BEIDOU_B3, 8);
    private static final Map<SatelliteSystem, Integer> TYPES = Map.of(SatelliteSystem.GPS, 1070, SatelliteSystem.GLONASS, 1080,
            SatelliteSystem.GALILEO, 1090, SatelliteSystem.BEIDOU, 1120);

    private Msm() {
    }

    /** @param kind 1 to 7 */
    public static int type(SatelliteSystem system, int kind) {
        return TYPES.get(system) + kind;
    }

    /** Of a signal in the mask of its system's messages. */
    public static int number(Signal signal) {
        return NUMBERS.get(signal);
    }

    /** @return empty for a signal that is not among ours */
    public static Optional<Signal> signal(SatelliteSystem system, int number) {
        return NUMBERS.entrySet().stream().filter(e -> e.getKey().system() == system && e.getValue() == number).map(Map.Entry::getKey)
                .findFirst();
    }

    /** Of the week, in the system's own time. */
    public static long millis(SatelliteSystem system, GpsTime time) {
        return Math.round(time.plusSeconds(ahead(system, time)).secondsOfWeek() * 1000) % WEEK_MILLIS;
    }

    /** The moment that is nearest to another. @param millis of the week, in the system's own time */
    public static GpsTime time(SatelliteSystem system, long millis, GpsTime near) {
        GpsTime whole = new GpsTime(Math.round(near.nanos() / NANOS_A_MILLI) * (long) NANOS_A_MILLI);
        return new GpsTime(whole.nanos()
                + (long) (Math.IEEEremainder(millis - (double) millis(system, whole), WEEK_MILLIS) * NANOS_A_MILLI));
    }

    /** By how many seconds the system's time is ahead of GPS. */
    private static double ahead(SatelliteSystem system, GpsTime time) {
        return switch (system) {
            case GPS, GALILEO -> 0;
            case BEIDOU -> -BEIDOU_BEHIND_SECONDS;
            case GLONASS -> MOSCOW_AHEAD_SECONDS - GpsTime.leaps(time.utc());
        };
    }
}
