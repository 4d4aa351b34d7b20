package verge.instruments.link;

import java.time.Duration;

/**
 * How long a link waits, and for what.
 *
 * @param connect until a connection stands
 * @param silence after which what stands counts as dead
 * @param write for which one piece may be on its way out: a peer that takes no more is dead too
 * @param firstPause before it is tried again; each time that it does not help, the next is twice as long
 * @param longestPause none is longer
 * @param health of a connection that stood so long the next pause is the first one again
 * @param outbox so many pieces may wait to go out
 */
public record Rules(Duration connect, Duration silence, Duration write, Duration firstPause, Duration longestPause, Duration health,
        int outbox) {
    public Rules {
        if (connect.isNegative() || silence.isNegative() || write.isNegative() || firstPause.isNegative()
                || longestPause.compareTo(firstPause) < 0 || outbox < 1) {
            throw new IllegalArgumentException("rules of a link");
        }
    }

    /** Tried again at the same pace for ever: a device that somebody carries about. */
    public static Rules steady(Duration connect, Duration silence, Duration pause) {
        return new Rules(connect, silence, Duration.ofSeconds(3), pause, pause, pause, 256);
    }

    /** The pause after another one. */
    Duration after(Duration pause) {
        Duration twice = pause.multipliedBy(2);
        return twice.compareTo(longestPause) < 0 ? twice : longestPause;
    }
}
