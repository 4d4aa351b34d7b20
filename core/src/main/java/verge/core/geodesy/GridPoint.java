package verge.core.geodesy;

/** A place in a job's plane grid, in metres, northing first. */
public record GridPoint(double northing, double easting) {
    public GridPoint {
        if (!Double.isFinite(northing) || !Double.isFinite(easting)) {
            throw new IllegalArgumentException("grid point: " + northing + ", " + easting);
        }
    }

    public GridPoint plus(double north, double east) {
        return new GridPoint(northing + north, easting + east);
    }

    /** Plane distance in metres of the grid. */
    public double distanceMetres(GridPoint other) {
        return Math.hypot(other.northing - northing, other.easting - easting);
    }
}
