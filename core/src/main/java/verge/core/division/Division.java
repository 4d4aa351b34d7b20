package verge.core.division;

import java.util.List;
import java.util.stream.IntStream;
import verge.core.geodesy.GridPoint;
import verge.core.numeric.Search;
import verge.core.plan.Region;
import verge.core.units.Angle;

/**
 * Where a line must lie to have a wanted area of a figure to its left.
 *
 * <p>The area is a continuous function of the line's place, so that it takes every value between its least and its most: moved across in
 * one direction it grows from nothing to the whole, and there is one place for each value; turned about a point it may take a value at
 * several places, or at none, when the nearest is told. Areas come out to 1e-12 of the figure's, unless the line's place would need more
 * digits than a coordinate has.
 */
public final class Division {
    private static final double PART_OF_WHOLE = 1e-13;

    private Division() {
    }

    /** How it came out. */
    public sealed interface Outcome {
    }

    /** At least one; several where a line about a point can lie in different ways. */
    public record Lines(List<DividingLine> lines) implements Outcome {
        public Lines {
            lines = List.copyOf(lines);
        }
    }

    /** No line of that kind does it. @param nearest the one that comes nearest; what is possible lies between least and most */
    public record Beyond(DividingLine nearest, double least, double most) implements Outcome {
    }

    /**
     * What lies to the left of a line at one of its places: so many metres to the right of where it first touches the figure, or at an
     * azimuth in radians.
     */
    public record Sample(double at, double left) {
    }

    /** By a line of a direction. Nothing and the whole are beyond what can be divided. */
    public static Outcome parallel(Region region, Angle direction, double wanted) {
        Sweep sweep = sweep(region, direction);
        double whole = region.area();
        if (!(wanted > 0 && wanted < whole)) {
            return new Beyond(wanted >= whole ? line(sweep, direction, sweep.most(), whole) : line(sweep, direction, sweep.least(), 0), 0,
                    whole);
        }
        return new Lines(List.of(placed(sweep, direction, wanted, whole)));
    }

    /** Into as many equal parts, by lines of one direction; one line fewer than parts, from left to right. */
    public static List<DividingLine> equal(Region region, Angle direction, int parts) {
        Sweep sweep = sweep(region, direction);
        double whole = region.area();
        return IntStream.range(1, parts).mapToObj(part -> placed(sweep, direction, whole * part / parts, whole)).toList();
    }

    /** By a line through a point, wherever that lies. */
    public static Outcome through(Region region, GridPoint pivot, double wanted) {
        double whole = region.area();
        Turning turning = new Turning(region, pivot, whole * PART_OF_WHOLE);
        List<DividingLine> lines = turning.lines(wanted);
        if (!lines.isEmpty()) {
            return new Lines(lines);
        }
        DividingLine most = turning.most();
        double least = whole - most.left();
        return new Beyond(wanted > most.left() ? most
                : new DividingLine(pivot, most.direction().plus(Angle.HALF_TURN).wholeCircle(), least), least, most.left());
    }

    /** The area to the left of a line of a direction, from where it first touches the figure to where it leaves it. */
    public static List<Sample> curve(Region region, Angle direction, int steps) {
        Sweep sweep = sweep(region, direction);
        double width = sweep.most() - sweep.least();
        return IntStream.rangeClosed(0, steps)
                .mapToObj(step -> new Sample(width * step / steps, sweep.left(sweep.least() + width * step / steps))).toList();
    }

    /** The area to the left of a line through a point, by its azimuth, once round. */
    public static List<Sample> curve(Region region, GridPoint pivot) {
        return new Turning(region, pivot, 0).curve();
    }

    /** The line of a direction at a part of the way across a figure, 0 where it first touches it, 1 where it leaves it. */
    public static DividingLine across(Region region, Angle direction, double part) {
        Sweep sweep = sweep(region, direction);
        double at = sweep.least() + part * (sweep.most() - sweep.least());
        return line(sweep, direction, at, sweep.left(at));
    }

    /** The part of the way across at which a line lies. */
    public static double part(Region region, DividingLine line) {
        Sweep sweep = Sweep.of(region, line.on(), line.direction());
        return -sweep.least() / (sweep.most() - sweep.least());
    }

    /** The line of a direction through a place, with what it has to its left. */
    public static DividingLine at(Region region, GridPoint place, Angle direction) {
        return new DividingLine(place, direction, Sweep.of(region, place, direction).left(0));
    }

    private static Sweep sweep(Region region, Angle direction) {
        return Sweep.of(region, region.rim().vertices().plan(0), direction);
    }

    private static DividingLine placed(Sweep sweep, Angle direction, double wanted, double whole) {
        double at = Search.root(right -> sweep.left(right) - wanted, sweep.least(), sweep.most(), -wanted, whole * PART_OF_WHOLE);
        return line(sweep, direction, at, sweep.left(at));
    }

    private static DividingLine line(Sweep sweep, Angle direction, double at, double left) {
        return new DividingLine(sweep.frame().place(at, 0), direction, left);
    }
}
