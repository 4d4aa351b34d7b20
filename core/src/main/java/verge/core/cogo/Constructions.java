package verge.core.cogo;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridInverse;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.plan.Parallel;
import verge.core.plan.Path;
import verge.core.plan.Vertices;
import verge.core.plan.Walk;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;
import verge.core.units.Length;

/** Points and lines laid out from others. */
final class Constructions {
    private static final int MOST_POINTS = 5_000;
    private static final int MOST_SUSPECTS = 3;
    private static final double HEAVIEST = 1e12;

    private Constructions() {
    }

    /** By direction and distance; the height by a difference or along a grade. */
    static Worked polar(Givens given) {
        Position from = given.point("from");
        double distance = given.amount("distance", Slot.Kind.LENGTH);
        Angle azimuth = new Angle(given.amount("direction", Slot.Kind.DIRECTION)).wholeCircle();
        GridPoint plan = given.scales().ahead(from, azimuth, distance);
        Quantity.Distance told = given.scales().told(from.plan(), plan, from.elevation());
        OptionalDouble rise = given.maybe("rise", Slot.Kind.RISE);
        OptionalDouble grade = given.maybe("grade", Slot.Kind.GRADE);
        double up = rise.orElseGet(() -> Math.copySign(told.ground().metres(), distance) * grade.orElse(Double.NaN));
        Position to = new Position(plan, Double.isNaN(up) ? Optional.empty() : from.elevation().map(h -> new Elevation(h.metres() + up)));
        return made(Worked.builder().figure("direction", new Quantity.Direction(azimuth)).figure("horizontal", told), from, to, told)
                .build();
    }

    /** So far north, so far east, so far up. */
    static Worked rectangular(Givens given) {
        Position from = given.point("from");
        double north = given.amount("north", Slot.Kind.RISE);
        double east = given.amount("east", Slot.Kind.RISE);
        GridPoint plan = given.scales().ahead(from, new Angle(Math.atan2(east, north)), Math.hypot(north, east));
        OptionalDouble rise = given.maybe("rise", Slot.Kind.RISE);
        Position to = new Position(plan, rise.isPresent() ? from.elevation()
                .map(h -> new Elevation(h.metres() + rise.getAsDouble())) : Optional.empty());
        Worked.Builder worked = Worked.builder();
        if (!plan.equals(from.plan())) {
            worked.figure("direction", new Quantity.Direction(GridInverse.between(from.plan(), plan).azimuth()))
                    .figure("horizontal", given.scales().told(from.plan(), plan, from.elevation()));
        }
        return made(worked, from, to, given.scales().told(from.plan(), plan, from.elevation())).build();
    }

    private static Worked.Builder made(Worked.Builder worked, Position from, Position to, Quantity.Distance told) {
        return worked.point("point", to).made("made", "", ReadOff.line(List.of(from, to), false)).dimension(from.plan(), to.plan(), told);
    }

    /** Along a line from its begin, and square to it. */
    static Worked offset(Givens given) {
        Walk line = given.walks("line").get(0);
        ScaledWalk walk = given.scales().given(line);
        Walk.Place foot = walk.at(given.amount("along", Slot.Kind.RISE));
        Position to = walk.beside(foot, 0, given.amount("right", Slot.Kind.RISE)).position();
        return Worked.builder().point("point", to).point("foot", foot.position()).line(ReadOff.line(List.of(foot.position(), to), false))
                .line(line.path()).build();
    }

    /** Points along a line every so far, or so many at even distances; heights run with the line's. */
    static Worked along(Givens given) {
        Walk line = given.walks("line").get(0);
        ScaledWalk walk = given.scales().given(line);
        OptionalDouble interval = given.maybe("interval", Slot.Kind.LENGTH);
        OptionalDouble count = given.maybe("count", Slot.Kind.COUNT);
        double right = given.maybe("right", Slot.Kind.RISE).orElse(0);
        if (interval.isPresent() == count.isPresent() || interval.orElse(1) <= 0 || count.orElse(1) < 1
                || count.orElse(1) != Math.rint(count.orElse(1))) {
            throw new SurveyException(Problem.INTERVAL_OR_COUNT);
        }
        double step = count.isPresent() ? walk.length() / count.getAsDouble() : interval.getAsDouble();
        long last = (long) Math.floor(walk.length() / step + 1e-9);
        if (last > MOST_POINTS) {
            throw new SurveyException(Problem.POINTS_TOO_MANY, last, MOST_POINTS);
        }
        Worked.Builder worked = Worked.builder().line(line.path());
        for (long i = 0; i <= last; i++) {
            Walk.Place place = walk.at(Math.min(walk.length(), i * step));
            worked.point("station", String.valueOf(i), right == 0 ? place.position() : walk.beside(place, 0, right).position());
        }
        return worked.figure("length", new Quantity.Plain(new Length(walk.length())))
                .figure("interval", new Quantity.Plain(new Length(step)))
                .figure("rest", new Quantity.Plain(new Length(Math.max(0, walk.length() - last * step)))).build();
    }

    /** A line beside another. */
    static Worked parallel(Givens given) {
        Path path = given.lines("line", false).get(0);
        double scale = given.scales().gridPerGiven(path.vertices().position(0));
        double right = given.amount("right", Slot.Kind.RISE) * scale;
        if (path.length() == 0) {
            throw new SurveyException(Problem.COINCIDENT_POINTS);
        }
        Path beside = Parallel.of(path, -right, given.maybe("rise", Slot.Kind.RISE).orElse(0))
                .orElseThrow(() -> new SurveyException(Problem.NO_PARALLEL, new Length(Parallel.room(path, -right) / scale)));
        Worked.Builder worked = Worked.builder().line(path).made("parallel", "", beside);
        for (int i = 0; i < beside.vertices().size(); i++) {
            worked.point("corner", String.valueOf(i + 1), beside.vertices().position(i));
        }
        return worked.build();
    }

    /** An arc that rounds a corner. */
    static Worked fillet(Givens given) {
        return fillet(given, given.point("before"), given.point("corner"), given.point("after"));
    }

    /** An arc that leads from one line to another, whose corner need not be a point. */
    static Worked filletOfLines(Givens given) {
        Position a = given.point("a");
        Position b = given.point("b");
        Position c = given.point("c");
        Position d = given.point("d");
        Position corner = Intersections.flat(Intersections.meeting(Intersections.through(a, b), Intersections.through(c, d)));
        return fillet(given, farther(corner, a, b), corner, farther(corner, d, c));
    }

    private static Position farther(Position from, Position one, Position other) {
        return from.plan().distanceMetres(one.plan()) < from.plan().distanceMetres(other.plan()) ? other : one;
    }

    private static Worked fillet(Givens given, Position before, Position corner, Position after) {
        double scale = given.scales().gridPerGiven(corner);
        double radius = given.amount("radius", Slot.Kind.LENGTH) * scale;
        Angle back = GridInverse.between(corner.plan(), before.plan()).azimuth();
        Angle on = GridInverse.between(corner.plan(), after.plan()).azimuth();
        double between = on.minus(back).halfCircle().radians();
        double half = Math.abs(between) / 2;
        double tangent = radius / Math.tan(half);
        double room = Math.min(corner.plan().distanceMetres(before.plan()), corner.plan().distanceMetres(after.plan()));
        if (radius <= 0) {
            throw new SurveyException(Problem.LENGTH_NOUGHT, "radius");
        }
        if (half < 1e-6 || Math.PI / 2 - half < 1e-9) {
            throw new SurveyException(Problem.LINES_PARALLEL, new Length(0));
        }
        if (tangent > room) {
            throw new SurveyException(Problem.FILLET_TOO_LARGE, new Length(room * Math.tan(half) / scale));
        }
        Position begin = new Position(ahead(corner, back, tangent), between(corner, before, tangent));
        Position end = new Position(ahead(corner, on, tangent), between(corner, after, tangent));
        GridPoint centre = ahead(corner, new Angle(back.radians() + between / 2), radius / Math.sin(half));
        // Coming from before, it turns right where the way on lies to the right.
        double turn = Math.copySign(Math.PI - Math.abs(between), -between);
        CircularCurve curve = new CircularCurve(new Length(radius / scale), new Angle(Math.abs(turn)));
        Path arc = Path.of(Vertices.of(begin, end), new double[] {-Math.tan(turn / 4), 0}, false);
        Worked.Builder worked = Worked.builder().point("arcBegins", begin).point("arcEnds", end).point("centre", Intersections.flat(centre))
                .line(ReadOff.line(List.of(before, begin), false)).made("arc", "", arc).line(ReadOff.line(List.of(end, after), false));
        return elements(worked, curve).build();
    }

    private static GridPoint ahead(Position from, Angle azimuth, double metres) {
        return from.plan().plus(metres * azimuth.cos(), metres * azimuth.sin());
    }

    private static Optional<Elevation> between(Position from, Position to, double metres) {
        double part = metres / from.plan().distanceMetres(to.plan());
        return from.elevation().flatMap(a -> to.elevation().map(b -> new Elevation(a.metres() + part * (b.metres() - a.metres()))));
    }

    private static Worked.Builder elements(Worked.Builder worked, CircularCurve curve) {
        for (CircularCurve.Element element : CircularCurve.Element.values()) {
            double value = curve.value(element);
            if (!Double.isNaN(value)) {
                worked.figure(element.name(), element == CircularCurve.Element.DELTA ? new Quantity.Turn(new Angle(value))
                        : new Quantity.Plain(new Length(value)));
            }
        }
        return worked;
    }

    /** A circular curve by two of its elements. */
    static Worked curve(Givens given) {
        List<CircularCurve.Known> known = new ArrayList<>();
        for (CircularCurve.Element element : CircularCurve.Element.values()) {
            Slot.Kind kind = element == CircularCurve.Element.DELTA ? Slot.Kind.DIRECTION : Slot.Kind.LENGTH;
            given.maybe(element.name(), kind).ifPresent(value -> {
                if (value <= 0) {
                    throw new SurveyException(Problem.LENGTH_NOUGHT, element.name());
                }
                known.add(new CircularCurve.Known(element, value));
            });
        }
        if (known.size() != 2) {
            throw new SurveyException(Problem.TWO_ELEMENTS);
        }
        List<CircularCurve> curves = CircularCurve.of(known.get(0), known.get(1));
        if (curves.isEmpty()) {
            throw new SurveyException(Problem.NO_CURVE);
        }
        Worked.Builder worked = Worked.builder();
        curves.forEach(c -> elements(worked, c));
        return worked.build();
    }

    /** The mean of points, weighted if weights are given; of heights that of those that have one. */
    static Worked mean(Givens given) {
        List<Position> points = given.points("points");
        List<Double> weights = given.has("weights") ? given.numbers("weights") : Collections.nCopies(points.size(), 1.0);
        if (weights.size() != points.size() || weights.stream().anyMatch(w -> !(w >= 0 && w < HEAVIEST)) || weights.stream()
                .allMatch(w -> w == 0)) {
            throw new SurveyException(Problem.WEIGHTS_UNFIT, weights.size(), points.size());
        }
        GridPoint first = points.get(0).plan();
        GridPoint middle = first.plus(weighted(points, weights, p -> p.plan().northing() - first.northing()),
                weighted(points, weights, p -> p.plan().easting() - first.easting()));
        List<Position> high = points.stream().filter(p -> p.elevation().isPresent()).toList();
        List<Double> weightsOfHigh = IntStream.range(0, points.size()).filter(i -> points.get(i).elevation().isPresent())
                .mapToObj(weights::get).toList();
        Optional<Elevation> height = weightsOfHigh.stream().allMatch(w -> w == 0) ? Optional.empty()
                : Optional.of(new Elevation(weighted(high, weightsOfHigh, p -> p.elevation().orElseThrow().metres())));
        Worked.Builder worked = Worked.builder().point("mean", new Position(middle, height));
        for (int i = 0; i < points.size(); i++) {
            Position point = points.get(i);
            double factor = 1 / given.scales().gridPerGiven(point);
            String name = given.name("points", i);
            worked.figure("offMean", name, new Quantity.Plain(new Length(middle.distanceMetres(point.plan()) * factor)));
            point.elevation().flatMap(h -> height.map(h::minus))
                    .ifPresent(up -> worked.figure("aboveMean", name, new Quantity.Difference(up)));
        }
        if (high.size() < points.size()) {
            worked.remark(Worked.Caution.NO_HEIGHT);
        }
        return worked.build();
    }

    private static double weighted(List<Position> points, List<Double> weights, ToDoubleFunction<Position> of) {
        double sum = IntStream.range(0, points.size()).mapToDouble(i -> weights.get(i) * of.applyAsDouble(points.get(i))).sum();
        return sum / weights.stream().mapToDouble(w -> w).sum();
    }

    /** A deed from its begin. */
    static Worked deed(Givens given) {
        Position begin = given.point("begin");
        Deed deed = given.deed("legs");
        Deed.Laid laid = deed.lay(begin.plan(), (from, azimuth, length) -> given.scales()
                .grid(new Position(from, begin.elevation()), azimuth, length));
        double scale = given.scales().gridPerGiven(begin);
        Worked.Builder worked = Worked.builder().made("deed", "", laid.path()).figure("length", new Quantity.Plain(deed.length()))
                .figure("misclosure", new Quantity.Plain(new Length(laid.misclosure() / scale)));
        if (laid.misclosure() > 0) {
            worked.figure("misclosureDirection", new Quantity.Direction(laid.misclosureAzimuth()))
                    .figure("misclosureRatio", new Quantity.OneIn(deed.length().metres() * scale / laid.misclosure()));
        }
        laid.closed().ifPresent(ring ->
                worked.figure("area", given.scales().told(ring.area().orElseThrow(), new Position(ring.centroid(), begin.elevation()))));
        for (int i = 1; i < laid.path().vertices().size(); i++) {
            worked.point("corner", String.valueOf(i), Intersections.flat(laid.path().vertices().plan(i)));
        }
        deed.suspects(laid, scale).stream().limit(MOST_SUSPECTS)
                .forEach(s -> worked.doubtful(ReadOff.line(List.of(laid.path().vertices().position(s.leg()),
                laid.path().vertices().position(s.leg() + 1)), false)).remark(
                s.mistake() == Deed.Mistake.LENGTH ? Worked.Caution.LENGTH_SUSPECTED : Worked.Caution.BEARING_SUSPECTED, s.leg() + 1,
                s.otherwise(), s.left()));
        return worked.build();
    }
}
