package verge.core.measure;

import java.util.UUID;
import verge.core.journal.Key;

/** How a point was found on which no prism stood. */
public record FoundOf(UUID point) implements Key<Found> {
}
