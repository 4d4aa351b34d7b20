package verge.core.points;

import java.util.Optional;
import java.util.UUID;
import verge.core.coding.PointName;
import verge.core.journal.Payload;

/** Which of the positions of a name counts from now on. @param entry that gave it; empty for the usual order again */
public record PositionChosen(PointName name, Optional<UUID> entry) implements Payload {
}
