package verge.core.occupation;

import java.time.Instant;
import java.util.OptionalDouble;
import verge.core.satellite.SolvedPosition;

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
    public Epochs {
        if (count < 1 || end.isBefore(begin)) {
            throw new IllegalArgumentException(count + " epochs from " + begin + " to " + end);
        }
    }
}
