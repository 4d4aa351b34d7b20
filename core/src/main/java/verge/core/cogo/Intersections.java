package verge.core.cogo;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.ToDoubleFunction;
import java.util.stream.Stream;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.operation.distance.DistanceOp;
import verge.core.cogo.Worked.Caution;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridInverse;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.plan.Crossings;
import verge.core.plan.Meetings;
import verge.core.plan.Meetings.Carrier;
import verge.core.plan.Meetings.Circle;
import verge.core.plan.Meetings.Straight;
import verge.core.plan.Path;
import verge.core.plan.Walk;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;
import verge.core.units.Length;

/** Points where directions, distances, lines and circles meet. In plan: what meets in plan need not in height, and the point has none. */
final class Intersections {
    /** Under this angle a centimetre of the one is more than half a metre of the point. */
    private static final double FLAT_RADIANS = Math.toRadians(1);
    /** Lines that bend from each other by less do not meet within what a grid holds. */
    private static final double PARALLEL = 1e-9;
    /** Long enough that a nanometre of its end turns no direction. */
    private static final double RAY_METRES = 1e4;
    /** Each makes what is left a thousandth. */
    private static final int ROUNDS = 3;
    private static final int MOST_MEETINGS = 200;
    private static final double FAR_OFF_TIMES = 10;
    private static final double FAR_OFF_METRES = 50;
    private static final List<String> FROM_BOTH = List.of("horizontalA", "horizontalB");

    private Intersections() {
    }

    static Worked directions(Givens given) {
        Position a = given.point("a");
        Position b = given.point("b");
        double fromA = given.amount("directionA", Slot.Kind.DIRECTION);
        double fromB = given.amount("directionB", Slot.Kind.DIRECTION);
        return lines(given, ray(a, fromA), ray(b, fromB), List.of(a, b), true);
    }

    static Worked fourPoints(Givens given) {
        Position a = given.point("a");
        Position b = given.point("b");
        Position c = given.point("c");
        Position d = given.point("d");
        return lines(given, through(a, b), through(c, d), List.of(a, c), false);
    }

    private static Worked lines(Givens given, Straight one, Straight other, List<Position> from, boolean rays) {
        double flat = between(one, other);
        GridPoint meet = meeting(one, other);
        Worked.Builder worked = Worked.builder().point("meeting", flat(meet)).figure("angleBetween", new Quantity.Turn(new Angle(flat)));
        List<Straight> both = List.of(one, other);
        for (int i = 0; i < 2; i++) {
            Position begin = from.get(i);
            worked.figure(List.of("horizontalA", rays ? "horizontalB" : "horizontalC").get(i),
                    given.scales().told(begin.plan(), meet, begin.elevation())).line(ReadOff.line(List.of(begin, flat(meet)), false));
            if (rays && ahead(both.get(i), meet) < 0) {
                worked.remark(Caution.BEHIND, List.of("a", "b").get(i));
            }
        }
        if (flat < FLAT_RADIANS) {
            worked.remark(Caution.FLAT_INTERSECTION, flat);
        }
        return worked.build();
    }

    /** The smaller of the angles between two lines, in radians. */
    private static double between(Straight one, Straight other) {
        double angle = Math.abs(azimuth(other).minus(azimuth(one)).halfCircle().radians());
        return Math.min(angle, Math.PI - angle);
    }

    /** @throws SurveyException LINES_PARALLEL */
    static GridPoint meeting(Straight one, Straight other) {
        if (between(one, other) < PARALLEL) {
            throw new SurveyException(Problem.LINES_PARALLEL, new Length(Math.abs(right(one, other.from()))));
        }
        return Meetings.between(one, other).get(0);
    }

    /** Where lines of any kind meet; where they do not reach each other, where they would if they went on as they end. */
    static Worked linesMeet(Givens given) {
        List<Path> one = given.lines("lineA", false);
        List<Path> other = given.lines("lineB", false);
        List<Walk> walksA = given.walks("lineA");
        List<Walk> walksB = given.walks("lineB");
        List<GridPoint> reached = Crossings.between(one, other, MOST_MEETINGS);
        List<GridPoint> places = reached.isEmpty() ? notFarOff(Crossings.beyondEnds(one, other), one, other) : reached;
        if (places.isEmpty()) {
            return touch(given, one, other);
        }
        Worked.Builder worked = Worked.builder();
        one.forEach(worked::line);
        other.forEach(worked::line);
        for (int i = 0; i < places.size(); i++) {
            String of = places.size() == 1 ? "" : String.valueOf(i + 1);
            worked.point("meeting", of, flat(places.get(i)));
            station(given, worked, "A", of, walksA, places.get(i));
            station(given, worked, "B", of, walksB, places.get(i));
        }
        if (reached.isEmpty()) {
            worked.remark(Caution.LENGTHENED);
        }
        return (places.size() > 1 ? worked.eitherOr() : worked).build();
    }

    /**
     * Without those that lie far beyond where lines of such a size are meant to meet: ends that run nearly side by side meet kilometres
     * off.
     */
    private static List<GridPoint> notFarOff(List<GridPoint> places, List<Path> one, List<Path> other) {
        ToDoubleFunction<GridPoint> beyond = place -> Stream.of(one, other)
                .mapToDouble(lines -> lines.stream().mapToDouble(line -> line.offMetres(place)).min().orElse(0)).max().orElse(0);
        double nearest = places.stream().mapToDouble(beyond).min().orElse(0);
        return places.stream().filter(place -> beyond.applyAsDouble(place) <= FAR_OFF_TIMES * nearest + FAR_OFF_METRES).toList();
    }

    /** How far along a line a place on it lies, and the line's height there. */
    private static void station(Givens given, Worked.Builder worked, String which, String of, List<Walk> lines, GridPoint place) {
        ReadOff.Nearest nearest = ReadOff.nearest(lines, place);
        double along = nearest.beside().along();
        given.stationing("line" + which)
                .ifPresent(counted -> worked.figure("stationCounted", of, new Quantity.Station(new Length(counted.station(along)))));
        worked.figure("station" + which, of,
                new Quantity.Distance(new Length(along),
                new Length(ScaledWalk.of(nearest.walk(), given.scales()::groundPerGrid).told(along))));
        nearest.beside().foot().position().elevation()
                .ifPresent(height -> worked.figure("station" + which + "Height", of, new Quantity.Height(height.asLength())));
    }

    /** Lines that come as near as a length's last digit meet there. @throws SurveyException DO_NOT_MEET */
    private static Worked touch(Givens given, List<Path> some, List<Path> others) {
        Path origin = some.get(0);
        DistanceOp nearest = some.stream()
                .flatMap(one -> others.stream().map(other -> new DistanceOp(Loops.line(one, origin), Loops.line(other, origin))))
                .min(Comparator.comparingDouble(DistanceOp::distance)).orElseThrow();
        if (nearest.distance() > given.touching()) {
            throw new SurveyException(Problem.DO_NOT_MEET, new Length(nearest.distance()));
        }
        Coordinate at = nearest.nearestPoints()[0];
        GridPoint place = origin.vertices().plan(0).plus(at.y, at.x);
        Worked.Builder worked = Worked.builder().point("meeting", "", flat(place)).remark(Caution.TOUCHES);
        Stream.concat(some.stream(), others.stream()).forEach(worked::line);
        station(given, worked, "A", "", given.walks("lineA"), place);
        station(given, worked, "B", "", given.walks("lineB"), place);
        return worked.build();
    }

    static Worked directionAndDistance(Givens given) {
        Position a = given.point("a");
        Position b = given.point("b");
        Straight ray = ray(a, given.amount("directionA", Slot.Kind.DIRECTION));
        return meetings(given, place -> ray, circle(given, b, "distanceB"), List.of(a, b), FROM_BOTH, Optional.of(ray));
    }

    static Worked distances(Givens given) {
        Position a = given.point("a");
        Position b = given.point("b");
        return meetings(given, circle(given, a, "distanceA"), circle(given, b, "distanceB"), List.of(a, b), FROM_BOTH,
                Optional.of(through(a, b)));
    }

    static Worked lineAndCircle(Givens given) {
        Position a = given.point("a");
        Position b = given.point("b");
        Position centre = given.point("centre");
        Straight line = through(a, b);
        return meetings(given, place -> line, circle(given, centre, "radius"), List.of(a, centre),
                List.of("horizontalA", "horizontalCentre"), Optional.of(line));
    }

    /** What a line or a circle is in the grid, where it meets a place: a ground distance has another scale in every direction. */
    private interface Drawn {
        Carrier to(GridPoint place);
    }

    /** The place with the scale that each line to it has. */
    private static GridPoint refined(Drawn one, Drawn other, GridPoint rough) {
        GridPoint place = rough;
        for (int round = 0; round < ROUNDS; round++) {
            GridPoint before = place;
            place = Meetings.between(one.to(before), other.to(before)).stream()
                    .min(Comparator.comparingDouble(p -> p.distanceMetres(before))).orElse(before);
        }
        return place;
    }

    private static Worked meetings(Givens given, Drawn drawn, Drawn drawnOther, List<Position> from, List<String> labels,
            Optional<Straight> sides) {
        Carrier one = drawn.to(from.get(0).plan());
        Carrier other = drawnOther.to(from.get(1).plan());
        List<GridPoint> met = Meetings.between(one, other).stream().map(rough -> refined(drawn, drawnOther, rough)).toList();
        List<GridPoint> places = met.isEmpty() ? Meetings.touching(one, other, given.touching()).stream().toList() : met;
        if (places.isEmpty()) {
            throw new SurveyException(Problem.DO_NOT_MEET, new Length(Meetings.gap(one, other)));
        }
        Worked.Builder worked = Worked.builder().eitherOr();
        if (met.isEmpty()) {
            worked.remark(Caution.TOUCHES);
        }
        for (GridPoint place : places) {
            double side = sides.map(line -> right(line, place)).orElse(0.0);
            String which = places.size() == 1 ? "meeting" : one instanceof Straight
                    ? ahead((Straight) one, place) < ahead((Straight) one, places.get(places.indexOf(place) == 0 ? 1 : 0)) ? "nearer"
                    : "farther" : side < 0 ? "left" : "right";
            worked.point(which, flat(place));
            from.forEach(begin -> worked.line(ReadOff.line(List.of(begin, flat(place)), false)));
            for (int i = 0; i < 2; i++) {
                worked.figure(labels.get(i), places.size() > 1 ? Worked.WAY + which : "",
                        given.scales().told(from.get(i).plan(), place, from.get(i).elevation()));
            }
        }
        return worked.build();
    }

    /** Square to a line from a point. */
    static Worked foot(Givens given) {
        Position point = given.point("point");
        var beside = ReadOff.nearest(given.walks("line"), point.plan()).beside();
        GridPoint foot = beside.foot().position().plan();
        Quantity.Distance told = given.scales().told(point.plan(), foot, point.elevation());
        return Worked.builder().point("foot", beside.foot().position()).figure("horizontal", told).dimension(point.plan(), foot, told)
                .made("made", "", ReadOff.line(List.of(point, beside.foot().position()), false)).build();
    }

    private static Drawn circle(Givens given, Position centre, String slot) {
        double radius = given.amount(slot, Slot.Kind.LENGTH);
        if (radius <= 0) {
            throw new SurveyException(Problem.LENGTH_NOUGHT, slot);
        }
        return place -> new Circle(centre.plan(), radius * given.scales().gridPerGiven(centre, place));
    }

    static Straight ray(Position from, double azimuth) {
        return new Straight(from.plan(), from.plan().plus(RAY_METRES * Math.cos(azimuth), RAY_METRES * Math.sin(azimuth)));
    }

    static Straight through(Position from, Position to) {
        GridInverse.between(from.plan(), to.plan());   // refuses one place
        return new Straight(from.plan(), to.plan());
    }

    static Angle azimuth(Straight line) {
        return GridInverse.between(line.from(), line.to()).azimuth();
    }

    static double right(Straight line, GridPoint place) {
        Angle azimuth = azimuth(line);
        return (place.easting() - line.from().easting()) * azimuth.cos() - (place.northing() - line.from().northing()) * azimuth.sin();
    }

    private static double ahead(Straight line, GridPoint place) {
        Angle azimuth = azimuth(line);
        return (place.northing() - line.from().northing()) * azimuth.cos() + (place.easting() - line.from().easting()) * azimuth.sin();
    }

    static Position flat(GridPoint place) {
        return new Position(place, Optional.<Elevation>empty());
    }
}
