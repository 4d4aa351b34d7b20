package verge.core.journal;

import java.util.Optional;
import java.util.UUID;

/**
 * What a journal entry says: a fact of the field, read, typed, chosen or decided; nothing computed is kept. Each kind is a record of the
 * capability that it belongs to.
 */
public interface Payload {
    /** The entry that this belongs to: the leaf of a shot, the plan of a pointing; empty if it stands for itself. */
    default Optional<UUID> under() {
        return Optional.empty();
    }
}
