package verge.core.plan;

import java.util.List;
import java.util.OptionalDouble;
import verge.core.geodesy.GridPoint;

/** The arc between two fixed ends that comes nearest to places between them. */
public final class ArcFit {
    private static final int MOST_STEPS = 60;
    private static final double SMALLEST_STEP = 1e-15;
    /** A flat arc may turn over to the other side. */
    private static final double FLAT = 0.05;

    private ArcFit() {
    }

    /**
     * The bulge for which the squares of the distances from the circle are least in sum; empty if no arc passes near any of the places:
     * they coincide with an end, or lie beyond it.
     *
     * <p>One unknown, by Gauss and Newton from the middle one of the arcs through each place alone. Distances are those to the circle, not
     * to the chord, so that an arc of more than half a turn is fitted as well. Places that scatter by more than the arc rises have no arc.
     */
    public static OptionalDouble bulge(GridPoint from, List<GridPoint> between, GridPoint to) {
        double[] single = between.stream().map(place -> Arc.bulgeThrough(from, place, to)).filter(OptionalDouble::isPresent)
                .mapToDouble(OptionalDouble::getAsDouble).sorted().toArray();
        if (single.length == 0) {
            return OptionalDouble.empty();
        }
        double bulge = single[single.length / 2];
        for (int step = 0; step < MOST_STEPS && bulge != 0; step++) {
            double change = change(from, between, to, bulge);
            if (!Double.isFinite(change)) {
                return OptionalDouble.empty();
            }
            double most = Math.max(Math.abs(bulge) / 2, FLAT);
            bulge += Math.max(-most, Math.min(most, change));
            if (Math.abs(change) <= SMALLEST_STEP * Math.max(1, Math.abs(bulge))) {
                break;
            }
        }
        return OptionalDouble.of(bulge);
    }

    /** What the normal equation adds to the bulge. */
    private static double change(GridPoint from, List<GridPoint> between, GridPoint to, double bulge) {
        Arc arc = Arc.ofBulge(from, to, bulge).orElseThrow();
        double chord = from.distanceMetres(to);
        double leftNorth = (to.easting() - from.easting()) / chord;
        double leftEast = -(to.northing() - from.northing()) / chord;
        // Centre and radius of Arc.ofBulge, derived after the bulge.
        double centreMoves = -chord / 4 * (1 / (bulge * bulge) + 1);
        double radiusGrows = Math.signum(bulge) * chord / 4 * (1 - 1 / (bulge * bulge));
        double squares = 0;
        double products = 0;
        for (GridPoint place : between) {
            double north = place.northing() - arc.centreNorth();
            double east = place.easting() - arc.centreEast();
            double away = Math.hypot(north, east);
            double slope = -centreMoves * (north * leftNorth + east * leftEast) / away - radiusGrows;
            squares += slope * slope;
            products += slope * (away - arc.radius());
        }
        return -products / squares;
    }
}
