package verge.core.journal;

import java.util.UUID;

/**
 * An entry to be reckoned.
 *
 * @param ordinal which of its kind it is in the journal, from 1, struck ones counted
 * @param says what it says as it counts now, corrections included
 */
public record Line<P extends Payload>(Entry entry, int ordinal, P says) {
    public UUID id() {
        return entry.id();
    }
}
