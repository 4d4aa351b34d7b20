package verge.core.enclosure;

import java.util.UUID;
import verge.core.journal.Key;

/** What was drawn over a photo last. */
public record MarksOver(UUID photo) implements Key<PhotoMarked> {
}
