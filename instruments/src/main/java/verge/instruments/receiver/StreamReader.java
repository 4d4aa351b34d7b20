package verge.instruments.receiver;

import java.time.Instant;
import java.util.Optional;
import java.util.Map;
import java.util.HashMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import verge.core.satellite.BaseHeard;
import verge.instruments.rtcm.RtcmFrames;
import verge.instruments.rtcm.RtcmMessage;
import verge.instruments.rtcm.RtcmMessages;

/** Reads what a stream of corrections tells of itself, while it goes past. For one thread; what it told may be asked by any. */
final class StreamReader {
    private static final long WEEK_MILLIS = 7 * 86_400_000L;

    private final RtcmFrames frames = new RtcmFrames();
    private final String name;
    private final Map<Integer, Long> moments = new HashMap<>();
    private long senseless;
    private long backward;
    private volatile StreamTold told = StreamTold.NOTHING;

    /** @param name under which its base is told */
    StreamReader(String name) {
        this.name = name;
    }

    StreamTold told() {
        return told;
    }

    void take(byte[] bytes, int count) {
        frames.take(bytes, count, this::message);
        told = told.with(frames.damaged() + senseless, backward);
    }

    /** One message that came whole, without its frame. */
    void message(byte[] message) {
        Optional<RtcmMessage> read = RtcmMessages.read(message);
        read.ifPresentOrElse(m -> hear(m, Instant.now()), () -> senseless++);
        told = told.with(frames.damaged() + senseless, backward);
    }

    /** Whether observations are of an earlier moment than the last of their kind; a week begins anew. */
    private boolean isBackward(RtcmMessage.Observations now) {
        Long before = moments.put(now.type(), now.millis());
        long on = before == null ? 0 : Math.floorMod(now.millis() - before, WEEK_MILLIS);
        return on > WEEK_MILLIS / 2;
    }

    private void hear(RtcmMessage message, Instant at) {
        StreamTold now = told.with(message.type(), at);
        if (message instanceof RtcmMessage.Station station) {
            now = now.with(new BaseHeard(name, station.station(), station.place(), station.year()));
        } else if (message instanceof RtcmMessage.Equipment equipment) {
            now = now.withEquipment(Stream.of(equipment.receiver(), equipment.antenna()).map(s -> s.strip().replaceAll(" +", " "))
                    .filter(s -> !s.isEmpty()).collect(Collectors.joining(", ")));
        } else if (message instanceof RtcmMessage.Observations observed) {
            backward += isBackward(observed) ? 1 : 0;
        } else if (message instanceof RtcmMessage.Words words) {
            now = now.withWords(words.text());
        }
        told = now;
    }
}
