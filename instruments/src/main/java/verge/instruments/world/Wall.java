package verge.instruments.world;

import verge.core.geodesy.GridPoint;

/** A vertical face of a building as it truly stands. */
public record Wall(String name, GridPoint from, GridPoint to, double bottomMetres, double topMetres) {
    /**
     * How many times a step in plan leads from a place onto the wall's line, between its ends; NaN if it does not. Below nought the wall is
     * behind.
     */
    public double steps(GridPoint at, double north, double east) {
        double wallNorth = to.northing() - from.northing();
        double wallEast = to.easting() - from.easting();
        double n = from.northing() - at.northing();
        double e = from.easting() - at.easting();
        double cross = north * wallEast - east * wallNorth;
        double along = (n * east - e * north) / cross;
        return along >= 0 && along <= 1 ? (n * wallEast - e * wallNorth) / cross : Double.NaN;
    }
}
