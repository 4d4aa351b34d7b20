package verge.core.measure;

import java.util.Map;
import java.util.UUID;
import verge.core.journal.Key;

/**
 * What was written into the job's own fields beside a shot, first and later: by the names of the fields, a blank text where it was wiped.
 */
public record NotesOf(UUID shot) implements Key<Map<String, String>> {
}
