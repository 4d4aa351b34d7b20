package verge.core.journal;

import java.util.UUID;

/**
 * What another entry should have said: a wrong target height, a wrong name. The entry itself stays to be read; the latest correction
 * of it that stands, and is of its kind, is what counts.
 */
public record Reworked(UUID entry, Payload corrected, String reason) implements Amendment {
}
