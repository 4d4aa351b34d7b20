package verge.core.enclosure;

import java.util.UUID;
import verge.core.journal.Key;

/** All photos of a job. */
public record Photos() implements Key<Photos.Taken> {
    /** @param id the entry that brought it */
    public record Taken(UUID id, PhotoTaken says) {
    }
}
