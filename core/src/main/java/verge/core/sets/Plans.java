package verge.core.sets;

import java.util.UUID;
import verge.core.journal.Key;

/** The entries of all plans of sets. */
public record Plans() implements Key<UUID> {
}
