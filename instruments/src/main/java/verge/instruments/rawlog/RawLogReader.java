package verge.instruments.rawlog;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import verge.core.satellite.Broadcast;
import verge.core.satellite.GpsTime;
import verge.core.satellite.ObservationEpoch;
import verge.core.satellite.ObservationEpoch.Observed;
import verge.core.satellite.SatelliteId;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.Signal;
import verge.instruments.rtcm.Msm;
import verge.instruments.rtcm.RtcmFrames;
import verge.instruments.rtcm.RtcmMessage;
import verge.instruments.rtcm.RtcmMessage.Cell;
import verge.instruments.rtcm.RtcmMessages;

/**
 * Reads raw observations that a receiver wrote as frames of RTCM 3, one moment after another: what is cut off, damaged or of another kind
 * is passed over. A whole file never lies in memory.
 */
public final class RawLogReader {
    private final Told told;
    private final RtcmFrames frames = new RtcmFrames();
    private final Map<String, Integer> locks = new HashMap<>();
    private final Map<SatelliteId, Integer> channels = new HashMap<>();
    private List<Observed> growing = new ArrayList<>();
    private Map<String, Integer> growingLocks = new HashMap<>();
    private Map<String, Integer> before = Map.of();
    private GpsTime time;
    private GpsTime near;

    /** Whom it tells what it finds, in the order of the file. */
    public interface Told {
        void epoch(ObservationEpoch epoch) throws IOException;

        default void broadcast(Broadcast of) throws IOException {
        }

        /** An observation of a signal that is not kept. @param signal as the messages number it */
        default void other(SatelliteId satellite, int signal) {
        }

        /** What the receiver says that it and its antenna are. */
        default void equipment(RtcmMessage.Equipment of) {
        }
    }

    /** @param near some moment within three days of the first one: messages do not tell the week */
    private RawLogReader(GpsTime near, Told told) {
        this.near = near;
        this.told = told;
    }

    /** @throws IOException as the stream does or whoever is told */
    public static void read(InputStream in, GpsTime near, Told told) throws IOException {
        RawLogReader reader = new RawLogReader(near, told);
        byte[] bytes = new byte[8_192];
        for (int count = in.read(bytes); count >= 0; count = in.read(bytes)) {
            List<RtcmMessage> messages = new ArrayList<>();
            reader.frames.take(bytes, count, m -> RtcmMessages.read(m).ifPresent(messages::add));
            for (RtcmMessage message : messages) {
                reader.take(message);
            }
        }
    }

    private void take(RtcmMessage message) throws IOException {
        if (message instanceof RtcmMessage.Ephemeris ephemeris) {
            if (ephemeris.broadcast() instanceof Broadcast.Moving moving) {
                channels.put(moving.satellite(), moving.channel());
            }
            told.broadcast(ephemeris.broadcast());
        } else if (message instanceof RtcmMessage.Equipment equipment) {
            told.equipment(equipment);
        } else if (message instanceof RtcmMessage.Observations observations && !observations.cells().isEmpty()) {
            take(observations);
        }
    }

    private void take(RtcmMessage.Observations o) throws IOException {
        GpsTime at = Msm.time(o.cells().get(0).satellite().system(), o.millis(), near);
        if (!at.equals(time)) {
            growing = new ArrayList<>();   // the rest of the moment before was cut off: it is none
            growingLocks = new HashMap<>();
            time = at;
        }
        o.cells().forEach(this::take);
        if (!o.more()) {
            before = growingLocks;
            locks.putAll(growingLocks);
            near = at;
            List<Observed> whole = growing;
            growing = new ArrayList<>();
            growingLocks = new HashMap<>();
            time = null;
            told.epoch(new ObservationEpoch(at, whole));
        }
    }

    private void take(Cell cell) {
        Optional<Signal> signal = Msm.signal(cell.satellite().system(), cell.signal());
        if (signal.isEmpty()) {
            told.other(cell.satellite(), cell.signal());
        }
        signal.ifPresent(s -> {
            String key = cell.satellite() + s.code();
            growingLocks.put(key, cell.lock());
            boolean known = cell.satellite().system() != SatelliteSystem.GLONASS || channels.containsKey(cell.satellite());
            double wavelength = known ? s.wavelength(channels.getOrDefault(cell.satellite(), 0)) : Double.NaN;
            growing.add(new Observed(cell.satellite(), s, cell.range(), cell.phase() / wavelength, -cell.rate() / wavelength,
                    cell.strength(), slipped(key, cell.lock()), cell.halfCycle()));
        });
    }

    /** Held before and lost since: it was away, or is held for a shorter time than it was. */
    private boolean slipped(String key, int lock) {
        Integer last = locks.get(key);
        return last != null && (!before.containsKey(key) || lock == 0 || lock < last);
    }
}
