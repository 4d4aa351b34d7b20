package verge.core.base;

import java.util.UUID;
import verge.core.journal.Key;

/** What lies where it does because of a base, each by its entry: points measured and stakes set from it. */
public record MeasuredFrom(UUID base) implements Key<UUID> {
}
