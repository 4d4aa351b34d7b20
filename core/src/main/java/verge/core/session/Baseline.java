package verge.core.session;

import java.time.Duration;
import java.util.Optional;
import verge.core.coding.PointName;
import verge.core.units.Length;

/**
 * The longest vector that is to be computed from a session.
 *
 * @param to the mark at its other end; absent where only its length is known
 */
public record Baseline(Length length, Optional<PointName> to) {
    private static final Duration SHORTEST = Duration.ofMinutes(20);
    private static final double MINUTES_A_KILOMETRE = 2;
    private static final double KILOMETRE = 1_000;
    private static final Duration LONGEST = Duration.ofHours(24);

    /**
     * How long two receivers of two frequencies should observe together: twenty minutes, and two more for each kilometre, to the next whole
     * minute; a day at most. A rule of thumb, for an open sky: whoever has a better one goes by that.
     */
    public Duration wants() {
        Duration wants = SHORTEST.plusMinutes((long) Math.ceil(length.metres() / KILOMETRE * MINUTES_A_KILOMETRE));
        return wants.compareTo(LONGEST) > 0 ? LONGEST : wants;
    }
}
