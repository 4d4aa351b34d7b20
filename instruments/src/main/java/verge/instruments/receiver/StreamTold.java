package verge.instruments.receiver;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import verge.core.satellite.BaseHeard;

/**
 * What a stream of corrections tells of itself.
 *
 * @param last when the latest message came whole
 * @param kinds by their numbers, how each came
 * @param base as the latest of its messages tell of it
 * @param equipment its antenna and receiver; empty until it told
 * @param words that it sent for whoever hears it; empty without any
 * @param damaged how many messages came without their right checksum, or say what cannot be
 * @param backward how many observations were of an earlier moment than those before them
 */
public record StreamTold(Optional<Instant> last, Map<Integer, Kind> kinds, Optional<BaseHeard> base, String equipment, String words,
        long damaged, long backward) {
    public static final StreamTold NOTHING = new StreamTold(Optional.empty(), Map.of(), Optional.empty(), "", "", 0, 0);
    /** After so long without a message a stream counts as silent: a base tells its place more often. */
    public static final Duration SILENT = Duration.ofSeconds(10);
    private static final double MILLIS = 1_000;
    private static final int LATEST = 6;

    public StreamTold {
        kinds = Map.copyOf(kinds);
    }

    /**
     * The messages of one kind.
     *
     * @param count all that came
     * @param latest when the last few did
     */
    public record Kind(long count, List<Instant> latest) {
        private Kind and(Instant at) {
            List<Instant> more = new ArrayList<>(latest.subList(Math.max(0, latest.size() - LATEST + 1), latest.size()));
            more.add(at);
            return new Kind(count + 1, List.copyOf(more));
        }
    }

    /** How many messages came of each kind. */
    public Map<Integer, Long> messages() {
        return kinds.entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, e -> e.getValue().count()));
    }

    /** How many came in all. */
    public long count() {
        return kinds.values().stream().mapToLong(Kind::count).sum();
    }

    /**
     * How many seconds lie between two messages of a kind, by the median of the latest: one break, or another rate before, does not spoil
     * it. Absent before the third.
     */
    public OptionalDouble seconds(int type) {
        List<Instant> latest = kinds.containsKey(type) ? kinds.get(type).latest() : List.of();
        double[] between = IntStream.range(1, latest.size())
                .mapToDouble(i -> Duration.between(latest.get(i - 1), latest.get(i)).toMillis() / MILLIS).sorted().toArray();
        return between.length < 2 ? OptionalDouble.empty() : OptionalDouble.of(between[between.length / 2]);
    }

    /** The same while it goes on; nothing once it is silent: what it was says nothing of what it is. */
    StreamTold at(Instant now) {
        return last.filter(l -> Duration.between(l, now).compareTo(SILENT) < 0).isPresent() ? this : NOTHING;
    }

    StreamTold with(int type, Instant at) {
        Map<Integer, Kind> more = new TreeMap<>(kinds);
        more.put(type, more.getOrDefault(type, new Kind(0, List.of())).and(at));
        return new StreamTold(Optional.of(at), more, base, equipment, words, damaged, backward);
    }

    StreamTold with(BaseHeard other) {
        return new StreamTold(last, kinds, Optional.of(other), equipment, words, damaged, backward);
    }

    StreamTold withEquipment(String other) {
        return new StreamTold(last, kinds, base, other, words, damaged, backward);
    }

    StreamTold withWords(String other) {
        return new StreamTold(last, kinds, base, equipment, other, damaged, backward);
    }

    StreamTold with(long nowDamaged, long nowBackward) {
        return new StreamTold(last, kinds, base, equipment, words, nowDamaged, nowBackward);
    }
}
