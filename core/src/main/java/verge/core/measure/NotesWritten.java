package verge.core.measure;

import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import verge.core.journal.Payload;

/** Notes of an earlier shot, written or changed later. */
public record NotesWritten(UUID shot, Map<String, String> notes) implements Payload {
    public NotesWritten {
        notes = Map.copyOf(notes);
    }

    /** The same with something else in one field. */
    public NotesWritten with(String field, String text) {
        Map<String, String> all = new HashMap<>(notes);
        all.put(field, text);
        return new NotesWritten(shot, all);
    }
}
