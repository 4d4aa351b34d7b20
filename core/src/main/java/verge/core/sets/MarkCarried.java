package verge.core.sets;

import java.util.Optional;
import java.util.UUID;
import verge.core.coding.PointName;
import verge.core.journal.Payload;

/** A mark of the sets that was seen with its coordinates and approved: it joins the known points. */
public record MarkCarried(UUID plan, PointName mark) implements Payload {
    @Override
    public Optional<UUID> under() {
        return Optional.of(plan);
    }
}
