package verge.core.division;

import java.util.Arrays;
import verge.core.geodesy.GridPoint;
import verge.core.plan.Region;
import verge.core.units.Angle;

/**
 * A region as a line of one direction finds it that is moved across: how much lies to its left at each of its places.
 *
 * <p>By Gauss's theorem the area to the left of the line is the integral of min(s, t) dn round the region, s being the distance to the
 * right of the origin, t that of the line, and n what lies ahead. So a figure may be concave or have holes, and no pieces need to be put
 * together: each side and each arc contributes what it is, cut where the line crosses it.
 */
final class Sweep {
    private final Frame frame;
    private final Pieces[] rings;

    private Sweep(Frame frame, Pieces[] rings) {
        this.frame = frame;
        this.rings = rings;
    }

    /** @param direction of the line, in the grid */
    static Sweep of(Region region, GridPoint origin, Angle direction) {
        Frame frame = Frame.looking(origin, direction);
        return new Sweep(frame, region.rings().map(ring -> Pieces.of(ring, frame)).toArray(Pieces[]::new));
    }

    /** As somebody finds it who turns to the right by an angle in radians. */
    Sweep turned(double angle) {
        return new Sweep(frame, Arrays.stream(rings).map(ring -> ring.turned(angle)).toArray(Pieces[]::new));
    }

    /** Where its own places are; of one that was turned, those from before. */
    Frame frame() {
        return frame;
    }

    /** The farthest that any of it lies to the left, negative. */
    double least() {
        return rings[0].least();
    }

    double most() {
        return rings[0].most();
    }

    /** What lies to the left of the line at a distance to the right of the origin, in square metres. */
    double left(double at) {
        double area = rings[0].left(at);
        for (int hole = 1; hole < rings.length; hole++) {
            area -= rings[hole].left(at);
        }
        return area;
    }
}
