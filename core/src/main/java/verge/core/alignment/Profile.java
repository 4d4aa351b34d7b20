package verge.core.alignment;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * Heights along an alignment: points of intersection of straight grades, each rounded by a curve or not.
 *
 * <p>A curve has to find room on both its grades: one that reaches over the next point of intersection, or into another curve, has no
 * heights
 * that fit together, and where it lies there are none ({@link #misfits}).
 */
public final class Profile {
    /** Curves that follow each other without a straight grade touch as well as their lengths are written. */
    private static final double TOUCHING_METRES = 0.005;

    private final List<Pvi> points;
    /** Of each point what rounds it; of the first and the last, which have one grade only, no more than where it would lie. */
    private final List<Optional<VerticalCurve>> curves;
    private final List<VerticalCurve> misfits;
    /** Where these lie: ends of stretches by their begins, none overlapping. */
    private final TreeMap<Double, Double> withoutHeight = new TreeMap<>();

    /** @param points in the order of their distances */
    public Profile(List<Pvi> points) {
        this.points = List.copyOf(points);
        for (int i = 1; i < points.size(); i++) {
            if (!(points.get(i).distance() > points.get(i - 1).distance())) {
                throw new IllegalArgumentException("profile runs back at " + points.get(i).distance());
            }
        }
        int last = points.size() - 1;
        curves = last < 1 ? Collections.nCopies(points.size(), Optional.empty())
                : IntStream.rangeClosed(0, last)
                .mapToObj(i -> VerticalCurve.of(i, points.get(i), grade(Math.max(i, 1)), grade(Math.min(i + 1, last)))).toList();
        misfits = curves.stream().flatMap(Optional::stream).filter(this::findsNoRoom).toList();
        misfits.stream().sorted(Comparator.comparingDouble(VerticalCurve::from)).forEach(c -> {
            Map.Entry<Double, Double> before = withoutHeight.floorEntry(c.from());
            boolean joins = before != null && before.getValue() >= c.from();
            withoutHeight.put(joins ? before.getKey() : c.from(), joins ? Math.max(before.getValue(), c.to()) : c.to());
        });
    }

    public List<Pvi> points() {
        return points;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Profile that && points.equals(that.points);
    }

    @Override
    public int hashCode() {
        return points.hashCode();
    }

    /** What rounds a point of intersection. */
    public sealed interface Rounding {
        record None() implements Rounding {
        }

        /**
         * A parabola with its axis upright, the intersection above or below a place between its two parts.
         *
         * @param before horizontal length of the part before the intersection, in metres
         * @param after of the part behind it
         */
        record Parabola(double before, double after) implements Rounding {
        }

        /** A circle. @param radius in metres, above 0 */
        record Circle(double radius) implements Rounding {
        }
    }

    /** @param distance along the alignment from its beginning, in metres */
    public record Pvi(double distance, double height, Rounding rounding) {
    }

    /**
     * The height at a distance.
     *
     * @return empty outside the profile, and where a curve lies that finds no room
     */
    public OptionalDouble height(double distance) {
        if (lacks(distance)) {
            return OptionalDouble.empty();
        }
        int i = tangent(distance, false);
        Pvi end = points.get(i);
        return OptionalDouble.of(curveOver(i, distance).map(c -> c.height(distance))
                .orElseGet(() -> points.size() == 1 ? end.height() : end.height() + grade(i) * (distance - end.distance())));
    }

    /**
     * The grade at a distance, rise over run in the direction of the stations; where two grades meet unrounded, that of the one behind.
     *
     * @return empty outside the profile, where a curve lies that finds no room, and for a single point
     */
    public OptionalDouble grade(double distance) {
        if (points.size() < 2 || lacks(distance)) {
            return OptionalDouble.empty();
        }
        int i = tangent(distance, true);
        return OptionalDouble.of(curveOver(i, distance).map(c -> c.grade(distance)).orElseGet(() -> grade(i)));
    }

    private boolean lacks(double distance) {
        Map.Entry<Double, Double> before = withoutHeight.floorEntry(distance);
        return points.isEmpty() || distance < points.get(0).distance() || distance > points.get(points.size() - 1).distance()
                || before != null && distance <= before.getValue();
    }

    /**
     * Which point ends the straight grade over a distance within the profile.
     *
     * @param behind whether at a point the grade behind it is meant
     */
    private int tangent(double distance, boolean behind) {
        int found = Collections.binarySearch(points, new Pvi(distance, 0, null), Comparator.comparingDouble(Pvi::distance));
        int end = found < 0 ? -found - 1 : behind ? found + 1 : found;
        return Math.max(Math.min(1, points.size() - 1), Math.min(points.size() - 1, end));
    }

    /** The curve over a distance, of those of both ends of its straight grade: one that finds room reaches no further. */
    private Optional<VerticalCurve> curveOver(int tangent, double distance) {
        return Stream.of(curves.get(Math.max(0, tangent - 1)), curves.get(tangent)).flatMap(Optional::stream).filter(c -> c.holds(distance))
                .findFirst();
    }

    /** The points of intersection whose curves reach beyond the next point or into another curve, by their distances. */
    public List<Double> misfits() {
        return misfits.stream().map(c -> points.get(c.index()).distance()).toList();
    }

    private boolean findsNoRoom(VerticalCurve curve) {
        int i = curve.index();
        return i == 0 || i == points.size() - 1 || overlap(i - 1, curve.from(), true) || overlap(i + 1, curve.to(), false);
    }

    /** Whether a curve that begins or ends at a distance reaches beyond the point before or behind it, or what rounds that. */
    private boolean overlap(int neighbour, double end, boolean before) {
        Optional<VerticalCurve> other = curves.get(neighbour);
        double point = points.get(neighbour).distance();
        return before ? end < Math.max(point, other.map(VerticalCurve::to).orElse(point)) - TOUCHING_METRES
                : end > Math.min(point, other.map(VerticalCurve::from).orElse(point)) + TOUCHING_METRES;
    }

    /** Where grades and curves begin and end, by their distances. */
    List<Double> breaks() {
        return Stream.concat(points.stream().map(Pvi::distance), curves.stream().flatMap(Optional::stream)
                .flatMap(c -> Stream.of(c.from(), c.to()))).toList();
    }

    /** How sharply the grade changes at most in the curve over a distance, per metre; 0 on a straight grade and outside the profile. */
    double sharpest(double distance) {
        return lacks(distance) ? 0 : curveOver(tangent(distance, false), distance).map(VerticalCurve::sharpest).orElse(0.0);
    }

    /** @param highest whether it is the top of a crest, else the bottom of a sag */
    public record Turn(double distance, double height, boolean highest) {
    }

    /** The highest and lowest places of curves and of unrounded points, where the grade changes its sign: where water parts and gathers. */
    public List<Turn> turns() {
        List<Turn> turns = new ArrayList<>();
        for (int i = 1; i + 1 < points.size(); i++) {
            double in = grade(i);
            if (in * grade(i + 1) < 0) {
                double distance = curves.get(i).map(VerticalCurve::level).orElse(points.get(i).distance());
                height(distance).ifPresent(height -> turns.add(new Turn(distance, height, in > 0)));
            }
        }
        return turns;
    }

    /** Grade of the tangent that ends at a point of intersection, rise over run. */
    private double grade(int to) {
        Pvi a = points.get(to - 1);
        Pvi b = points.get(to);
        return (b.height() - a.height()) / (b.distance() - a.distance());
    }

    Profile scaled(double perUnit) {
        return new Profile(points.stream().map(p -> new Pvi(p.distance() * perUnit, p.height() * perUnit, scaled(p.rounding(), perUnit)))
                .toList());
    }

    private static Rounding scaled(Rounding rounding, double perUnit) {
        return rounding instanceof Rounding.Parabola p ? new Rounding.Parabola(p.before() * perUnit, p.after() * perUnit)
                : rounding instanceof Rounding.Circle c ? new Rounding.Circle(c.radius() * perUnit) : rounding;
    }
}
