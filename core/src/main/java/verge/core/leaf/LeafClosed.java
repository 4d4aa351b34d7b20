package verge.core.leaf;

import java.util.Optional;
import java.util.UUID;
import verge.core.journal.Payload;

/** The work on a leaf is ended: nothing more goes to it unless it is opened again. */
public record LeafClosed(UUID setup) implements Payload {
    @Override
    public Optional<UUID> under() {
        return Optional.of(setup);
    }
}
