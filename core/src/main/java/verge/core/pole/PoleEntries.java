package verge.core.pole;

import java.util.List;
import verge.core.journal.Chapter;
import verge.core.journal.Outcome;

/** What choosing a prism comes to. */
public final class PoleEntries {
    private PoleEntries() {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(TargetChosen.class, (line, looks) -> Outcome.of(new TargetInUse(), line.says())));
    }
}
