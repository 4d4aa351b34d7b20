package verge.core.leaf;

import java.util.Optional;
import java.util.UUID;
import verge.core.journal.Key;

/** The leaf taken up again since the last setup, if one is. */
public record LeafTakenUp() implements Key<Optional<UUID>> {
}
