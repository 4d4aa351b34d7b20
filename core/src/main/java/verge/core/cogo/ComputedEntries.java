package verge.core.cogo;

import java.util.List;
import verge.core.journal.Chapter;
import verge.core.journal.Outcome;

/** Computations that were noted: remarks, which nothing rests on. */
public final class ComputedEntries {
    private ComputedEntries() {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(InverseNoted.class, (line, looks) -> Outcome.NOTHING));
    }
}
