package verge.core.shelf;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Hull;
import verge.core.job.JobState;
import verge.core.points.JobPoints;
import verge.core.points.Origin;
import verge.core.problem.SurveyException;

/**
 * Where on earth a job's work lies: round what was measured, computed and staked; before there is any, round what was given.
 *
 * @param corners on WGS 84, anticlockwise with the first again at the end; two for a line, one for a place
 * @param worked false if nothing but given points is there
 */
public record WorkArea(List<Geographic> corners, boolean worked) {
    public WorkArea {
        corners = List.copyOf(corners);
    }

    /** Empty without points, and where no way leads from the job's coordinates onto the earth. */
    public static Optional<WorkArea> of(JobState state) {
        JobPoints points = state.points();
        List<GridPoint> worked = places(points, Origin.MEASURED, Origin.COMPUTED, Origin.STAKED);
        List<GridPoint> all = worked.isEmpty() ? places(points, Origin.CONTROL, Origin.DESIGN) : worked;
        return state.geodesy().onEarth().map(earth -> corners(all, earth)).filter(corners -> !corners.isEmpty())
                .map(corners -> new WorkArea(corners, !worked.isEmpty()));
    }

    private static List<Geographic> corners(List<GridPoint> places, Function<GridPoint, Geographic> earth) {
        return places.isEmpty() ? List.of()
                : Hull.of(places).corners().stream().flatMap(corner -> onEarth(corner, earth).stream()).toList();
    }

    /** Empty beyond the projection: one stray point takes no job off the map. */
    private static Optional<Geographic> onEarth(GridPoint corner, Function<GridPoint, Geographic> earth) {
        try {
            return Optional.of(earth.apply(corner));
        } catch (SurveyException beyond) {
            return Optional.empty();
        }
    }

    private static List<GridPoint> places(JobPoints points, Origin... origins) {
        return Stream.of(origins).flatMap(points::all).map(p -> p.position().plan()).toList();
    }
}
