package verge.core.plan;

import java.util.Optional;
import java.util.OptionalDouble;
import verge.core.geodesy.GridPoint;
import verge.core.units.Angle;

/**
 * A piece of a circle in plan.
 *
 * @param start mathematical angle of its begin as seen from the centre: from east towards north, in radians
 * @param sweep what it turns through, positive to the left, in radians
 */
public record Arc(double centreNorth, double centreEast, double radius, double start, double sweep) {

    /** The arc between two points with a bulge; empty if it is straight or has no length. */
    public static Optional<Arc> ofBulge(GridPoint from, GridPoint to, double bulge) {
        double chord = from.distanceMetres(to);
        if (bulge == 0 || chord == 0) {
            return Optional.empty();
        }
        // The centre lies left of the chord's middle by r cos(θ/2), which is c (1 − b²) / 4b.
        double left = chord * (1 - bulge * bulge) / (4 * bulge);
        double alongNorth = (to.northing() - from.northing()) / chord;
        double alongEast = (to.easting() - from.easting()) / chord;
        double north = (from.northing() + to.northing()) / 2 + left * alongEast;
        double east = (from.easting() + to.easting()) / 2 - left * alongNorth;
        return Optional.of(new Arc(north, east, chord * (1 + bulge * bulge) / (4 * Math.abs(bulge)),
                Math.atan2(from.northing() - north, from.easting() - east), 4 * Math.atan(bulge)));
    }

    /**
     * The bulge of the arc from one point to another through a third; empty if two of them coincide, or if the third lies on the straight
     * line through the others and beyond its ends, where no arc passes.
     *
     * <p>An arc is seen from a point on it under half of what it does not turn through (Euclid III.20 and 22), so that no centre is needed
     * and
     * a flat arc loses no digits. Three points on one line give a bulge of nought.
     */
    public static OptionalDouble bulgeThrough(GridPoint from, GridPoint via, GridPoint to) {
        double backNorth = from.northing() - via.northing();
        double backEast = from.easting() - via.easting();
        double onNorth = to.northing() - via.northing();
        double onEast = to.easting() - via.easting();
        double cross = backEast * onNorth - onEast * backNorth;
        double dot = backNorth * onNorth + backEast * onEast;
        double turn = Math.atan2(cross, dot);
        boolean coincide = from.equals(via) || via.equals(to) || from.equals(to);
        return coincide || cross == 0 && dot > 0 ? OptionalDouble.empty()
                : OptionalDouble.of(-Math.signum(turn) / Math.tan(Math.abs(turn) / 2));
    }

    /** Distance of a place from the circle that the arc lies on, positive outside of it. */
    public double off(GridPoint place) {
        return Math.hypot(place.northing() - centreNorth, place.easting() - centreEast) - radius;
    }

    /**
     * How far along the arc, from 0 at its begin to 1 at its end, the place of it lies that looks towards another; beyond 1 past its end.
     */
    public double part(GridPoint place) {
        double angle = Math.atan2(place.northing() - centreNorth, place.easting() - centreEast) - start;
        double turned = sweep < 0 ? -angle : angle;
        return (turned - 2 * Math.PI * Math.floor(turned / (2 * Math.PI))) / Math.abs(sweep);
    }

    /** The place so far along the arc, from 0 to 1. */
    public GridPoint at(double part) {
        double angle = start + part * sweep;
        return new GridPoint(centreNorth + radius * Math.sin(angle), centreEast + radius * Math.cos(angle));
    }

    /** The azimuth in which it goes so far along, from 0 to 1. */
    public Angle azimuth(double part) {
        double angle = start + part * sweep;
        return new Angle(Math.atan2(-Math.sin(angle) * sweep, Math.cos(angle) * sweep)).wholeCircle();
    }

    /** The bulge of a piece of the arc. */
    public double bulge(double fromPart, double toPart) {
        return Math.tan(sweep * (toPart - fromPart) / 4);
    }

    /** How many chords keep within a distance of the arc, at least one for each eighth of a turn. */
    int chords(double sagitta, int most) {
        double step = sagitta >= radius ? Math.PI / 4 : Math.min(Math.PI / 4, 2 * Math.acos(1 - sagitta / radius));
        return (int) Math.max(1, Math.min(most, Math.ceil(Math.abs(sweep) / step)));
    }

    void add(Vertices.Builder drawn, double part, double height) {
        GridPoint place = at(part);
        drawn.add(place.northing(), place.easting(), height);
    }
}
