package verge.app.importing;

import java.util.List;
import verge.core.drawing.Changes;
import verge.core.units.Figures;

/** What a newer version changes, in finished text. */
record ChangesView(boolean none, int moved, int added, int gone, List<MovedView> largest, String addedNames, String goneNames,
        List<String> layers) {
    private static final int MOST_SHOWN = 12;

    /** One point that moved. */
    record MovedView(String name, String plan, String up) {
    }

    static ChangesView of(Changes c, Figures f) {
        return new ChangesView(c.none(), c.moved().size(), c.added().size(), c.gone().size(),
                c.moved().stream().limit(MOST_SHOWN)
                .map(m -> new MovedView(m.name(), f.length(m.plan()), m.up().map(f::difference).orElse("\u2013"))).toList(),
                names(c.added()), names(c.gone()),
                c.layers().stream().limit(MOST_SHOWN)
                .map(l -> l.layer() + ": " + l.added() + " lines new, " + l.gone() + " no longer there").toList());
    }

    private static String names(List<String> names) {
        return String.join(", ", names.stream().limit(MOST_SHOWN).toList()) + (names.size() > MOST_SHOWN ? " \u2026" : "");
    }
}
