package verge.app.points;

import java.util.List;
import java.util.stream.Stream;
import verge.core.coding.PointName;
import verge.core.journal.JobState;
import verge.core.journal.Origin;
import verge.core.journal.StoredPoint;

/** The names offered where a point is asked for, in the order people count. */
public final class PointNames {
    private PointNames() {
    }

    public static List<PointName> all(JobState state) {
        return state.points().map(StoredPoint::name).distinct().sorted().toList();
    }

    /** What is there to be staked: designs, then control. */
    public static List<PointName> stakeable(JobState state) {
        return Stream.of(Origin.DESIGN, Origin.CONTROL)
                .flatMap(origin -> state.points().filter(p -> p.origin() == origin).map(StoredPoint::name).distinct().sorted())
                .distinct().toList();
    }
}
