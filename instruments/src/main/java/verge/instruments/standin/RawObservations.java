package verge.instruments.standin;

import java.io.ByteArrayOutputStream;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import verge.core.satellite.Broadcast;
import verge.core.satellite.GpsTime;
import verge.core.satellite.SatelliteId;
import verge.core.satellite.SatelliteSystem;
import verge.instruments.rtcm.RtcmFrames;
import verge.instruments.rtcm.RtcmMessage;
import verge.instruments.rtcm.RtcmMessages;
import verge.instruments.sky.BaseStream;
import verge.instruments.sky.Broadcasting;
import verge.instruments.sky.Sky;

/**
 * What a receiver writes on its card while a session runs: what it observes, and what each satellite says of itself as often as that
 * changes.
 */
final class RawObservations {
    private final Sky sky;
    private final BaseStream observed;
    private final Map<SatelliteId, GpsTime> told = new HashMap<>();
    private final Set<String> tracked = new HashSet<>();
    private Set<String> before = Set.of();
    private int satellites;
    private int slips;

    RawObservations(Sky sky, BaseStream observed) {
        this.sky = sky;
        this.observed = observed;
    }

    /** In the latest epoch. */
    int satellites() {
        return satellites;
    }

    /** How often the carrier of a satellite was lost that had been held. */
    int slips() {
        return slips;
    }

    /** @param systems that are observed */
    byte[] at(GpsTime time, Set<SatelliteSystem> systems) {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        List<RtcmMessage> messages = observed.at(time, BaseStream.FULL, systems);
        Set<SatelliteId> seen = new HashSet<>();
        Set<SatelliteId> slipped = new HashSet<>();
        Set<String> now = new HashSet<>();
        messages.stream().filter(RtcmMessage.Observations.class::isInstance).flatMap(m -> ((RtcmMessage.Observations) m).cells().stream())
                .forEach(cell -> {
            String key = cell.satellite() + "/" + cell.signal();
            seen.add(cell.satellite());
            now.add(key);
            if (!tracked.add(key) && (cell.lock() == 0 || !before.contains(key))) {
                slipped.add(cell.satellite());
            }
        });
        before = now;
        satellites = seen.size();
        slips += slipped.size();
        seen.forEach(satellite -> {
            Broadcast says = Broadcasting.of(satellite, sky.orbits().get(satellite), time);
            if (!says.best().equals(told.put(satellite, says.best()))) {
                put(all, new RtcmMessage.Ephemeris(says));
            }
        });
        messages.forEach(m -> put(all, m));
        return all.toByteArray();
    }

    private static void put(ByteArrayOutputStream all, RtcmMessage message) {
        all.writeBytes(RtcmFrames.frame(RtcmMessages.write(message)));
    }
}
