package verge.core.journal;

import java.util.UUID;

/** Brings a struck entry back. */
public record Restored(UUID entry) implements Amendment {
}
