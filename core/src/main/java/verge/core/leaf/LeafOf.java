package verge.core.leaf;

import java.util.UUID;
import verge.core.journal.Key;

/** A leaf, by the entry of its setup. */
public record LeafOf(UUID setup) implements Key<Leaf> {
}
