package verge.core.stakeout;

import java.util.Optional;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * The way from where the pole is to where it should be. All lengths are of the grid.
 *
 * @param distance still to go in plan
 * @param azimuth towards the design, clockwise from grid north in [0, 2π); absent when there
 * @param facing azimuth of forward; north where {@code faced} is false
 * @param faced whether the way one faces has a direction there
 * @param forward to go ahead; negative: back
 * @param right to go to the right; negative: left
 * @param cut ground above design: positive is cut, negative is fill; absent if either has no elevation
 * @param planWithin inside the tolerance in plan
 * @param heightWithin inside the tolerance in height, or no height is asked for
 */
public record Guidance(Length distance, Optional<Angle> azimuth, Angle facing, boolean faced, Length forward, Length right,
        Optional<Length> cut,
        boolean planWithin, boolean heightWithin) {

    public static Guidance towards(Position design, Position here, Facing facing, Tolerance tolerance) {
        GridPoint at = here.plan();
        double north = design.plan().northing() - at.northing();
        double east = design.plan().easting() - at.easting();
        Optional<Angle> faced = facing.azimuthAt(at);
        Angle ahead = faced.orElse(Angle.ZERO);
        Length distance = new Length(Math.hypot(north, east));
        Optional<Length> cut = here.elevation().flatMap(ground -> design.elevation().map(ground::minus));
        return new Guidance(distance, distance.metres() == 0 ? Optional.empty()
                : Optional.of(new Angle(Math.atan2(east, north)).wholeCircle()), ahead, faced.isPresent(),
                new Length(north * ahead.cos() + east * ahead.sin()),
                new Length(east * ahead.cos() - north * ahead.sin()),
                cut, distance.compareTo(tolerance.plan()) <= 0,
                cut.map(c -> c.abs().compareTo(tolerance.height()) <= 0).orElse(design.elevation().isEmpty()));
    }

    /** Every limit in force is kept. */
    public boolean done() {
        return planWithin && heightWithin;
    }
}
