package verge.core.cogo;

import java.util.List;
import verge.core.journal.Chapter;
import verge.core.journal.Line;
import verge.core.journal.Looks;
import verge.core.journal.Outcome;

/** What computations that were noted come to. */
public final class ComputedEntries {
    private ComputedEntries() {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(InverseNoted.class, ComputedEntries::inverse));
    }

    private static Outcome inverse(Line<InverseNoted> line, Looks looks) {
        return line.says().from().now(looks).flatMap(from -> line.says().to().now(looks).map(to -> Outcome.of(new EndsOf(line.id()), new EndsOf.Ends(from.position(), to.position())))).orElse(Outcome.NOTHING);
    }
}
