package verge.core.drawing;

import java.util.List;
import verge.core.journal.Chapter;
import verge.core.journal.Outcome;

/** What choosing a design comes to. */
public final class DesignEntries {
    private DesignEntries() {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(DesignChosen.class, (line, looks) -> Outcome.of(new DesignInUse(), line.says().file())));
    }
}
