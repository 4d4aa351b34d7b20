package verge.core.plan;

import java.util.Optional;
import verge.core.geodesy.GridPoint;

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

    /** How many chords keep within a distance of the arc, at least one for each eighth of a turn. */
    int chords(double sagitta, int most) {
        double step = sagitta >= radius ? Math.PI / 4 : Math.min(Math.PI / 4, 2 * Math.acos(1 - sagitta / radius));
        return (int) Math.max(1, Math.min(most, Math.ceil(Math.abs(sweep) / step)));
    }

    void add(Vertices.Builder drawn, double part, double height) {
        double angle = start + part * sweep;
        drawn.add(centreNorth + radius * Math.sin(angle), centreEast + radius * Math.cos(angle), height);
    }
}
