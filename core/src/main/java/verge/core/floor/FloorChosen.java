package verge.core.floor;

import java.util.Optional;
import verge.core.journal.Payload;

/** The floor that is worked on from now on. @param floor its name; empty for all of them */
public record FloorChosen(Optional<String> floor) implements Payload {
}
