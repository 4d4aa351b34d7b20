package verge.app.points;

import java.util.List;
import java.util.stream.Stream;
import verge.core.coding.PointName;
import verge.core.journal.JobState;
import verge.core.journal.Origin;
import verge.core.journal.StoredPoint;

/** The names offered where a point is asked for, in the order people count. Any other name can still be typed or touched. */
public final class PointNames {
    private static final int MOST_OFFERED = 1000;

    private PointNames() {
    }

    /** Known points and designs before measured ones, and no more than a browser's list can hold. */
    public static List<PointName> offered(JobState state) {
        return Stream.of(Origin.CONTROL, Origin.DESIGN, Origin.MEASURED).flatMap(origin -> all(state, origin)).distinct().limit(MOST_OFFERED).toList();
    }

    /** What is there to be staked: designs, then control. */
    public static List<PointName> stakeable(JobState state) {
        return Stream.of(Origin.DESIGN, Origin.CONTROL).flatMap(origin -> all(state, origin)).distinct().toList();
    }

    /** The job's own, then those it only sees. */
    private static Stream<PointName> all(JobState state, Origin origin) {
        return Stream.concat(of(state, origin), state.seen().names(origin));
    }

    private static Stream<PointName> of(JobState state, Origin origin) {
        return state.points().filter(p -> p.origin() == origin).map(StoredPoint::name).distinct().sorted();
    }
}
