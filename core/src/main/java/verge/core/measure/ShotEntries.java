package verge.core.measure;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import verge.core.geodesy.Position;
import verge.core.journal.Chapter;
import verge.core.journal.Line;
import verge.core.journal.Looks;
import verge.core.journal.Outcome;
import verge.core.leaf.LeafEntries;
import verge.core.leaf.LeafOf;
import verge.core.points.Origin;
import verge.core.points.Points;
import verge.core.points.StoredPoint;
import verge.core.strings.StringEntries;

/** What shots come to. */
public final class ShotEntries {
    private ShotEntries() {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(ShotTaken.class, ShotEntries::shot), Chapter.of(NotesWritten.class, (line, looks) -> notes(line.says().shot(), line.says().notes())));
    }

    private static Outcome shot(Line<ShotTaken> line, Looks looks) {
        ShotTaken said = line.says();
        return LeafEntries.observed(looks, said.setup(), said.reading(), said.target()).map(o -> new StoredPoint(line.id(), said.name(), said.code(), Origin.MEASURED,
                place(looks, said, o.position()), Optional.of(o.sigma()), Optional.empty(), Optional.of(said.setup()))).map(p -> Points.outcome(p).and(StringEntries.joined(p, said.joins())))
                .orElse(Outcome.NOTHING).and(notes(line.id(), said.notes()));
    }

    private static Position place(Looks looks, ShotTaken said, Position foot) {
        return said.aside().equals(Aside.NONE) ? foot : said.aside().from(looks.before(new LeafOf(said.setup())).orElseThrow().station().occupation(), foot);
    }

    private static Outcome notes(UUID shot, Map<String, String> notes) {
        return notes.isEmpty() ? Outcome.NOTHING : Outcome.of(new NotesOf(shot), notes);
    }
}
