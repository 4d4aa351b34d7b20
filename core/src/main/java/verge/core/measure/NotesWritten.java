package verge.core.measure;

import java.util.Map;
import java.util.UUID;
import verge.core.journal.Payload;

/** Notes of an earlier shot, written or changed later. */
public record NotesWritten(UUID shot, Map<String, String> notes) implements Payload {
    public NotesWritten {
        notes = Map.copyOf(notes);
    }
}
