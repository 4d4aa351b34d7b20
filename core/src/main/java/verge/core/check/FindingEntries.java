package verge.core.check;

import java.util.List;
import verge.core.journal.Chapter;
import verge.core.journal.Outcome;

/** What accepting a finding comes to. */
public final class FindingEntries {
    private FindingEntries() {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(FindingAccepted.class, (line, looks) ->
                Outcome.of(new Accepted(line.says().kind(), line.says().about()), line.says().reason())));
    }
}
