package verge.core.satellite;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;

/**
 * Out of which solutions a position was taken.
 *
 * @param count of solutions
 * @param kind the worst of them
 * @param satellites the fewest
 * @param pdop the worst; absent if the receiver never said
 * @param ageSeconds the oldest corrections; absent without any
 */
public record Epochs(int count, Instant begin, Instant end, SolvedPosition.Kind kind, int satellites, OptionalDouble pdop, OptionalDouble ageSeconds) {
    /** Of solutions in their order, at least one. */
    public static Epochs of(List<SolvedPosition> all) {
        return new Epochs(all.size(), all.get(0).at(), all.get(all.size() - 1).at(), all.stream().map(SolvedPosition::kind).min(Comparator.naturalOrder()).orElseThrow(), all.stream().mapToInt(SolvedPosition::satellites).min().orElseThrow(),
                all.stream().flatMap(p -> p.dilution().stream()).mapToDouble(Dilution::position).max(), all.stream().filter(p -> p.age().isPresent()).mapToDouble(p -> p.age().getAsDouble()).max());
    }

    public Epochs {
        if (count < 1 || end.isBefore(begin)) {
            throw new IllegalArgumentException(count + " epochs from " + begin + " to " + end);
        }
    }
}
