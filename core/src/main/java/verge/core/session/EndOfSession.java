package verge.core.session;

import java.time.Instant;
import java.util.UUID;
import verge.core.journal.Key;

/** How a session ended. @param session the entry that began it */
public record EndOfSession(UUID session) implements Key<EndOfSession.End> {
    /** @param entry that says so */
    public record End(UUID entry, Instant at, SessionEnded said) {
    }
}
