package verge.core.alignment;

import verge.core.plan.Placement;

/**
 * A piece of an alignment in plan whose curvature changes evenly along it: a line (curvature 0), an arc (constant), a clothoid.
 *
 * @param north of its beginning, in metres
 * @param azimuth at its beginning, clockwise from grid north, in radians
 * @param length along it, in metres, above 0
 * @param curvatureIn one over the radius at its beginning, positive where it turns right, per metre
 * @param curvatureOut the same at its end
 */
public record PlanElement(double north, double east, double azimuth, double length, double curvatureIn, double curvatureOut) {
    /** Nodes and weights of Gauss and Legendre on −1 … 1, positive half; from the roots of the Legendre polynomial of degree 8. */
    private static final double[] NODES = {0.1834346424956498, 0.5255324099163290, 0.7966664774136267, 0.9602898564975363};
    private static final double[] WEIGHTS = {0.3626837833783620, 0.3137066458778873, 0.2223810344533745, 0.1012285362903763};
    /** A turn of a quarter radian a panel leaves less than 1e-15 of its length. */
    private static final double TURN_PER_PANEL = 0.25;
    private static final int MOST_PANELS = 4000;
    private static final int MOST_CHORDS = 4096;

    public PlanElement {
        if (!(length > 0) || !Double.isFinite(length) || !Double.isFinite(north + east + azimuth + curvatureIn + curvatureOut)) {
            throw new IllegalArgumentException("element of length " + length);
        }
    }

    /** What kind of curve it is. */
    public enum Shape { LINE, ARC, CLOTHOID }

    public Shape shape() {
        return curvatureIn != curvatureOut ? Shape.CLOTHOID : curvatureIn == 0 ? Shape.LINE : Shape.ARC;
    }

    /** @param azimuth of the tangent, clockwise from grid north, in radians, not brought into one turn */
    public record Place(double north, double east, double azimuth) {
    }

    /**
     * The place at a distance along the element, by Gauss and Legendre's quadrature of the direction: exact to 1e-12 of the length for
     * any clothoid, also past a full turn.
     */
    public Place at(double along) {
        if (shape() == Shape.LINE) {
            return new Place(north + along * Math.cos(azimuth), east + along * Math.sin(azimuth), azimuth);
        }
        double turn = Math.max(Math.abs(curvatureIn), Math.abs(curvatureOut)) * along;
        int panels = (int) Math.max(1, Math.min(MOST_PANELS, Math.ceil(turn / TURN_PER_PANEL)));
        double half = along / panels / 2;
        double n = 0;
        double e = 0;
        for (int p = 0; p < panels; p++) {
            double middle = (2 * p + 1) * half;
            for (int i = 0; i < NODES.length; i++) {
                double before = direction(middle - NODES[i] * half);
                double after = direction(middle + NODES[i] * half);
                n += WEIGHTS[i] * (Math.cos(before) + Math.cos(after));
                e += WEIGHTS[i] * (Math.sin(before) + Math.sin(after));
            }
        }
        return new Place(north + n * half, east + e * half, direction(along));
    }

    /** One over the radius so far along, positive where it turns right. */
    double curvature(double along) {
        return curvatureIn + (curvatureOut - curvatureIn) * along / length;
    }

    private double direction(double along) {
        return azimuth + along * (curvatureIn + (curvatureOut - curvatureIn) * along / (2 * length));
    }

    /** How many chords keep within a distance of it. */
    int pieces(double sagitta) {
        double curvature = Math.max(Math.abs(curvatureIn), Math.abs(curvatureOut));
        // A chord s leaves an arc of curvature c by c s² / 8.
        return curvature == 0 ? 1 : (int) Math.max(1, Math.min(MOST_CHORDS, Math.ceil(length / Math.sqrt(8 * sagitta / curvature))));
    }

    PlanElement placed(Placement placement, double perUnit) {
        double[] places = {north, east, Double.NaN, north + length * Math.cos(azimuth), east + length * Math.sin(azimuth), Double.NaN};
        placement.place(places, 0);
        placement.place(places, 3);
        double sense = placement.mirrors() ? -1 : 1;
        return new PlanElement(places[0], places[1], Math.atan2(places[4] - places[1], places[3] - places[0]), length * perUnit,
                sense * curvatureIn / perUnit, sense * curvatureOut / perUnit);
    }
}
