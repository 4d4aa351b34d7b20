package verge.core.leaf;

import java.util.UUID;
import verge.core.journal.Key;

/** Whether a leaf is closed. */
public record LeafClosedNow(UUID leaf) implements Key<Boolean> {
}
