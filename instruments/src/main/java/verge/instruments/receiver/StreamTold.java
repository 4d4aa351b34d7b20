package verge.instruments.receiver;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import verge.core.satellite.BaseHeard;

/**
 * What a stream of corrections tells of itself.
 *
 * @param first when the first message came whole
 * @param last when the latest did
 * @param messages how many of each kind
 * @param base as the latest of its messages tell of it
 * @param equipment its antenna and receiver; empty until it told
 * @param words that it sent for whoever hears it; empty without any
 */
public record StreamTold(Optional<Instant> first, Optional<Instant> last, Map<Integer, Long> messages, Optional<BaseHeard> base, String equipment, String words) {
    public static final StreamTold NOTHING = new StreamTold(Optional.empty(), Optional.empty(), Map.of(), Optional.empty(), "", "");
    private static final double MILLIS = 1_000;

    public StreamTold {
        messages = Map.copyOf(messages);
    }

    /** How many seconds lie between two messages of a kind, on the average; absent before the third. */
    public OptionalDouble seconds(int type) {
        long count = messages.getOrDefault(type, 0L);
        return count < 3 ? OptionalDouble.empty() : OptionalDouble.of(Duration.between(first.orElseThrow(), last.orElseThrow()).toMillis() / MILLIS / (count - 1));
    }

    StreamTold with(int type, Instant at) {
        Map<Integer, Long> more = new TreeMap<>(messages);
        more.merge(type, 1L, Long::sum);
        return new StreamTold(first.or(() -> Optional.of(at)), Optional.of(at), more, base, equipment, words);
    }

    StreamTold with(BaseHeard other) {
        return new StreamTold(first, last, messages, Optional.of(other), equipment, words);
    }

    StreamTold withEquipment(String other) {
        return new StreamTold(first, last, messages, base, other, words);
    }

    StreamTold withWords(String other) {
        return new StreamTold(first, last, messages, base, equipment, other);
    }
}
