package verge.core.attributes;

import java.util.List;
import verge.core.journal.Chapter;
import verge.core.journal.Outcome;

/** What answers come to. */
public final class AttributeEntries {
    private AttributeEntries() {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(AttributesWritten.class, (line, looks) ->
                Outcome.of(new AnswersOf(line.says().subject()), line.says().answers())));
    }
}
