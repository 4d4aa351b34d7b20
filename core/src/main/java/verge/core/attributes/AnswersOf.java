package verge.core.attributes;

import java.util.Map;
import java.util.UUID;
import verge.core.journal.Key;

/** What was answered for a shot or a string, first and later. */
public record AnswersOf(UUID subject) implements Key<Map<String, String>> {
}
