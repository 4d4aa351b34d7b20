package verge.core.cogo;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import verge.core.cogo.Worked.Caution;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridInverse;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.plan.Crossings;
import verge.core.plan.Extent;
import verge.core.plan.Path;
import verge.core.plan.Region;
import verge.core.plan.Vertices;
import verge.core.plan.Walk;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;
import verge.core.units.Length;

/** What lies between things: lengths, angles, offsets, areas. */
final class ReadOff {
    private static final int MOST_CROSSINGS = 50;
    private static final int MOST_OTHER_FEET = 20;
    private static final double SAME_FOOT_METRES = 1e-4;
    /** A distance square to a line that is no side. */
    private static final double ON_METRES = 5e-5;
    /** The arc that shows an angle, of the shorter of its rays. */
    private static final double ARC_OF_RAYS = 0.3;
    private static final double HOLE_SAGITTA_METRES = 1e-3;

    private ReadOff() {
    }

    /** From point to point: each leg, and all of them. */
    static Worked chain(Givens given) {
        List<Position> points = given.points("points");
        Worked.Builder worked = Worked.builder().line(line(points, false));
        double grid = 0;
        double ground = 0;
        double slope = 0;
        boolean heights = true;
        for (int i = 1; i < points.size(); i++) {
            Position from = points.get(i - 1);
            Position to = points.get(i);
            String leg = given.name("points", i - 1) + " \u2013 " + given.name("points", i);
            Quantity.Distance told = given.scales().told(from.plan(), to.plan(), level(from, to));
            worked.dimension(from.plan(), to.plan(), told);
            grid += told.grid().metres();
            ground += told.ground().metres();
            worked.figure("direction", leg, new Quantity.Direction(GridInverse.between(from.plan(), to.plan()).azimuth()))
                    .figure("horizontal", leg, told);
            Optional<Length> rise = rise(from, to);
            worked.figure("toNorth", leg, component(to.plan().northing() - from.plan().northing(), told))
                    .figure("toEast", leg, component(to.plan().easting() - from.plan().easting(), told));
            rise.ifPresent(up -> worked.figure("rise", leg, new Quantity.Difference(up))
                    .figure("grade", leg, new Quantity.Grade(up.metres() / told.ground().metres())));
            heights &= rise.isPresent();
            slope += rise.map(up -> Math.hypot(up.metres(), told.ground().metres())).orElse(0.0);
            if (points.size() > 2) {
                worked.figure("sofar", leg, new Quantity.Distance(new Length(grid), new Length(ground)));
            }
        }
        if (heights) {
            worked.figure("slope", new Quantity.Plain(new Length(slope)));
            rise(points.get(0), points.get(points.size() - 1)).ifPresent(up -> worked.figure("riseAll", new Quantity.Difference(up)));
        } else {
            worked.remark(Caution.NO_HEIGHT);
        }
        return worked.build();
    }

    /** What of a distance goes north or east. */
    private static Quantity component(double grid, Quantity.Distance of) {
        return new Quantity.Component(new Length(grid), new Length(grid * of.ground().metres() / of.grid().metres()));
    }

    /** At one point from another to a third: both senses, and to which side it bends. */
    static Worked angle(Givens given) {
        Position from = given.point("from");
        Position at = given.point("at");
        Position to = given.point("to");
        Angle back = GridInverse.between(at.plan(), from.plan()).azimuth();
        Angle on = GridInverse.between(at.plan(), to.plan()).azimuth();
        Angle right = on.minus(back).wholeCircle();
        Angle bend = new Angle(right.radians() - Math.PI);
        double reach = ARC_OF_RAYS * Math.min(at.plan().distanceMetres(from.plan()), at.plan().distanceMetres(to.plan()));
        Angle middle = new Angle(back.radians() + right.radians() / 2);
        Path arc = Path.of(Vertices.of(Intersections.flat(ahead(at.plan(), back, reach)), Intersections.flat(ahead(at.plan(), on, reach))),
                new double[] {-Math.tan(right.radians() / 4), 0}, false);
        return Worked.builder().dimension(ahead(at.plan(), middle, reach), new Quantity.Turn(right)).line(arc)
                .figure("angleRight", new Quantity.Turn(right)).figure("angleLeft", new Quantity.Turn(back.minus(on).wholeCircle()))
                .figure(bend.radians() < 0 ? "deflectionLeft" : "deflectionRight", new Quantity.Turn(new Angle(Math.abs(bend.radians()))))
                .line(line(List.of(from, at, to), false)).build();
    }

    private static GridPoint ahead(GridPoint from, Angle azimuth, double metres) {
        return from.plus(metres * azimuth.cos(), metres * azimuth.sin());
    }

    /** How points lie to a line. */
    static Worked beside(Givens given) {
        List<Walk> lines = given.walks("line");
        Worked.Builder worked = Worked.builder();
        lines.forEach(line -> worked.line(line.path()));
        List<Position> points = given.points("points");
        for (int i = 0; i < points.size(); i++) {
            Position point = points.get(i);
            String name = given.name("points", i);
            Nearest nearest = nearest(lines, point.plan());
            Walk.Beside beside = nearest.beside();
            GridPoint foot = beside.foot().position().plan();
            given.stationing("line").ifPresent(counted ->
                    worked.figure("stationCounted", name, new Quantity.Station(new Length(counted.station(beside.along())))));
            Quantity.Aside offset = aside(beside.right(), given.scales()
                    .groundPerGrid(foot, point.plan(), level(point, beside.foot().position())));
            worked.figure("station", name,
                    new Quantity.Distance(new Length(beside.along()),
                    new Length(ScaledWalk.of(nearest.walk(), given.scales()::groundPerGrid).told(beside.along()))))
                    .figure("offset", name, offset).point("foot", name, beside.foot().position()).dimension(foot, point.plan(), offset);
            rise(beside.foot().position(), point).ifPresent(up -> worked.figure("aboveLine", name, new Quantity.Difference(up)));
            others(nearest, point.plan()).forEach(other ->
                    worked.figure("stationAlso", name,
                    new Quantity.Distance(new Length(other.along()),
                    new Length(ScaledWalk.of(nearest.walk(), given.scales()::groundPerGrid).told(other.along()))))
                    .figure("offsetAlso", name, aside(other.right(), given.scales()
                    .groundPerGrid(other.foot().position().plan(), point.plan(), level(point, other.foot().position())))));
            worked.line(line(List.of(beside.foot().position(), point), false));
            if (!beside.onIt()) {
                worked.remark(Caution.BEYOND_THE_LINE, name);
            }
        }
        return worked.build();
    }

    /** Other places where the line lies square to the way there. */
    private static List<Walk.Beside> others(Nearest nearest, GridPoint place) {
        return nearest.walk().squares(place).stream().filter(b -> Math.abs(b.along() - nearest.beside().along()) > SAME_FOOT_METRES)
                .limit(MOST_OTHER_FEET).toList();
    }

    private static Quantity.Aside aside(double right, double factor) {
        return new Quantity.Aside(new Length(Math.abs(right) * factor),
                Math.abs(right) < ON_METRES ? Optional.empty() : Optional.of(right > 0));
    }

    /** The part that passes nearest. */
    record Nearest(Walk walk, Walk.Beside beside) {
    }

    static Nearest nearest(List<Walk> lines, GridPoint place) {
        return lines.stream().map(walk -> new Nearest(walk, walk.beside(place)))
                .min(Comparator.comparingDouble(n -> n.beside().foot().position().plan().distanceMetres(place))).orElseThrow();
    }

    /** Two lines: the angle between them and where they meet, or how far apart they run. */
    static Worked lines(Givens given) {
        Position a = given.point("a");
        Position b = given.point("b");
        Position c = given.point("c");
        Position d = given.point("d");
        Angle one = GridInverse.between(a.plan(), b.plan()).azimuth();
        Angle other = GridInverse.between(c.plan(), d.plan()).azimuth();
        Worked.Builder worked = Worked.builder().line(line(List.of(a, b), false)).line(line(List.of(c, d), false))
                .figure("angleRight", new Quantity.Turn(other.minus(one).wholeCircle()))
                .figure("angleLeft", new Quantity.Turn(one.minus(other).wholeCircle()));
        GridPoint from = b.plan().distanceMetres(c.plan()) < a.plan().distanceMetres(c.plan()) ? b.plan() : a.plan();
        worked.dimension(new Extent.Builder().add(from.northing(), from.easting()).add(c.plan().northing(), c.plan().easting()).build()
                .middle(), new Quantity.Turn(other.minus(one).wholeCircle()));
        for (Position end : List.of(c, d)) {
            double right = (end.plan().easting() - a.plan().easting()) * one.cos() - (end.plan().northing() - a.plan().northing())
                    * one.sin();
            worked.figure("offset", Worked.WAY + (end == c ? "c" : "d"),
                    aside(right, given.scales().groundPerGrid(end.plan(), end.plan(), end.elevation())));
        }
        return worked.build();
    }

    /** What a ring encloses; of one that crosses itself both readings of it. */
    static Worked area(Givens given) {
        Path ring = ring(given, "ring");
        Worked.Builder worked = Worked.builder().line(ring);
        Position about = about(ring);
        List<GridPoint> crossings = Crossings.of(List.of(ring), MOST_CROSSINGS);
        Region region = new Region(ring, holes(given, ring));
        region.holes().forEach(worked::line);
        double area = region.area();
        worked.figure(crossings.isEmpty() ? "area" : "areaWithSigns", given.scales().told(area, about))
                .figure("perimeter", given.scales().told(ring))
                .figure("corners", new Quantity.Count(ring.vertices().size()));
        if (!region.holes().isEmpty()) {
            worked.figure("areaOfHoles", given.scales().told(ring.area().orElseThrow() - area, about));
        }
        if (!crossings.isEmpty()) {
            worked.figure("areaOfLoops", given.scales().told(Loops.area(ring), about)).remark(Caution.CROSSES_ITSELF, crossings.size());
            crossings.forEach(place -> worked.point("crossing", new Position(place, Optional.empty())));
        } else {
            worked.dimension(Loops.inside(region), given.scales().told(area, about));
        }
        if (given.has("surface")) {
            if (!crossings.isEmpty()) {
                throw new SurveyException(Problem.RING_CROSSES, crossings.size());
            }
            double sloped = Sloped.area(region, given.points("surface"), given.scales().groundPerGridOfAreas(about));
            worked.figure("areaSloped", new Quantity.Area(sloped, sloped));
        }
        OptionalDouble depth = given.maybe("depth", Slot.Kind.LENGTH);
        depth.ifPresent(d -> worked.figure("content", new Quantity.Content(given.scales().told(area, about).ground() * Math.abs(d))));
        return worked.build();
    }

    /** A closed string, or points in a row that are closed. @throws SurveyException RING_OPEN */
    static Path ring(Givens given, String slot) {
        List<Path> paths = given.lines(slot, true);
        Path ring = paths.get(0);
        if (paths.size() > 1 || !ring.closed()) {
            throw new SurveyException(Problem.RING_OPEN);
        }
        if (ring.area().orElse(0) == 0) {
            throw new SurveyException(Problem.RING_FLAT);
        }
        return ring;
    }

    static Region region(Givens given, String slot) {
        Path ring = ring(given, slot);
        List<GridPoint> crossings = Crossings.of(List.of(ring), MOST_CROSSINGS);
        if (!crossings.isEmpty()) {
            throw new SurveyException(Problem.RING_CROSSES, crossings.size());
        }
        return new Region(ring, holes(given, ring));
    }

    /** Rings within another that nothing of is meant. @throws SurveyException HOLE_UNFIT */
    private static List<Path> holes(Givens given, Path ring) {
        List<Path> holes = given.rings("holes");
        for (int i = 0; i < holes.size(); i++) {
            Path hole = holes.get(i);
            boolean fits = hole.closed() && hole.area().orElse(0) > 0 && ring.chords(HOLE_SAGITTA_METRES)
                    .enclose(hole.vertices().north(0), hole.vertices().east(0))
                    && holes.subList(0, i).stream()
                    .noneMatch(other -> other.chords(HOLE_SAGITTA_METRES).enclose(hole.vertices().north(0), hole.vertices().east(0))
                    || hole.chords(HOLE_SAGITTA_METRES).enclose(other.vertices().north(0), other.vertices().east(0)));
            if (!fits) {
                throw new SurveyException(Problem.HOLE_UNFIT, i + 1);
            }
        }
        if (!holes.isEmpty() && !Crossings.of(holes, 1).isEmpty() || !Crossings.between(List.of(ring), holes, 1).isEmpty()) {
            throw new SurveyException(Problem.HOLES_CROSS);
        }
        return holes;
    }

    /** Where the scale of a figure's areas is taken: in its middle, at the height of its first corner. */
    static Position about(Path ring) {
        return new Position(ring.centroid(), ring.vertices().position(0).elevation());
    }

    static Path line(List<Position> points, boolean closed) {
        return Path.straight(Vertices.of(points.toArray(Position[]::new)), closed);
    }

    static Optional<Elevation> level(Position from, Position to) {
        return from.elevation().or(to::elevation);
    }

    static Optional<Length> rise(Position from, Position to) {
        return from.elevation().flatMap(low -> to.elevation().map(high -> high.minus(low)));
    }

}
