package verge.core.base;

import java.util.UUID;
import verge.core.journal.Payload;

/** A base no longer sends. @param base the entry that set it up */
public record BaseEnded(UUID base) implements Payload {
}
