package verge.core.gaps;

import java.util.List;
import verge.core.journal.Chapter;
import verge.core.journal.Outcome;

/** What is said of gaps comes to. */
public final class GapEntries {
    private GapEntries() {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(GapPutAway.class, (line, looks) -> Outcome.of(new GapsPutAway(), line.says().gap())),
                Chapter.of(WorkBounded.class, (line, looks) -> Outcome.of(new Bounds(), line.says())));
    }
}
