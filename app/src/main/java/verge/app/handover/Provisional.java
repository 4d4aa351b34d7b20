package verge.app.handover;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import verge.core.base.Base;
import verge.core.job.JobState;
import verge.core.points.StoredPoint;

/** What the office has to know of points whose base only the sky has placed: they move when it is corrected. */
final class Provisional {
    /** Under what that stands beside a point. */
    static final String FIELD = "Provisional";

    private Provisional() {
    }

    /** In one line; nothing where no point is so. */
    static List<String> said(JobState state, List<StoredPoint> points) {
        List<StoredPoint> found = points.stream().filter(state::isProvisional).toList();
        String bases = found.stream().flatMap(p -> state.base(p.entry()).stream()).map(b -> b.mark().text()).distinct().collect(Collectors.joining(", "));
        return found.isEmpty() ? List.of() : List.of("PROVISIONAL: " + found.size() + (found.size() == 1 ? " point rests" : " points rest") + " on base " + bases + ", of which only the sky has said where it stands. " + (found.size() == 1 ? "It moves" : "They move") + " when that is corrected.");
    }

    /** Beside all else that is said of a shot. */
    static Map<String, String> beside(JobState state, UUID shot, Map<String, String> notes) {
        return state.base(shot).filter(Base::provisional).<Map<String, String>>map(base -> {
            Map<String, String> all = new LinkedHashMap<>(notes);
            all.put(FIELD, "base " + base.mark());
            return all;
        }).orElse(notes);
    }
}
