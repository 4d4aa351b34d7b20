package verge.core.alignment;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Heights along an alignment: points of intersection of straight grades, each rounded by a curve or not.
 *
 * @param points in the order of their distances
 */
public record Profile(List<Pvi> points) {
    public Profile {
        points = List.copyOf(points);
        for (int i = 1; i < points.size(); i++) {
            if (!(points.get(i).distance() > points.get(i - 1).distance())) {
                throw new IllegalArgumentException("profile runs back at " + points.get(i).distance());
            }
        }
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
     * @return empty outside the profile
     */
    public Optional<Double> height(double distance) {
        if (points.isEmpty() || distance < points.get(0).distance() || distance > points.get(points.size() - 1).distance()) {
            return Optional.empty();
        }
        for (int i = 1; i + 1 < points.size(); i++) {
            OptionalDouble rounded = rounded(i, distance);
            if (rounded.isPresent()) {
                return Optional.of(rounded.getAsDouble());
            }
        }
        int i = 1;
        while (i < points.size() - 1 && distance > points.get(i).distance()) {
            i++;
        }
        return Optional.of(points.size() == 1 ? points.get(0).height() : points.get(i).height() + grade(i) * (distance - points.get(i).distance()));
    }

    /**
     * The grade at a distance, rise over run in the direction of the stations; where two grades meet unrounded, that of the one behind.
     *
     * @return empty outside the profile, and for a single point
     */
    public OptionalDouble grade(double distance) {
        if (points.size() < 2 || distance < points.get(0).distance() || distance > points.get(points.size() - 1).distance()) {
            return OptionalDouble.empty();
        }
        for (int i = 1; i + 1 < points.size(); i++) {
            OptionalDouble rounded = roundedGrade(i, distance);
            if (rounded.isPresent()) {
                return rounded;
            }
        }
        int i = 1;
        while (i < points.size() - 1 && distance >= points.get(i).distance()) {
            i++;
        }
        return OptionalDouble.of(grade(i));
    }

    /** @param highest whether it is the top of a crest, else the bottom of a sag */
    public record Turn(double distance, double height, boolean highest) {
    }

    /** The highest and lowest places of curves and of unrounded points, where the grade changes its sign: where water parts and gathers. */
    public List<Turn> turns() {
        List<Turn> turns = new ArrayList<>();
        for (int i = 1; i + 1 < points.size(); i++) {
            double in = grade(i);
            double out = grade(i + 1);
            if (in * out < 0) {
                double distance = levelAt(i, in, out);
                turns.add(new Turn(distance, height(distance).orElseThrow(), in > 0));
            }
        }
        return turns;
    }

    private double levelAt(int i, double in, double out) {
        Pvi pvi = points.get(i);
        if (pvi.rounding() instanceof Rounding.Parabola p && p.before() > 0 && p.after() > 0) {
            double middle = p.before() * p.after() * (out - in) / (2 * (p.before() + p.after()));
            double first = in + 2 * middle / p.before();   // the grade where both parts meet
            return pvi.distance() + (in * first <= 0 ? -p.before() - in * p.before() * p.before() / (2 * middle) : p.after() - out * p.after() * p.after() / (2 * middle));
        } else if (pvi.rounding() instanceof Rounding.Circle c) {
            Circle circle = Circle.of(pvi, c.radius(), in, out);
            return pvi.distance() + circle.centreX();
        }
        return pvi.distance();
    }

    private OptionalDouble roundedGrade(int i, double distance) {
        Pvi pvi = points.get(i);
        double in = grade(i);
        double out = grade(i + 1);
        double x = distance - pvi.distance();
        if (pvi.rounding() instanceof Rounding.Parabola p && p.before() > 0 && p.after() > 0 && x >= -p.before() && x <= p.after()) {
            double middle = p.before() * p.after() * (out - in) / (2 * (p.before() + p.after()));
            return OptionalDouble.of(x <= 0 ? in + 2 * middle * (x + p.before()) / (p.before() * p.before()) : out - 2 * middle * (p.after() - x) / (p.after() * p.after()));
        } else if (pvi.rounding() instanceof Rounding.Circle c && in != out) {
            Circle circle = Circle.of(pvi, c.radius(), in, out);
            return circle.holds(x) ? OptionalDouble.of(circle.grade(x)) : OptionalDouble.empty();
        }
        return OptionalDouble.empty();
    }

    /** Grade of the tangent that ends at a point of intersection, rise over run. */
    private double grade(int to) {
        Pvi a = points.get(to - 1);
        Pvi b = points.get(to);
        return (b.height() - a.height()) / (b.distance() - a.distance());
    }

    private OptionalDouble rounded(int i, double distance) {
        Pvi pvi = points.get(i);
        double in = grade(i);
        double out = grade(i + 1);
        double x = distance - pvi.distance();
        if (pvi.rounding() instanceof Rounding.Parabola p) {
            return p.before() > 0 && p.after() > 0 && x >= -p.before() && x <= p.after() ? OptionalDouble.of(pvi.height() + parabola(p, in, out, x))
                    : OptionalDouble.empty();
        }
        return pvi.rounding() instanceof Rounding.Circle c ? circle(pvi, c.radius(), in, out, x) : OptionalDouble.empty();
    }

    /**
     * Two parabolas with a common tangent above the intersection; one if both parts are alike. The offset from a tangent grows with the
     * square of the distance from where the curve begins, to e = l₁ l₂ (g₂ − g₁) / 2 (l₁ + l₂) at the intersection.
     */
    private static double parabola(Rounding.Parabola p, double in, double out, double x) {
        double middle = p.before() * p.after() * (out - in) / (2 * (p.before() + p.after()));
        double part = x <= 0 ? (x + p.before()) / p.before() : (p.after() - x) / p.after();
        return (x <= 0 ? in : out) * x + middle * part * part;
    }

    /**
     * A circle tangent to both grades, about the point of intersection: it begins R (sin a₂ − sin a₁) before it ends, measured level.
     *
     * @param sense 1 for a sag, whose centre is above, −1 for a crest
     */
    private record Circle(double radius, double sense, double from, double to, double centreX, double centreHeight) {
        static Circle of(Pvi pvi, double radius, double in, double out) {
            double a1 = Math.atan(in);
            double a2 = Math.atan(out);
            double tangent = radius * Math.abs(Math.tan((a2 - a1) / 2));
            double from = -tangent * Math.cos(a1);
            double sense = out > in ? 1 : -1;
            return new Circle(radius, sense, from, tangent * Math.cos(a2), from - sense * radius * Math.sin(a1), pvi.height() + in * from + sense * radius * Math.cos(a1));
        }

        boolean holds(double x) {
            return x >= from && x <= to;
        }

        private double rise(double x) {
            return Math.sqrt(radius * radius - (x - centreX) * (x - centreX));
        }

        double height(double x) {
            return centreHeight - sense * rise(x);
        }

        double grade(double x) {
            return sense * (x - centreX) / rise(x);
        }
    }

    private static OptionalDouble circle(Pvi pvi, double radius, double in, double out, double x) {
        Circle circle = Circle.of(pvi, radius, in, out);
        return in == out || !circle.holds(x) ? OptionalDouble.empty() : OptionalDouble.of(circle.height(x));
    }

    Profile scaled(double perUnit) {
        return new Profile(points.stream().map(p -> new Pvi(p.distance() * perUnit, p.height() * perUnit, scaled(p.rounding(), perUnit))).toList());
    }

    private static Rounding scaled(Rounding rounding, double perUnit) {
        return rounding instanceof Rounding.Parabola p ? new Rounding.Parabola(p.before() * perUnit, p.after() * perUnit)
                : rounding instanceof Rounding.Circle c ? new Rounding.Circle(c.radius() * perUnit) : rounding;
    }
}
