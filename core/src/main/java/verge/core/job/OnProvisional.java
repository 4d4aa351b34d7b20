package verge.core.job;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import verge.core.base.Base;
import verge.core.base.BasesOf;
import verge.core.journal.Sheet;
import verge.core.points.StoredPoint;

/**
 * Which points rest on bases of which only the sky has said where they stand: measured from them, sighted from over or by such points,
 * computed from them. Each point is traced to what it was reckoned from, once.
 */
public final class OnProvisional {
    private final Sheet sheet;
    private final JobState state;
    private final List<Base> bases;
    private final Map<UUID, Boolean> known = new HashMap<>();

    private OnProvisional(Journal journal) {
        this.sheet = journal.sheet();
        this.state = journal.state();
        this.bases = state.bases().all().stream().filter(Base::provisional).toList();
    }

    public static OnProvisional of(Journal journal) {
        return new OnProvisional(journal);
    }

    /** The bases in question, in their order. */
    public List<Base> bases() {
        return bases;
    }

    public boolean has(StoredPoint point) {
        return !bases.isEmpty() && rests(point.entry());
    }

    private boolean rests(UUID entry) {
        Boolean before = known.putIfAbsent(entry, false);   // what looks at all that was ever said may come back to itself
        if (before == null) {
            known.put(entry, state.bases().under(entry).filter(Base::provisional).isPresent()
                    || Trace.restsOn(sheet, entry, OnProvisional::places).keySet().stream().anyMatch(this::rests));
        }
        return known.get(entry);
    }

    /** Which base something was measured from is told with it; all that bear its number were looked at. */
    private static boolean places(Sheet.Sight sight) {
        return !(sight.key() instanceof BasesOf);
    }
}
