package verge.instruments.sky;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.function.Predicate;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthPlace;
import verge.core.satellite.GpsTime;
import verge.core.satellite.ObservationEpoch;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.Sight;
import verge.core.satellite.Signal;
import verge.instruments.rtcm.RtcmMessage;
import verge.instruments.rtcm.RtcmMessage.Cell;

/** What a base sends each second: who and where it says it is every two, what it observes each time. */
public final class BaseStream {
    private static final int WHO_SECONDS = 2;
    private static final long DAY_MILLIS = 86_400_000L;
    private static final int BEIDOU_BEHIND_SECONDS = 14;
    private static final int MOSCOW_AHEAD_SECONDS = 3 * 3_600;
    /** The numbers of our signals in the masks of their systems' messages. */
    private static final Map<Signal, Integer> NUMBERS = Map.of(Signal.GPS_L1, 2, Signal.GPS_L2, 10, Signal.GLONASS_G1, 2, Signal.GLONASS_G2, 8, Signal.GALILEO_E1, 2, Signal.GALILEO_E5A, 23, Signal.BEIDOU_B1, 2, Signal.BEIDOU_B3, 8);
    private static final Map<SatelliteSystem, Integer> TYPES = Map.of(SatelliteSystem.GPS, 1070, SatelliteSystem.GLONASS, 1080, SatelliteSystem.GALILEO, 1090, SatelliteSystem.BEIDOU, 1120);
    /** Of the kinds of observation messages the fullest. */
    public static final int FULL = 7;

    private final int station;
    private final EarthCentred says;
    private final Antenna antenna;
    private final EarthPlace truth;
    private final Predicate<Sight> open;

    /** @param says where it says that it stands @param truth where it does */
    public BaseStream(int station, EarthCentred says, EarthPlace truth, Antenna antenna, Predicate<Sight> open) {
        this.station = station;
        this.says = says;
        this.antenna = antenna;
        this.truth = truth;
        this.open = open;
    }

    /** As {@link #at(GpsTime, int)}, in full. */
    public List<RtcmMessage> at(GpsTime time) {
        return at(time, FULL);
    }

    /** @param kind of the observation messages: 4 or 7 */
    public List<RtcmMessage> at(GpsTime time, int kind) {
        List<RtcmMessage> messages = new ArrayList<>();
        if ((long) time.secondsOfWeek() % WHO_SECONDS == 0) {
            messages.add(new RtcmMessage.Station(station, 0, says, OptionalDouble.of(0)));
            messages.add(new RtcmMessage.Equipment(1033, station, "TERNHOLM DISH   NONE", 0, "", "STAND-IN BASE", "0.1", ""));
        }
        ObservationEpoch epoch = antenna.observe(time, truth, open);
        Map<SatelliteSystem, List<Cell>> cells = new TreeMap<>();
        epoch.observed().forEach(o -> {
            double wavelength = o.signal().wavelength(Sky.channel(o.satellite()));
            // Whole cycles are counted from the code, so that the carrier has room in its bits.
            double phase = o.range() + Math.IEEEremainder(o.cycles() * wavelength - o.range(), 1_000 * wavelength);
            cells.computeIfAbsent(o.satellite().system(), s -> new ArrayList<>()).add(new Cell(o.satellite(), NUMBERS.get(o.signal()), o.range(), phase, -o.doppler() * wavelength, o.slipped() ? 0 : 200, false, o.strength()));
        });
        List<SatelliteSystem> systems = List.copyOf(cells.keySet());
        for (SatelliteSystem system : systems) {
            boolean more = system != systems.get(systems.size() - 1);
            messages.add(new RtcmMessage.Observations(TYPES.get(system) + kind, station, millis(system, time), more, cells.get(system)));
        }
        return messages;
    }

    /** In the system's own time. */
    private static long millis(SatelliteSystem system, GpsTime time) {
        GpsTime own = switch (system) {
            case GPS, GALILEO -> time;
            case BEIDOU -> time.plusSeconds(-BEIDOU_BEHIND_SECONDS);
            case GLONASS -> time.plusSeconds(MOSCOW_AHEAD_SECONDS - GpsTime.leaps(time.utc()));
        };
        return Math.round(own.secondsOfWeek() * 1000) % (7 * DAY_MILLIS);
    }
}
