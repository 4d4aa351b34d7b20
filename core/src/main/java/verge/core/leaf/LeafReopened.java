package verge.core.leaf;

import java.util.Optional;
import java.util.UUID;
import verge.core.journal.Payload;

/** A leaf of before is taken up again, the instrument still standing there. */
public record LeafReopened(UUID setup) implements Payload {
    @Override
    public Optional<UUID> under() {
        return Optional.of(setup);
    }
}
