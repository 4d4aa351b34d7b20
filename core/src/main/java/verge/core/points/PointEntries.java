package verge.core.points;

import java.util.List;
import java.util.Set;
import verge.core.journal.Chapter;
import verge.core.journal.Entry;
import verge.core.journal.Line;
import verge.core.journal.Outcome;
import verge.core.journal.WholeChapter;
import verge.core.journal.WholeKey;
import verge.core.journal.WholeLooks;
import verge.core.settings.Carrier;
import verge.core.settings.SettingsEntries;

/** What points taken on from files and typed ones come to: where they lie in the system that the job has now. */
public final class PointEntries {
    private PointEntries() {
    }

    public static List<Chapter<?>> chapters() {
        Set<Class<? extends WholeKey<?>>> given = Set.of(PointsGiven.class);
        return List.of(WholeChapter.of(PointsImported.class, given, SettingsEntries.carried(), PointEntries::imported),
                WholeChapter.of(PointKeyed.class, given, SettingsEntries.carried(), PointEntries::keyed),
                Chapter.of(PositionChosen.class, (line, looks) -> Outcome.of(new CountsByHand(line.says().name()), line.says().entry())));
    }

    private static Outcome imported(Line<PointsImported> line, WholeLooks looks) {
        Carrier carrier = SettingsEntries.carrier(looks);
        PointsImported said = line.says();
        return Outcome.of(new FileOf(line.id()), said.fileName())
                .and(Points.given(said.points().stream().map(p -> given(line.entry(), said.origin(), p, carrier)).toList()));
    }

    private static Outcome keyed(Line<PointKeyed> line, WholeLooks looks) {
        PointKeyed said = line.says();
        return Points.given(List.of(given(line.entry(), Origin.DESIGN, new NamedPosition(said.name(), said.code(), said.position()),
                SettingsEntries.carrier(looks))));
    }

    private static StoredPoint given(Entry entry, Origin origin, NamedPosition p, Carrier carrier) {
        return StoredPoint.given(entry.id(), origin, p, carrier.carried(entry.sequence(), p.position()));
    }
}
