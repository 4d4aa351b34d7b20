package verge.core.leaf;

import java.util.UUID;
import verge.core.journal.Key;

/** Entries of the checks on a leaf. */
public record ChecksOn(UUID leaf) implements Key<UUID> {
}
