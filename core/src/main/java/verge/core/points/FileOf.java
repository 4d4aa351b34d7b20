package verge.core.points;

import java.util.UUID;
import verge.core.journal.Key;

/** The name of the file that an import was from. */
public record FileOf(UUID entry) implements Key<String> {
}
