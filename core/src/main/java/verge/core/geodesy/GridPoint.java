package verge.core.geodesy;

import verge.core.units.Length;

/** A place in a job's plane grid, in metres, northing first. */
public record GridPoint(double northing, double easting) {
    /** No plane grid on earth has coordinates beyond 20 000 km; 100 000 km leaves room for shifted ones in feet. */
    public static final double FARTHEST_METRES = 1e8;

    public GridPoint {
        if (!Double.isFinite(northing) || !Double.isFinite(easting)) {
            throw new IllegalArgumentException("grid point: " + northing + ", " + easting);
        }
    }

    /** The northing as a length from the grid's origin, to be shown in any unit. */
    public Length north() {
        return new Length(northing);
    }

    /** The easting, likewise. */
    public Length east() {
        return new Length(easting);
    }

    public GridPoint plus(double north, double east) {
        return new GridPoint(northing + north, easting + east);
    }

    /** Plane distance in metres of the grid. */
    public double distanceMetres(GridPoint other) {
        return Math.hypot(other.northing - northing, other.easting - easting);
    }
}
