package verge.app.points;

import java.util.List;
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

    /** What can be staked: anything but a stake. */
    public static List<PointName> stakeable(JobState state) {
        return state.points().filter(p -> p.origin() != Origin.STAKED).map(StoredPoint::name).distinct().sorted().toList();
    }

    public static List<PointName> control(JobState state) {
        return state.points().filter(p -> p.origin() == Origin.CONTROL).map(StoredPoint::name).distinct().sorted().toList();
    }
}
