package verge.core.gaps;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.locationtech.jts.algorithm.hull.ConcaveHull;
import org.locationtech.jts.algorithm.locate.IndexedPointInAreaLocator;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Location;
import org.locationtech.jts.geom.Polygonal;
import org.locationtech.jts.geom.Triangle;
import org.locationtech.jts.geom.util.GeometryFixer;
import org.locationtech.jts.index.strtree.ItemDistance;
import org.locationtech.jts.index.strtree.STRtree;
import org.locationtech.jts.triangulate.DelaunayTriangulationBuilder;
import verge.core.geodesy.GridPoint;

/**
 * How closely ground is covered by shots, and where it is not: the largest empty circles among them.
 *
 * <p>The middles of such circles are the circumcentres of the Delaunay triangles of the shots, or lie on the edge of the area (M. I. Shamos
 * and D. Hoey, Closest-point problems, 1975). What is usual is taken from the triangles themselves: three quarters of them have a circle no
 * larger. On an even grid a single node left out is just told.
 *
 * <p>Coordinates are reckoned from the first shot: the triangulation's own tolerances are meant for small figures.
 */
final class Cover {
    private static final int FEWEST = 8;
    private static final double TIMES_USUAL = 1.4;
    private static final double USUAL_PART = 0.75;
    /** Edges of the outline of the shots are no longer than so many usual circles: what lies beyond was never meant to be measured. */
    private static final double OUTLINE_EDGE = 6;
    private static final int MOST_TOLD = 40;

    private static final ItemDistance APART = (a, b) -> ((Coordinate) a.getItem()).distance((Coordinate) b.getItem());

    private final GridPoint origin;
    private final STRtree shots = new STRtree();
    private final List<Empty> circles;
    private final double usual;
    private final Coordinate[] all;

    /** An empty circle. @param amongShots whether its middle lies among the shots, and not only in the area of interest */
    record Circle(GridPoint middle, double radius, boolean amongShots) {
    }

    /** An empty circle in figures from the first shot. */
    private record Empty(Coordinate middle, double radius) {
    }

    private Cover(List<GridPoint> ground) {
        origin = ground.get(0);
        all = ground.stream().map(this::local).distinct().toArray(Coordinate[]::new);
        Arrays.stream(all).forEach(c -> shots.insert(new Envelope(c), c));
        GeometryFactory factory = new GeometryFactory();
        DelaunayTriangulationBuilder builder = new DelaunayTriangulationBuilder();
        builder.setSites(Arrays.asList(all));
        Geometry triangles = builder.getTriangles(factory);
        circles = IntStream.range(0, triangles.getNumGeometries()).mapToObj(i -> triangles.getGeometryN(i).getCoordinates())
                .map(c -> round(c[0], c[1], c[2])).filter(c -> c.middle.isValid()).toList();
        double[] radii = circles.stream().mapToDouble(Empty::radius).sorted().toArray();
        usual = radii.length == 0 ? 0 : radii[(int) (USUAL_PART * (radii.length - 1))];
    }

    /** What the shots lie in, without what lies beyond their outermost. */
    private Geometry amongShots() {
        return all.length < FEWEST ? new GeometryFactory().createPolygon()
                : ConcaveHull.concaveHullByLength(new GeometryFactory().createMultiPointFromCoords(all), OUTLINE_EDGE * usual);
    }

    /** Empty if there are too few shots to say what is usual. */
    static Optional<Cover> of(List<GridPoint> ground) {
        return ground.stream().distinct().count() < FEWEST ? Optional.empty() : Optional.of(new Cover(ground)).filter(c -> c.usual > 0);
    }

    /** The radius of a usual circle. */
    double usual() {
        return usual;
    }

    private Coordinate local(GridPoint place) {
        return local(origin, place);
    }

    private static Coordinate local(GridPoint origin, GridPoint place) {
        return new Coordinate(place.easting() - origin.easting(), place.northing() - origin.northing());
    }

    private GridPoint place(Coordinate local) {
        return origin.plus(local.y, local.x);
    }

    /** Round a triangle; no shot lies within it, since the triangulation is Delaunay's. */
    private static Empty round(Coordinate a, Coordinate b, Coordinate c) {
        Coordinate middle = Triangle.circumcentreDD(a, b, c);
        return new Empty(middle, middle.distance(a));
    }

    /** As far as the nearest shot. */
    private Empty about(Coordinate at) {
        return new Empty(at, ((Coordinate) shots.nearestNeighbour(new Envelope(at), at, APART)).distance(at));
    }

    /**
     * The holes, the largest first; what lies within a larger one is not told again.
     *
     * @param area of interest; empty for all among the shots
     * @param apart figures within which no ground is to be measured: buildings, water
     * @param usual radius of a circle as they usually are
     */
    List<Circle> holes(List<GridPoint> area, List<List<GridPoint>> apart, double usual) {
        Geometry amongShots = amongShots();
        Geometry wanted = area.isEmpty() ? amongShots : polygon(origin, area);
        if (!(wanted instanceof Polygonal) || wanted.isEmpty()) {
            return List.of();
        }
        IndexedPointInAreaLocator within = new IndexedPointInAreaLocator(wanted);
        IndexedPointInAreaLocator among = amongShots instanceof Polygonal
                && !amongShots.isEmpty() ? new IndexedPointInAreaLocator(amongShots) : null;
        List<IndexedPointInAreaLocator> without = apart.stream().map(ring -> polygon(origin, ring)).filter(p -> !p.isEmpty())
                .map(IndexedPointInAreaLocator::new).toList();
        Stream<Empty> edge = area.isEmpty() ? Stream.empty() : alongEdge(wanted, usual).map(this::about);
        double least = usual * TIMES_USUAL;
        List<Circle> found = new ArrayList<>();
        Stream.concat(circles.stream(), edge)
                .filter(c -> c.radius >= least && within.locate(c.middle) != Location.EXTERIOR && without.stream()
                .allMatch(w -> w.locate(c.middle) == Location.EXTERIOR))
                .map(c -> new Circle(place(c.middle), c.radius, among != null && among.locate(c.middle) != Location.EXTERIOR))
                .sorted(Comparator.comparingDouble(Circle::radius).reversed()).forEach(c -> {
                    if (found.size() < MOST_TOLD && found.stream().allMatch(f -> f.middle.distanceMetres(c.middle) > f.radius)) {
                        found.add(c);
                    }
                });
        return found;
    }

    /** What a ring goes round, in square metres of the grid. */
    static double area(List<GridPoint> ring) {
        return polygon(ring.get(0), ring).getArea();
    }

    /** A figure that crosses itself is taken as all that it goes round. */
    private static Geometry polygon(GridPoint origin, List<GridPoint> ring) {
        GeometryFactory factory = new GeometryFactory();
        List<Coordinate> corners = new ArrayList<>(ring.stream().map(corner -> local(origin, corner)).toList());
        corners.add(corners.get(0).copy());
        return corners.size() < 4 ? factory.createPolygon() : GeometryFixer.fix(factory.createPolygon(corners.toArray(Coordinate[]::new)));
    }

    /** Places on the edge of the area and a usual circle's width apart. */
    private Stream<Coordinate> alongEdge(Geometry wanted, double usual) {
        Coordinate[] corners = wanted.getBoundary().getCoordinates();
        return IntStream.range(1, corners.length).boxed().flatMap(i -> {
            int pieces = (int) Math.min(1000, Math.ceil(corners[i].distance(corners[i - 1]) / usual));
            return IntStream.range(0, Math.max(1, pieces))
                    .mapToObj(p -> new Coordinate(corners[i - 1].x + (corners[i].x - corners[i - 1].x) * p / pieces,
                    corners[i - 1].y + (corners[i].y - corners[i - 1].y) * p / pieces));
        });
    }
}
