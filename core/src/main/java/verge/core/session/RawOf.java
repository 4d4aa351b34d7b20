package verge.core.session;

import java.util.UUID;
import verge.core.journal.Key;

/** What came from the receiver of a session. @param session the entry that began it */
public record RawOf(UUID session) implements Key<SessionFetched> {
}
