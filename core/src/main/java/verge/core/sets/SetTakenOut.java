package verge.core.sets;

import java.util.Optional;
import java.util.UUID;
import verge.core.coding.PointName;
import verge.core.journal.Payload;

/**
 * Takes one mark of one set, or the whole set, out of the means.
 *
 * @param mark absent for the whole set
 */
public record SetTakenOut(UUID plan, int set, Optional<PointName> mark, String reason) implements Payload {
    @Override
    public Optional<UUID> under() {
        return Optional.of(plan);
    }
}
