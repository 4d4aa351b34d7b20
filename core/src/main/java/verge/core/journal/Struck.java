package verge.core.journal;

import java.util.UUID;

/** Takes another entry out of reckoning; the entry itself stays to be read. */
public record Struck(UUID entry) implements Amendment {
}
