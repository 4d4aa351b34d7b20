package verge.core.measure;

import verge.core.geodesy.Position;
import verge.core.setup.Occupation;
import verge.core.units.Length;

/**
 * Where a point lies beside the prism, where the prism cannot stand on it: told as one sees it from the instrument, on the ground and level.
 *
 * @param right square to the sight; negative to the left
 * @param farther along the sight; negative nearer
 * @param up negative down
 */
public record Aside(Length right, Length farther, Length up) {
    public static final Aside NONE = new Aside(Length.ZERO, Length.ZERO, Length.ZERO);

    /** The point, from where the foot of the pole was seen. A point without a height has none beside it either. */
    public Position from(Occupation here, Position foot) {
        double north = foot.plan().northing() - here.station().plan().northing();
        double east = foot.plan().easting() - here.station().plan().easting();
        double away = Math.hypot(north, east);
        double grid = here.plane().gridPerGround(foot.plan(), foot.plan(), foot.elevation()) * here.scale();
        double along = away == 0 ? 0 : grid * farther.metres() / away;
        double across = away == 0 ? 0 : grid * right.metres() / away;
        return new Position(foot.plan().plus(along * north - across * east, along * east + across * north), foot.elevation().map(e -> e.plus(up)));
    }
}
