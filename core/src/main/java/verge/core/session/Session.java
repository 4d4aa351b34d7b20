package verge.core.session;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import verge.core.units.Length;

/**
 * A session as it is known now.
 *
 * @param entry that began it
 * @param begun when that was
 * @param height of its antenna's reference point over the mark; absent where none follows from what was measured
 */
public record Session(UUID entry, Instant begun, SessionBegun said, Optional<Length> height) {
    /** What a tape read twice may differ by. */
    private static final double HEIGHT_METRES = 0.003;
    private static final Duration CLOCKS_APART = Duration.ofMinutes(2);

    /** What the second measurement of its antenna's height was more than the first, if that is more than a tape may be. */
    public Optional<Length> sank(SessionEnded end) {
        return end.heightAgain().map(again -> again.minus(said.antenna().height().measured()))
                .filter(d -> Math.abs(d.metres()) > HEIGHT_METRES);
    }

    /** Whether the file itself names another antenna. */
    public boolean isOtherAntenna(RawSummary raw) {
        return !raw.antenna().isBlank() && !tight(raw.antenna()).equals(tight(said.antenna().model().name()));
    }

    /** Whether a file's first epoch lies well off the session's begin: it may be another's of the same name, or a clock is wrong. */
    public boolean isOfAnotherTime(RawSummary raw) {
        return Duration.between(begun, raw.first()).abs().minusSeconds(said.seconds()).compareTo(CLOCKS_APART) > 0;
    }

    private static String tight(String antenna) {
        return antenna.strip().replaceAll(" +", " ");
    }
}
