package verge.core.measure;

import java.util.Optional;
import java.util.UUID;
import verge.core.geodesy.Position;
import verge.core.setup.Occupation;
import verge.core.units.Length;

/**
 * Where a point lies beside the prism, where the prism cannot stand on it: on the ground and level, told as one sees it from the
 * instrument, or along a string.
 *
 * @param right square to the sight, or to the string in its direction; negative to the left
 * @param farther along the sight, or on along the string; negative nearer, or back
 * @param up negative down
 * @param line the string; absent for as one sees it from the instrument
 */
public record Aside(Length right, Length farther, Length up, Optional<UUID> line) {
    public static final Aside NONE = new Aside(Length.ZERO, Length.ZERO, Length.ZERO);

    /** As one sees it from the instrument. */
    public Aside(Length right, Length farther, Length up) {
        this(right, farther, up, Optional.empty());
    }

    public boolean isNone() {
        return right.equals(Length.ZERO) && farther.equals(Length.ZERO) && up.equals(Length.ZERO);
    }

    /** The point, from where the foot of the pole was seen. A point without a height has none beside it either. */
    public Position from(Occupation here, Position foot) {
        return from(here, foot, foot.plan().northing() - here.station().plan().northing(),
                foot.plan().easting() - here.station().plan().easting());
    }

    /**
     * The same with another direction as 'farther'.
     *
     * @param north of that direction, with east of any length; none of it gives the foot itself
     */
    public Position from(Occupation here, Position foot, double north, double east) {
        double away = Math.hypot(north, east);
        double grid = here.plane().gridPerGround(foot.plan(), foot.plan(), foot.elevation()) * here.scale();
        double along = away == 0 ? 0 : grid * farther.metres() / away;
        double across = away == 0 ? 0 : grid * right.metres() / away;
        return new Position(foot.plan().plus(along * north - across * east, along * east + across * north),
                foot.elevation().map(e -> e.plus(up)));
    }
}
