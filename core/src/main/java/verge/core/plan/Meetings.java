package verge.core.plan;

import java.util.List;
import java.util.Optional;
import verge.core.geodesy.GridPoint;

/** Where lines and circles of the plan meet, both without ends. */
public final class Meetings {
    /** Circles whose centres are no further apart than so many times what they may miss each other by touch in no one place. */
    private static final double ONE_CENTRE = 100;

    private Meetings() {
    }

    /** A line without ends, or a whole circle. */
    public sealed interface Carrier {
    }

    /** The line through two places that do not coincide. */
    public record Straight(GridPoint from, GridPoint to) implements Carrier {
    }

    public record Circle(GridPoint centre, double radius) implements Carrier {
    }

    /** The places that both pass through: none, one or two; none if they are the same. */
    public static List<GridPoint> between(Carrier a, Carrier b) {
        if (a instanceof Straight one && b instanceof Straight other) {
            return lines(one, other);
        }
        if (a instanceof Straight line && b instanceof Circle circle) {
            return lineAndCircle(line, circle);
        }
        return b instanceof Straight line ? lineAndCircle(line, (Circle) a) : circles((Circle) a, (Circle) b);
    }

    /**
     * Where a circle that does not quite meet a line or another circle touches it: of a line its place nearest the circle, of two circles
     * midway between them.
     *
     * @param allowed how far they may miss each other, in metres
     * @return empty if they miss each other by more, or meet, or have one centre as good as
     */
    public static Optional<GridPoint> touching(Carrier a, Carrier b, double allowed) {
        double gap = gap(a, b);
        if (!(gap > 0 && gap <= allowed)) {
            return Optional.empty();
        }
        if (a instanceof Circle one && b instanceof Circle other) {
            return touching(one.radius() < other.radius() ? other : one, one.radius() < other.radius() ? one : other, gap, allowed);
        }
        Straight line = (Straight) (a instanceof Straight ? a : b);
        GridPoint centre = ((Circle) (a instanceof Circle ? a : b)).centre();
        double length = line.from().distanceMetres(line.to());
        double north = (line.to().northing() - line.from().northing()) / length;
        double east = (line.to().easting() - line.from().easting()) / length;
        double foot = (centre.northing() - line.from().northing()) * north + (centre.easting() - line.from().easting()) * east;
        return Optional.of(line.from().plus(foot * north, foot * east));
    }

    private static Optional<GridPoint> touching(Circle larger, Circle smaller, double gap, double allowed) {
        double apart = larger.centre().distanceMetres(smaller.centre());
        double out = apart > larger.radius() ? larger.radius() + gap / 2 : larger.radius() - gap / 2;
        return apart <= ONE_CENTRE * allowed ? Optional.empty()
                : Optional.of(larger.centre().plus(out * (smaller.centre().northing() - larger.centre().northing()) / apart,
                out * (smaller.centre().easting() - larger.centre().easting()) / apart));
    }

    /** How far a line or circle that does not meet a circle misses it, in metres; 0 where they meet. */
    public static double gap(Carrier a, Carrier b) {
        if (a instanceof Circle one && b instanceof Circle other) {
            double apart = one.centre().distanceMetres(other.centre());
            return Math.max(0, Math.max(apart - one.radius() - other.radius(), Math.abs(one.radius() - other.radius()) - apart));
        }
        if (a instanceof Straight line && b instanceof Circle circle) {
            double length = line.from().distanceMetres(line.to());
            double off = ((circle.centre().easting() - line.from().easting()) * (line.to().northing() - line.from().northing())
                    - (circle.centre().northing() - line.from().northing()) * (line.to().easting() - line.from().easting())) / length;
            return Math.max(0, Math.abs(off) - circle.radius());
        }
        return b instanceof Straight && a instanceof Circle ? gap(b, a) : 0;
    }

    private static List<GridPoint> lines(Straight a, Straight b) {
        double north = a.to().northing() - a.from().northing();
        double east = a.to().easting() - a.from().easting();
        double otherNorth = b.to().northing() - b.from().northing();
        double otherEast = b.to().easting() - b.from().easting();
        double cross = north * otherEast - east * otherNorth;
        if (cross == 0) {
            return List.of();
        }
        double part = ((b.from().northing() - a.from().northing()) * otherEast - (b.from().easting() - a.from().easting()) * otherNorth)
                / cross;
        return List.of(a.from().plus(part * north, part * east));
    }

    private static List<GridPoint> lineAndCircle(Straight line, Circle circle) {
        double length = line.from().distanceMetres(line.to());
        double north = (line.to().northing() - line.from().northing()) / length;
        double east = (line.to().easting() - line.from().easting()) / length;
        double toCentreNorth = circle.centre().northing() - line.from().northing();
        double toCentreEast = circle.centre().easting() - line.from().easting();
        double foot = toCentreNorth * north + toCentreEast * east;
        double off = toCentreNorth * east - toCentreEast * north;
        return either(line.from().plus(foot * north, foot * east), north, east, circle.radius(), off);
    }

    private static List<GridPoint> circles(Circle a, Circle b) {
        double apart = a.centre().distanceMetres(b.centre());
        if (apart == 0) {
            return List.of();
        }
        double north = (b.centre().northing() - a.centre().northing()) / apart;
        double east = (b.centre().easting() - a.centre().easting()) / apart;
        double along = (apart * apart + (a.radius() - b.radius()) * (a.radius() + b.radius())) / (2 * apart);
        return either(a.centre().plus(along * north, along * east), east, -north, a.radius(), along);
    }

    /** The places on either side of a foot along a heading, on the circle of a radius whose centre is so far off. */
    private static List<GridPoint> either(GridPoint foot, double north, double east, double radius, double off) {
        double rest = (radius - off) * (radius + off);
        if (rest < 0) {
            return List.of();
        }
        double half = Math.sqrt(rest);
        return half == 0 ? List.of(foot) : List.of(foot.plus(half * north, half * east), foot.plus(-half * north, -half * east));
    }
}
