package verge.core.geodesy;

/**
 * What is added to heights: so much, and more with the way from a place, where they are tilted. What has no height has none afterwards.
 *
 * @param shift in metres at the place
 * @param perNorth rise for each metre to the north, in the frame of what was found
 * @param perEast likewise to the east
 */
public record Lift(GridPoint about, double shift, double perNorth, double perEast) {
    /** Heights as they are. */
    public static final Lift NONE = new Lift(new GridPoint(0, 0), 0, 0, 0);

    public double at(GridPoint place) {
        return shift + perNorth * (place.northing() - about.northing()) + perEast * (place.easting() - about.easting());
    }

    /** A place that is moved in plan already. */
    public Position lifted(GridPoint plan, Position was) {
        return new Position(plan, was.elevation().map(h -> new Elevation(h.metres() + at(plan))));
    }
}
