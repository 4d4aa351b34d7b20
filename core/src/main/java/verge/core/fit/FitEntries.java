package verge.core.fit;

import java.util.List;
import java.util.UUID;
import verge.core.journal.Chapter;
import verge.core.journal.Key;
import verge.core.journal.Line;
import verge.core.journal.Looks;
import verge.core.journal.Outcome;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.Points;
import verge.core.points.StoredPoint;
import verge.core.problem.SurveyException;

/** What fits that were written into the book come to. */
public final class FitEntries {
    private FitEntries() {
    }

    /** What a fit comes to now. */
    public record FittedOf(UUID fit) implements Key<MarksFitted.Came> {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(MarksFitted.class, FitEntries::fitted));
    }

    /** What cannot be fitted any more, as its marks are there no more, comes to nothing. */
    private static Outcome fitted(Line<MarksFitted> line, Looks looks) {
        MarksFitted said = line.says();
        try {
            MarksFitted.Came came = said.work(seen -> seen.now(looks).map(StoredPoint::position));
            List<StoredPoint> kept = said.kept().stream().filter(k -> k.mark() >= 0 && k.mark() < came.marks().size())
                    .map(k -> new NamedPosition(k.name(), k.code(), came.place(k.mark())))
                    .map(p -> StoredPoint.given(line.id(), Origin.COMPUTED, p, p.position())).toList();
            return Points.outcome(kept).and(new FittedOf(line.id()), came);
        } catch (SurveyException impossible) {
            return Outcome.NOTHING;
        }
    }
}
