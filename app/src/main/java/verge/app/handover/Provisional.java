package verge.app.handover;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import verge.core.base.Base;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.job.OnProvisional;
import verge.core.points.StoredPoint;

/** What the office has to know of points whose base only the sky has placed: they move when it is corrected. */
final class Provisional {
    /** Under what that stands beside a point. */
    static final String FIELD = "Provisional";

    private final OnProvisional resting;
    private final JobState state;

    Provisional(Journal journal) {
        resting = OnProvisional.of(journal);
        state = journal.state();
    }

    /** In one line; nothing where no point is so. */
    List<String> said(List<StoredPoint> points) {
        List<StoredPoint> found = points.stream().filter(resting::has).toList();
        List<Base> direct = found.stream().flatMap(p -> state.bases().under(p.entry()).stream()).toList();
        // on which of them a computed one rests nobody has asked
        String bases = (direct.size() == found.size() ? direct : resting.bases()).stream().map(b -> b.mark().text()).distinct()
                .collect(Collectors.joining(", "));
        return found.isEmpty() ? List.of()
                : List.of("PROVISIONAL: " + found.size() + (found.size() == 1 ? " point rests" : " points rest") + " on base " + bases
                + ", of which only the sky has said where it stands. " + (found.size() == 1 ? "It moves" : "They move")
                + " when that is corrected.");
    }

    /** Beside all else that is said of a point. */
    Map<String, String> beside(StoredPoint point, Map<String, String> notes) {
        if (!resting.has(point)) {
            return notes;
        }
        Map<String, String> all = new LinkedHashMap<>(notes);
        all.put(FIELD, state.bases().under(point.entry()).map(b -> "base " + b.mark()).orElse("by what rests on a base"));
        return all;
    }
}
