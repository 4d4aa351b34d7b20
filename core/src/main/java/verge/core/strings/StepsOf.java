package verge.core.strings;

import java.util.List;
import java.util.UUID;
import verge.core.journal.Key;

/** What entries do to a string, each its steps. */
public record StepsOf(UUID string) implements Key<List<Step>> {
}
