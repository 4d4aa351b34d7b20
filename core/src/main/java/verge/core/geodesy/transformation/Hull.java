package verge.core.geodesy.transformation;

import java.util.Arrays;
import java.util.List;
import org.locationtech.jts.algorithm.ConvexHull;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import verge.core.geodesy.GridPoint;

/**
 * What control marks span: a convex figure, a line between two, or one place. Within it a fit is held on all sides, beyond it nothing says
 * that it holds.
 */
public final class Hull {
    private static final GeometryFactory FACTORY = new GeometryFactory();

    private final GridPoint origin;
    private final Geometry figure;

    private Hull(GridPoint origin, Geometry figure) {
        this.origin = origin;
        this.figure = figure;
    }

    /** @param ties those that do not count in plan span nothing; one at least does */
    public static Hull of(List<Pair> ties) {
        List<GridPoint> marks = ties.stream().filter(Pair::inPlan).map(p -> p.found().position().plan()).toList();
        GridPoint origin = marks.get(0);
        return new Hull(origin, new ConvexHull(marks.stream().map(p -> from(origin, p)).toArray(Coordinate[]::new), FACTORY)
                .getConvexHull());
    }

    private static Coordinate from(GridPoint origin, GridPoint place) {
        return new Coordinate(place.easting() - origin.easting(), place.northing() - origin.northing());
    }

    /** Its corners, anticlockwise with the first again at the end, or the ends of a line. */
    public List<GridPoint> corners() {
        return Arrays.stream(figure.getCoordinates()).map(c -> origin.plus(c.y, c.x)).toList();
    }

    /** How far a place of the site lies outside, in metres; 0 within. */
    public double beyond(GridPoint site) {
        return figure.distance(FACTORY.createPoint(from(origin, site)));
    }
}
