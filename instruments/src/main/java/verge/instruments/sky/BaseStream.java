package verge.instruments.sky;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthPlace;
import verge.core.satellite.GpsTime;
import verge.core.satellite.ObservationEpoch;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.Sight;
import verge.instruments.rtcm.Msm;
import verge.instruments.rtcm.RtcmMessage;
import verge.instruments.rtcm.RtcmMessage.Cell;

/** What a base sends each second: who and where it says it is every two, what it observes each time. */
public final class BaseStream {
    private static final int WHO_SECONDS = 2;
    /** Of the kinds of observation messages the fullest. */
    public static final int FULL = 7;

    private final int station;
    private final EarthCentred says;
    private final Antenna antenna;
    private final EarthPlace truth;
    private final Predicate<Sight> open;
    private volatile int frameYear;
    private final Map<String, Long> wholeCycles = new HashMap<>();

    /** @param says where it says that it stands @param truth where it does */
    public BaseStream(int station, EarthCentred says, EarthPlace truth, Antenna antenna, Predicate<Sight> open) {
        this.station = station;
        this.says = says;
        this.antenna = antenna;
        this.truth = truth;
        this.open = open;
    }

    /** In which realisation of the international frame it says that it stands from now on, less 2000; 0 to say nothing. */
    public void frame(int year) {
        frameYear = year;
    }

    /** As {@link #at(GpsTime, int, Set)}, in full and of all systems. */
    public List<RtcmMessage> at(GpsTime time) {
        return at(time, FULL, EnumSet.allOf(SatelliteSystem.class));
    }

    /** @param kind of the observation messages: 4 or 7 @param systems that are observed */
    public List<RtcmMessage> at(GpsTime time, int kind, Set<SatelliteSystem> systems) {
        List<RtcmMessage> messages = new ArrayList<>();
        if ((long) time.secondsOfWeek() % WHO_SECONDS == 0) {
            messages.add(new RtcmMessage.Station(station, frameYear, says, OptionalDouble.of(0)));
            messages.add(new RtcmMessage.Equipment(1033, station, "TERNHOLM DISH   NONE", 0, "", "STAND-IN BASE", "0.1", ""));
        }
        ObservationEpoch epoch = antenna.observe(time, truth, open);
        Map<SatelliteSystem, List<Cell>> cells = new TreeMap<>();
        epoch.observed().stream().filter(o -> systems.contains(o.satellite().system())).forEach(o -> {
            double wavelength = o.signal().wavelength(Sky.channel(o.satellite()));
            // Whole cycles are counted from the code, so that the carrier has room in its bits; once for each time that it is held.
            long off = wholeCycles.compute(o.satellite() + o.signal().code(),
                    (signal, held) -> held == null || o.slipped() ? Math.round(o.cycles() - o.range() / wavelength) : held);
            double phase = (o.cycles() - off) * wavelength;
            cells.computeIfAbsent(o.satellite().system(), s -> new ArrayList<>())
                    .add(new Cell(o.satellite(), Msm.number(o.signal()), o.range(), phase, -o.doppler() * wavelength, o.slipped() ? 0 : 200,
                    false, o.strength()));
        });
        List<SatelliteSystem> seen = List.copyOf(cells.keySet());
        for (SatelliteSystem system : seen) {
            boolean more = system != seen.get(seen.size() - 1);
            messages.add(new RtcmMessage.Observations(Msm.type(system, kind), station, Msm.millis(system, time), more, cells.get(system)));
        }
        return messages;
    }
}
