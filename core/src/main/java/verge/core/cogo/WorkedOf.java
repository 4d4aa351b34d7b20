package verge.core.cogo;

import java.util.UUID;
import verge.core.journal.Key;

/** What a computation that was noted comes to now. */
public record WorkedOf(UUID computed) implements Key<Worked> {
    /** Those whose dimensions are shown. */
    public record Pinned() implements Key<UUID> {
    }
}
