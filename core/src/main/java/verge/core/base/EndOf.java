package verge.core.base;

import java.util.UUID;
import verge.core.journal.Key;

/** The entry by which a base ended. @param base the entry that set it up */
public record EndOf(UUID base) implements Key<UUID> {
}
