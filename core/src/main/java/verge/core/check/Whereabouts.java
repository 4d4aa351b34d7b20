package verge.core.check;

import java.util.Optional;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.MapProjection;
import verge.core.plan.Extent;
import verge.core.problem.SurveyException;
import verge.core.settings.JobGeodesy;

/** Where things lie on the earth, and against the area that a job's system is meant for. */
final class Whereabouts {
    private Whereabouts() {
    }

    /** Empty where the projection has no place for it. */
    static Optional<Geographic> of(MapProjection projection, GridPoint at) {
        try {
            return Optional.of(projection.geographic(at));
        } catch (SurveyException nowhere) {
            return Optional.empty();
        }
    }

    /** Whether its middle is in the area of use; a job without a projection has no such area, and everything is in it. */
    static boolean isWithin(JobGeodesy job, Extent box) {
        return !box.isEmpty() && job.projection().map(p -> of(p, box.middle()).map(p.area()::contains).orElse(false)).orElse(true);
    }

    /** Metres in the plane from the middle of a box to the nearest place of the area. */
    static double outside(MapProjection projection, Extent box) {
        Geographic nearest = of(projection, box.middle()).map(projection.area()::nearest).orElse(projection.area().centre());
        return projection.grid(nearest).distanceMetres(box.middle());
    }
}
