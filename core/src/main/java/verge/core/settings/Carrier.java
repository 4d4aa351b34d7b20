package verge.core.settings;

import java.util.List;
import java.util.Optional;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.MapProjection;
import verge.core.geodesy.Position;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.DatumShift;
import verge.core.geodesy.system.SystemText;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * Takes points that were given in an earlier system of a job over into its present one, place for place, across those changes of system
 * that were made to do so. Elevations stay.
 */
public final class Carrier {
    private final List<Step> steps;

    Carrier(List<Step> steps) {
        this.steps = steps;
    }

    /** One change of system, written at a place in the journal. */
    record Step(long sequence, CoordinateSystem.OnEarth from, CoordinateSystem.OnEarth to) {
    }

    /** @throws SurveyException CANNOT_CARRY unless both are projected */
    static Step step(long sequence, CoordinateSystem from, CoordinateSystem to) {
        if (from instanceof CoordinateSystem.OnEarth a && to instanceof CoordinateSystem.OnEarth b) {
            return new Step(sequence, a, b);
        }
        throw new SurveyException(Problem.CANNOT_CARRY);
    }

    /** Whether places can be taken from one system to the other. @throws SurveyException CANNOT_CARRY if not */
    public static void requirePossible(CoordinateSystem from, CoordinateSystem to) {
        Step step = step(0, from, to);
        if (!sameDatum(step) && (step.from().toWgs84().isEmpty() || step.to().toWgs84().isEmpty())) {
            throw new SurveyException(Problem.CANNOT_CARRY);
        }
    }

    /** A position that was given when the journal had so many entries. */
    public Position carried(long sequence, Position given) {
        GridPoint plan = given.plan();
        for (Step step : steps) {
            if (step.sequence() > sequence) {
                plan = carried(step, plan);
            }
        }
        return new Position(plan, given.elevation());
    }

    private static GridPoint carried(Step step, GridPoint plan) {
        MapProjection from = SystemText.projection(step.from());
        MapProjection to = SystemText.projection(step.to());
        Geographic place = from.geographic(plan);
        if (sameDatum(step)) {
            return to.grid(place);
        }
        EarthPlace wgs84 = required(step.from().toWgs84()).toWgs84(new EarthPlace(place, new EllipsoidHeight(0)), from.ellipsoid());
        return to.grid(required(step.to().toWgs84()).fromWgs84(wgs84, to.ellipsoid()).position());
    }

    private static DatumShift required(Optional<DatumShift> shift) {
        return shift.orElseThrow(() -> new SurveyException(Problem.CANNOT_CARRY));
    }

    /** By the shift itself: two datums with one way to WGS 84 are one for this purpose. */
    private static boolean sameDatum(Step step) {
        return SystemText.projection(step.from()).ellipsoid().semiMajor() == SystemText.projection(step.to()).ellipsoid().semiMajor()
                && step.from().toWgs84().equals(step.to().toWgs84()) && step.from().toWgs84().isPresent();
    }
}
