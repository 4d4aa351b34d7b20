package verge.core.journal;

import java.util.UUID;

/** What changes the meaning of another entry. It comes to nothing itself, and cannot be amended but by striking a correction. */
public interface Amendment extends Payload {
    UUID entry();
}
