package verge.core.cogo;

import java.util.List;
import java.util.stream.Stream;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import org.locationtech.jts.geom.prep.PreparedGeometry;
import org.locationtech.jts.geom.prep.PreparedGeometryFactory;
import org.locationtech.jts.index.kdtree.KdTree;
import org.locationtech.jts.triangulate.DelaunayTriangulationBuilder;
import verge.core.geodesy.Position;
import verge.core.plan.Region;
import verge.core.plan.Vertices;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Length;

/** Area along sloping ground: of Delaunay's triangles of points with heights, as far as they lie within a region. */
final class Sloped {
    private static final double ALL = 1 - 1e-6;
    private static final double ONE_PLACE_METRES = 1e-4;
    private static final double ONE_HEIGHT_METRES = 5e-4;

    private Sloped() {
    }

    /**
     * In square metres in space.
     *
     * @param points of the ground; corners of the region that have heights are points of it too
     * @param groundPerGrid of areas
     * @throws SurveyException TWO_HEIGHTS where points in one place have different heights, SURFACE_SHORT where the triangles do not cover
     *     the region
     */
    static double area(Region region, List<Position> points, double groundPerGrid) {
        double north = region.rim().vertices().north(0);
        double east = region.rim().vertices().east(0);
        List<Coordinate> ground = Stream.concat(points.stream(), region.rings().flatMap(ring -> corners(ring.vertices())))
                .filter(p -> p.elevation().isPresent())
                .map(p -> new Coordinate(p.plan().easting() - east, p.plan().northing() - north, p.elevation().get().metres())).toList();
        refuseTwoHeights(ground);
        Polygon polygon = Loops.polygon(region);
        PreparedGeometry within = PreparedGeometryFactory.prepare(polygon);
        DelaunayTriangulationBuilder builder = new DelaunayTriangulationBuilder();
        builder.setSites(ground);
        Geometry triangles = builder.getTriangles(new GeometryFactory());
        double covered = 0;
        double sloped = 0;
        for (int i = 0; i < triangles.getNumGeometries(); i++) {
            Geometry triangle = triangles.getGeometryN(i);
            double plan = within.covers(triangle) ? triangle.getArea() : within.intersects(triangle) ? polygon.intersection(triangle)
                    .getArea() : 0;
            covered += plan;
            sloped += plan * steepened(triangle.getCoordinates(), groundPerGrid);
        }
        if (!(covered >= ALL * polygon.getArea())) {
            throw new SurveyException(Problem.SURFACE_SHORT, new Quantity.Area(covered, covered * groundPerGrid),
                    new Quantity.Area(polygon.getArea(), polygon.getArea() * groundPerGrid));
        }
        return sloped;
    }

    /** A surface has one height in a place: which of two were taken would hang on the order in which they were picked. */
    private static void refuseTwoHeights(List<Coordinate> ground) {
        KdTree places = new KdTree(ONE_PLACE_METRES);
        for (Coordinate point : ground) {
            double there = ((Coordinate) places.insert(point, point).getData()).getZ();
            if (Math.abs(there - point.getZ()) > ONE_HEIGHT_METRES) {
                throw new SurveyException(Problem.TWO_HEIGHTS, new Length(Math.min(there, point.getZ())),
                        new Length(Math.max(there, point.getZ())));
            }
        }
    }

    private static Stream<Position> corners(Vertices vertices) {
        return Stream.iterate(0, i -> i < vertices.size(), i -> i + 1).map(vertices::position);
    }

    /** Area in space over area in the grid. */
    private static double steepened(Coordinate[] t, double groundPerGrid) {
        double e1 = t[1].x - t[0].x;
        double n1 = t[1].y - t[0].y;
        double h1 = t[1].getZ() - t[0].getZ();
        double e2 = t[2].x - t[0].x;
        double n2 = t[2].y - t[0].y;
        double h2 = t[2].getZ() - t[0].getZ();
        double flat = e1 * n2 - e2 * n1;
        double toEast = (h1 * n2 - h2 * n1) / flat;
        double toNorth = (e1 * h2 - e2 * h1) / flat;
        return groundPerGrid * Math.sqrt(1 + (toEast * toEast + toNorth * toNorth) / groundPerGrid);
    }
}
