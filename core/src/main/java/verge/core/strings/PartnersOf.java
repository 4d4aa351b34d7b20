package verge.core.strings;

import java.util.UUID;
import verge.core.journal.Key;

/** The strings that run beside a string. */
public record PartnersOf(UUID string) implements Key<UUID> {
}
