package verge.core.cogo;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.ToDoubleFunction;
import java.util.function.UnaryOperator;
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
        return made(Worked.builder().figure("direction", new Quantity.Direction(azimuth)).figure("horizontal", told), from, to).build();
    }

    /** So far north, so far east, so far up. */
    static Worked rectangular(Givens given) {
        Position from = given.point("from");
        double scale = given.scales().gridPerGiven(from);
        GridPoint plan = from.plan().plus(given.amount("north", Slot.Kind.RISE) * scale, given.amount("east", Slot.Kind.RISE) * scale);
        OptionalDouble rise = given.maybe("rise", Slot.Kind.RISE);
        Position to = new Position(plan, rise.isPresent() ? from.elevation().map(h -> new Elevation(h.metres() + rise.getAsDouble())) : Optional.empty());
        Worked.Builder worked = Worked.builder();
        if (!plan.equals(from.plan())) {
            worked.figure("direction", new Quantity.Direction(GridInverse.between(from.plan(), plan).azimuth())).figure("horizontal", given.scales().told(from.plan(), plan, from.elevation()));
        }
        return made(worked, from, to).build();
    }

    private static Worked.Builder made(Worked.Builder worked, Position from, Position to) {
        return worked.point("point", to).line(ReadOff.line(List.of(from, to), false));
    }

    /** Along a line from its begin, and square to it. */
    static Worked offset(Givens given) {
        List<Path> lines = given.lines("line", false);
        Walk walk = walk(lines.get(0));
        Position begin = lines.get(0).vertices().position(0);
        double scale = given.scales().gridPerGiven(begin);
        double along = given.amount("along", Slot.Kind.RISE) * scale;
        double right = given.amount("right", Slot.Kind.RISE) * scale;
        Walk.Place foot = beyond(walk, along);
        Position to = new Position(foot.position().plan().plus(-right * foot.azimuth().sin(), right * foot.azimuth().cos()), foot.position().elevation());
        return Worked.builder().point("point", to).point("foot", foot.position()).line(ReadOff.line(List.of(foot.position(), to), false)).line(lines.get(0)).build();
    }

    /** Before its begin and beyond its end a line goes straight on, level. */
    private static Walk.Place beyond(Walk walk, double along) {
        double within = Math.max(0, Math.min(walk.length(), along));
        Walk.Place end = walk.at(within).orElseThrow();
        double more = along - within;
        return more == 0 ? end : new Walk.Place(new Position(end.position().plan().plus(more * end.azimuth().cos(), more * end.azimuth().sin()), end.position().elevation()), end.azimuth());
    }

    /** Points along a line every so far, or so many at even distances; heights run with the line's. */
    static Worked along(Givens given) {
        Path path = given.lines("line", false).get(0);
        Walk walk = walk(path);
        double scale = given.scales().gridPerGiven(path.vertices().position(0));
        OptionalDouble interval = given.maybe("interval", Slot.Kind.LENGTH);
        OptionalDouble count = given.maybe("count", Slot.Kind.COUNT);
        double right = given.maybe("right", Slot.Kind.RISE).orElse(0) * scale;
        if (interval.isPresent() == count.isPresent() || interval.orElse(1) <= 0 || count.orElse(1) < 1) {
            throw new SurveyException(Problem.INTERVAL_OR_COUNT);
        }
        double step = count.isPresent() ? walk.length() / count.getAsDouble() : interval.getAsDouble() * scale;
        long last = (long) Math.floor(walk.length() / step + 1e-9);
        if (last > MOST_POINTS) {
            throw new SurveyException(Problem.POINTS_TOO_MANY, last, MOST_POINTS);
        }
        Worked.Builder worked = Worked.builder().line(path);
        for (long i = 0; i <= last; i++) {
            double at = Math.min(walk.length(), i * step);
            Walk.Place place = walk.at(at).orElseThrow();
            worked.point("station", String.valueOf(i), new Position(place.position().plan().plus(-right * place.azimuth().sin(), right * place.azimuth().cos()), place.position().elevation()));
        }
        double factor = 1 / given.scales().gridPerGiven(path.vertices().position(0));
        double rest = walk.length() - last * step;
        return worked.figure("length", new Quantity.Plain(new Length(walk.length() * factor))).figure("interval", new Quantity.Plain(new Length(step * factor)))
                .figure("rest", new Quantity.Plain(new Length(Math.max(0, rest) * factor))).build();
    }

    /** A line beside another. */
    static Worked parallel(Givens given) {
        Path path = given.lines("line", false).get(0);
        double scale = given.scales().gridPerGiven(path.vertices().position(0));
        double right = given.amount("right", Slot.Kind.RISE) * scale;
        Path beside = Parallel.of(path, -right, given.maybe("rise", Slot.Kind.RISE).orElse(0)).orElseThrow(() -> new SurveyException(Problem.NO_PARALLEL));
        Worked.Builder worked = Worked.builder().line(path).line(beside);
        for (int i = 0; i < beside.vertices().size(); i++) {
            worked.point("corner", String.valueOf(i + 1), beside.vertices().position(i));
        }
        return worked.build();
    }

    /** An arc that rounds a corner. */
    static Worked fillet(Givens given) {
        Position before = given.point("before");
        Position corner = given.point("corner");
        Position after = given.point("after");
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
        Worked.Builder worked = Worked.builder().point("arcBegins", begin).point("arcEnds", end).point("centre", Intersections.flat(centre)).line(ReadOff.line(List.of(before, begin), false)).line(arc).line(ReadOff.line(List.of(end, after), false));
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
                worked.figure(element.name(), element == CircularCurve.Element.DELTA ? new Quantity.Turn(new Angle(value)) : new Quantity.Plain(new Length(value)));
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
        if (weights.size() != points.size() || weights.stream().anyMatch(w -> !(w >= 0 && w < HEAVIEST)) || weights.stream().allMatch(w -> w == 0)) {
            throw new SurveyException(Problem.WEIGHTS_UNFIT, weights.size(), points.size());
        }
        GridPoint first = points.get(0).plan();
        GridPoint middle = first.plus(weighted(points, weights, p -> p.plan().northing() - first.northing()), weighted(points, weights, p -> p.plan().easting() - first.easting()));
        List<Position> high = points.stream().filter(p -> p.elevation().isPresent()).toList();
        List<Double> weightsOfHigh = IntStream.range(0, points.size()).filter(i -> points.get(i).elevation().isPresent()).mapToObj(weights::get).toList();
        Optional<Elevation> height = weightsOfHigh.stream().allMatch(w -> w == 0) ? Optional.empty() : Optional.of(new Elevation(weighted(high, weightsOfHigh, p -> p.elevation().orElseThrow().metres())));
        Worked.Builder worked = Worked.builder().point("mean", new Position(middle, height));
        for (int i = 0; i < points.size(); i++) {
            Position point = points.get(i);
            double factor = 1 / given.scales().gridPerGiven(point);
            String name = given.name("points", i);
            worked.figure("offMean", name, new Quantity.Plain(new Length(middle.distanceMetres(point.plan()) * factor)));
            point.elevation().flatMap(h -> height.map(h::minus)).ifPresent(up -> worked.figure("aboveMean", name, new Quantity.Difference(up)));
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
        double scale = given.scales().gridPerGiven(begin);
        Deed.Laid laid = deed.lay(begin.plan(), scale);
        UnaryOperator<Length> asGiven = grid -> new Length(grid.metres() / scale);
        Worked.Builder worked = Worked.builder().line(laid.path()).figure("length", new Quantity.Plain(asGiven.apply(new Length(laid.path().length()))))
                .figure("misclosure", new Quantity.Plain(asGiven.apply(new Length(laid.misclosure()))));
        if (laid.misclosure() > 0) {
            worked.figure("misclosureDirection", new Quantity.Direction(laid.misclosureAzimuth())).figure("misclosureRatio", new Quantity.OneIn(laid.ratio()));
        }
        laid.area().ifPresent(area -> worked.figure("area", given.scales().told(area, begin)));
        for (int i = 1; i < laid.path().vertices().size(); i++) {
            worked.point("corner", String.valueOf(i), Intersections.flat(laid.path().vertices().plan(i)));
        }
        deed.suspects(laid, scale).stream().limit(MOST_SUSPECTS).forEach(s -> worked.remark(
                s.mistake() == Deed.Mistake.LENGTH ? Worked.Caution.LENGTH_SUSPECTED : Worked.Caution.BEARING_SUSPECTED, s.leg() + 1, s.otherwise(), s.left()));
        return worked.build();
    }

    private static Walk walk(Path path) {
        return Walk.of(path).orElseThrow(() -> new SurveyException(Problem.COINCIDENT_POINTS));
    }
}
