package verge.core.session;

import java.util.Optional;
import java.util.UUID;
import verge.core.journal.Payload;
import verge.core.units.Length;

/**
 * A session is over.
 *
 * @param session the entry that began it
 * @param heightAgain its antenna's height as it was measured once more at the end, to the same part
 */
public record SessionEnded(UUID session, Optional<Length> heightAgain) implements Payload {
    public SessionEnded with(Length other) {
        return new SessionEnded(session, Optional.of(other));
    }
}
