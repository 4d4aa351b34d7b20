package verge.core.cogo;

import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.LinearRing;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.util.GeometryFixer;
import verge.core.geodesy.GridPoint;
import verge.core.plan.Path;
import verge.core.plan.Region;
import verge.core.plan.Vertices;

/**
 * Rings as polygons of an independent library: what an outline that crosses itself encloses, each loop counted once, and where there is
 * room within one.
 */
final class Loops {
    /** Fine enough to see what lies within. */
    private static final double SEEN_METRES = 0.01;
    /** An arc of 1 m radius is then 10⁻⁶ of its segment short. */
    private static final double SAGITTA_METRES = 1e-6;
    private static final GeometryFactory FACTORY = new GeometryFactory();

    private Loops() {
    }

    static double area(Path ring) {
        return GeometryFixer.fix(polygon(ring)).getArea();
    }

    /** A place well within a region. */
    static GridPoint inside(Region region) {
        double north = region.rim().vertices().north(0);
        double east = region.rim().vertices().east(0);
        Coordinate within = polygon(region, SEEN_METRES).getInteriorPoint().getCoordinate();
        return new GridPoint(north + within.y, east + within.x);
    }

    /** With its arcs as chords, from the first vertex of its rim: x to the east, y to the north. */
    static Polygon polygon(Region region) {
        return polygon(region, SAGITTA_METRES);
    }

    private static Polygon polygon(Region region, double sagitta) {
        return FACTORY.createPolygon(ring(region.rim(), region.rim(), sagitta),
                region.holes().stream().map(hole -> ring(hole, region.rim(), sagitta)).toArray(LinearRing[]::new));
    }

    /** A path with its arcs as chords, from the first vertex of another. */
    static LineString line(Path path, Path from) {
        return FACTORY.createLineString(places(path, from, SAGITTA_METRES));
    }

    private static Polygon polygon(Path ring) {
        return FACTORY.createPolygon(ring(ring, ring, SAGITTA_METRES));
    }

    private static LinearRing ring(Path ring, Path from, double sagitta) {
        Coordinate[] corners = places(ring, from, sagitta);
        corners[corners.length - 1] = corners[0];
        return FACTORY.createLinearRing(corners);
    }

    private static Coordinate[] places(Path ring, Path from, double sagitta) {
        Vertices drawn = ring.chords(sagitta);
        double north = from.vertices().north(0);
        double east = from.vertices().east(0);
        Coordinate[] corners = new Coordinate[drawn.size()];
        for (int i = 0; i < corners.length; i++) {
            corners[i] = new Coordinate(drawn.east(i) - east, drawn.north(i) - north);
        }
        return corners;
    }
}
