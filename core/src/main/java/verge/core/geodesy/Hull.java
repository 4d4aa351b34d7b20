package verge.core.geodesy;

import java.util.Arrays;
import java.util.List;
import org.locationtech.jts.algorithm.ConvexHull;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;

/** What places span: a convex figure, a line between two, or one place. */
public final class Hull {
    private static final GeometryFactory FACTORY = new GeometryFactory();

    private final GridPoint origin;
    private final Geometry figure;

    private Hull(GridPoint origin, Geometry figure) {
        this.origin = origin;
        this.figure = figure;
    }

    /** @param places one at least */
    public static Hull of(List<GridPoint> places) {
        GridPoint origin = places.get(0);
        return new Hull(origin, new ConvexHull(places.stream().map(p -> from(origin, p)).toArray(Coordinate[]::new), FACTORY)
                .getConvexHull());
    }

    private static Coordinate from(GridPoint origin, GridPoint place) {
        return new Coordinate(place.easting() - origin.easting(), place.northing() - origin.northing());
    }

    /** Its corners, anticlockwise with the first again at the end, or the ends of a line. */
    public List<GridPoint> corners() {
        return Arrays.stream(figure.getCoordinates()).map(c -> origin.plus(c.y, c.x)).toList();
    }

    /** How far a place lies outside, in metres; 0 within. */
    public double beyond(GridPoint place) {
        return figure.distance(FACTORY.createPoint(from(origin, place)));
    }
}
