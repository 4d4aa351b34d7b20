package verge.core.setup;

import verge.core.units.Length;

/** Standard deviations of a position, along the grid's axes and upwards. */
public record Uncertainty(Length north, Length east, Length up) {
    /** The point error after Helmert, root of the sum of both variances in plan, for one figure on a page. */
    public Length plan() {
        return new Length(Math.hypot(north.metres(), east.metres()));
    }
}
