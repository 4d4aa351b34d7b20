package verge.core.geodesy;

import verge.core.units.Length;

/** Standard deviations of a position, along the grid's axes and upwards. */
public record Uncertainty(Length north, Length east, Length up) {
    /** Of what counts as exact. */
    public static final Uncertainty NONE = new Uncertainty(Length.ZERO, Length.ZERO, Length.ZERO);

    /** This one's part in a direction of the plan, together with an independent standard deviation. */
    public Length with(Length other, double towardsNorth, double towardsEast) {
        return new Length(Math.hypot(other.metres(), Math.hypot(north.metres() * towardsNorth, east.metres() * towardsEast)));
    }

    public Length withUp(Length other) {
        return new Length(Math.hypot(other.metres(), up.metres()));
    }

    /** The point error after Helmert, root of the sum of both variances in plan, for one figure on a page. */
    public Length plan() {
        return new Length(Math.hypot(north.metres(), east.metres()));
    }
}
