package verge.app.points;

import java.util.List;
import java.util.stream.Stream;
import verge.core.coding.PointName;
import verge.core.floor.Storey;
import verge.core.job.JobState;
import verge.core.measure.Measured;
import verge.core.job.Journal;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;

/**
 * The names offered where a point is asked for, in the order people count: those of the floor that is worked on. Any other name can still
 * be typed.
 */
public final class PointNames {
    private static final PointName FIRST = new PointName("101");
    private static final int MOST_OFFERED = 1000;

    private PointNames() {
    }

    /** Known points and designs before measured ones, and no more than a browser's list can hold. */
    public static List<PointName> offered(JobState state) {
        return Stream.of(Origin.CONTROL, Origin.DESIGN, Origin.COMPUTED, Origin.MEASURED).flatMap(origin -> all(state, origin)).distinct()
                .limit(MOST_OFFERED).toList();
    }

    /** What is there to be staked: designs, what was computed, then control. */
    public static List<PointName> stakeable(JobState state) {
        return Stream.of(Origin.DESIGN, Origin.COMPUTED, Origin.CONTROL).flatMap(origin -> all(state, origin)).distinct().toList();
    }

    /** The next free name after the last measured one. */
    public static PointName next(Journal journal) {
        PointName name = journal.lastWritten(Measured.class).map(shot -> shot.name().successor()).orElse(FIRST);
        while (journal.state().points().find(name).isPresent()) {
            name = name.successor();
        }
        return name;
    }

    /** Those with an elevation, on whichever floor. */
    public static List<PointName> withHeight(JobState state) {
        return Stream.of(Origin.CONTROL, Origin.DESIGN).flatMap(origin -> Stream.concat(of(state, origin), seen(state, origin)))
                .filter(p -> p.position().elevation().isPresent()).map(StoredPoint::name).distinct().limit(MOST_OFFERED).toList();
    }

    /** How many names of one origin lie on a floor by their height. */
    public static long countOn(JobState state, Storey storey, Origin origin) {
        return Stream.concat(of(state, origin), seen(state, origin))
                .filter(p -> p.position().elevation().isPresent() && storey.holds(p.position().elevation()))
                .map(StoredPoint::name).distinct().count();
    }

    /** The job's own, then those it only sees; of the floor that is worked on. */
    private static Stream<PointName> all(JobState state, Origin origin) {
        Stream<PointName> seen = state.floor().here().isEmpty() ? state.points().seen().names(origin) : seen(state, origin)
                .filter(state::isHere)
                .map(StoredPoint::name);
        return Stream.concat(own(state, origin), seen);
    }

    private static Stream<PointName> own(JobState state, Origin origin) {
        Stream<PointName> names = state.points().names(origin).keySet().stream();
        return state.floor().here().isEmpty() ? names
                : names.filter(name -> state.points().named(name).stream().anyMatch(p -> p.origin() == origin && state.isHere(p)));
    }

    private static Stream<StoredPoint> of(JobState state, Origin origin) {
        return state.points().names(origin).keySet().stream()
                .flatMap(name -> state.points().named(name).stream().filter(p -> p.origin() == origin));
    }

    private static Stream<StoredPoint> seen(JobState state, Origin origin) {
        return origin == Origin.MEASURED || origin == Origin.COMPUTED ? Stream.empty() : state.points().seen().names(origin)
                .flatMap(name -> (origin == Origin.CONTROL ? state.points().seen().known(name) : state.points().seen().design(name))
                .stream());
    }
}
