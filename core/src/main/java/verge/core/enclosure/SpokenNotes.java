package verge.core.enclosure;

import java.util.UUID;
import verge.core.journal.Key;

/** All spoken notes of a job. */
public record SpokenNotes() implements Key<SpokenNotes.Spoken> {
    /** @param id the entry that brought it */
    public record Spoken(UUID id, NoteSpoken says) {
    }
}
