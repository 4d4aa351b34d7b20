package verge.core.cogo;

import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Position;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;
import verge.core.units.Length;

/** Directions from the needle and from the sun, and sums of what was read. */
final class Bearings {
    private static final double MILLIS_PER_SECOND = 1000;

    private Bearings() {
    }

    /** An old magnetic bearing in the grid: by a declination, or by one line whose bearing is known both ways. */
    static Worked magnetic(Givens given) {
        double bearing = given.amount("bearing", Slot.Kind.DIRECTION);
        OptionalDouble declination = given.maybe("declination", Slot.Kind.DIRECTION);
        OptionalDouble then = given.maybe("then", Slot.Kind.DIRECTION);
        OptionalDouble now = given.maybe("now", Slot.Kind.DIRECTION);
        if (then.isPresent() != now.isPresent() || declination.isPresent() == then.isPresent()) {
            throw new SurveyException(Problem.DECLINATION_HOW);
        }
        Angle turned = new Angle(declination.isPresent() ? declination.getAsDouble() : now.orElseThrow() - then.orElseThrow()).halfCircle();
        return Worked.builder().figure("declination", new Quantity.Turn(turned))
                .figure("direction", new Quantity.Direction(new Angle(bearing).plus(turned).wholeCircle())).build();
    }

    /** The direction to the sun from a point. */
    static Worked sun(Givens given) {
        Position at = given.point("at");
        double seconds = given.amount("time", Slot.Kind.TIME);
        SunPosition sun = SunPosition.of(Instant.ofEpochMilli(Math.round(seconds * MILLIS_PER_SECOND)), given.onEarth(at),
                at.elevation().map(Elevation::metres).orElse(0.0));
        Worked.Builder worked = Worked.builder().figure("trueAzimuth", new Quantity.Turn(sun.azimuth()))
                .figure("altitude", new Quantity.Turn(sun.altitude()));
        Optional<Angle> grid = given.convergence(at).map(convergence -> sun.azimuth().minus(convergence).wholeCircle());
        grid.ifPresent(azimuth -> worked.figure("gridAzimuth", new Quantity.Direction(azimuth)));
        return (sun.altitude().radians() < 0 ? worked.remark(Worked.Caution.SUN_BELOW) : worked).build();
    }

    /** Lengths and angles as they are typed, added up and told in the job's figures. */
    static Worked sums(Givens given) {
        OptionalDouble length = given.maybe("length", Slot.Kind.RISE);
        OptionalDouble angle = given.maybe("angle", Slot.Kind.DIRECTION);
        if (length.isEmpty() && angle.isEmpty()) {
            throw new SurveyException(Problem.COMPUTE_LACKS, "length");
        }
        Worked.Builder worked = Worked.builder();
        length.ifPresent(metres -> worked.figure("length", new Quantity.Plain(new Length(metres))));
        angle.ifPresent(radians -> worked.figure("angleSum", new Quantity.Turn(new Angle(radians))));
        return worked.build();
    }
}
