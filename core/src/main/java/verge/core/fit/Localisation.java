package verge.core.fit;

import java.util.Arrays;
import java.util.List;
import org.locationtech.jts.algorithm.ConvexHull;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;

/**
 * How positions of a projected system, or any other grid, come to lie on a site's own control: a similarity in plan, and in height a shift or an inclined plane over what they
 * bring along, which is an elevation if a geoid was taken off it. Beyond the hull of the control marks nothing says that it holds.
 */
public final class Localisation {
    private static final GeometryFactory FACTORY = new GeometryFactory();

    private final Fitted fitted;
    private final GridPoint origin;
    private final Geometry hull;

    private Localisation(Fitted fitted, GridPoint origin, Geometry hull) {
        this.fitted = fitted;
        this.origin = origin;
        this.hull = hull;
    }

    /**
     * @param pairs 'computed' is what was measured in the other system, 'found' the site's control
     * @throws verge.core.problem.SurveyException as {@link Fit#of}
     */
    public static Localisation of(List<Pair> pairs, FitSettings settings) {
        Fitted fitted = Fit.of(pairs, settings);
        GridPoint origin = fitted.similarity().to();
        Coordinate[] control = pairs.stream().filter(Pair::inPlan).map(p -> p.found().position().plan()).map(p -> new Coordinate(p.easting() - origin.easting(), p.northing() - origin.northing())).toArray(Coordinate[]::new);
        return new Localisation(fitted, origin, new ConvexHull(control, FACTORY).getConvexHull());
    }

    public Fitted fitted() {
        return fitted;
    }

    /** The corners of the hull of the control marks, anticlockwise or as a line. */
    public List<GridPoint> hull() {
        return Arrays.stream(hull.getCoordinates()).map(c -> origin.plus(c.y, c.x)).toList();
    }

    /** A position of the other system on the site. */
    public Position onSite(Position other) {
        return fitted.place(other);
    }

    /** A position of the site in the other system. */
    public Position back(Position site) {
        GridPoint plan = fitted.similarity().reversed().place(site.plan());
        return new Position(plan, site.elevation().map(h -> new Elevation(h.metres() - fitted.lift().at(site.plan()))));
    }

    /** How far a place of the site lies beyond the hull of the control marks, in metres; 0 within. */
    public double beyondMarks(GridPoint site) {
        return hull.distance(FACTORY.createPoint(new Coordinate(site.easting() - origin.easting(), site.northing() - origin.northing())));
    }
}
