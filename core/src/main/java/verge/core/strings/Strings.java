package verge.core.strings;

import java.util.List;
import java.util.UUID;
import verge.core.journal.Key;

/** Which strings entries say something of. */
public record Strings() implements Key<List<UUID>> {
}
