package verge.core.alignment;

import java.util.Optional;

/** What rounds one point of intersection of a profile. Distances are those along the alignment, in metres. */
sealed interface VerticalCurve {
    /** Which point of the profile it rounds. */
    int index();

    double from();

    double to();

    double height(double distance);

    double grade(double distance);

    /** Where it runs level, if its grades rise one way and fall the other. */
    double level();

    /** How sharply its grade changes at most, per metre. */
    double sharpest();

    default boolean holds(double distance) {
        return distance >= from() && distance <= to();
    }

    /** @return empty if nothing rounds the point, or a part of the parabola has no length, or a circle has nothing to round */
    static Optional<VerticalCurve> of(int index, Profile.Pvi pvi, double in, double out) {
        if (pvi.rounding() instanceof Profile.Rounding.Parabola p && p.before() > 0 && p.after() > 0) {
            return Optional.of(new Parabolas(index, pvi, p, in, out));
        }
        return pvi.rounding() instanceof Profile.Rounding.Circle c && in != out ? Optional.of(Circle.of(index, pvi, c.radius(), in, out))
                : Optional.empty();
    }

    /**
     * Two parabolas with a common tangent above the intersection; one if both parts are alike. The offset from a tangent grows with the
     * square of the distance from where the curve begins, to e = l₁ l₂ (g₂ − g₁) / 2 (l₁ + l₂) at the intersection.
     */
    record Parabolas(int index, Profile.Pvi pvi, Profile.Rounding.Parabola parts, double in, double out) implements VerticalCurve {
        private double middle() {
            return parts.before() * parts.after() * (out - in) / (2 * (parts.before() + parts.after()));
        }

        @Override
        public double from() {
            return pvi.distance() - parts.before();
        }

        @Override
        public double to() {
            return pvi.distance() + parts.after();
        }

        @Override
        public double height(double distance) {
            double x = distance - pvi.distance();
            double part = x <= 0 ? (x + parts.before()) / parts.before() : (parts.after() - x) / parts.after();
            return pvi.height() + (x <= 0 ? in : out) * x + middle() * part * part;
        }

        @Override
        public double grade(double distance) {
            double x = distance - pvi.distance();
            return x <= 0 ? in + 2 * middle() * (x + parts.before()) / (parts.before() * parts.before())
                    : out - 2 * middle() * (parts.after() - x) / (parts.after() * parts.after());
        }

        @Override
        public double level() {
            double where = in + 2 * middle() / parts.before();   // the grade where both parts meet
            return pvi.distance() + (in * where <= 0 ? -parts.before() - in * parts.before() * parts.before() / (2 * middle())
                    : parts.after() - out * parts.after() * parts.after() / (2 * middle()));
        }

        @Override
        public double sharpest() {
            double shorter = Math.min(parts.before(), parts.after());
            return Math.abs(2 * middle() / (shorter * shorter));
        }
    }

    /**
     * A circle tangent to both grades, about the point of intersection: it begins R (sin a₂ − sin a₁) before it ends, measured level.
     *
     * @param sense 1 for a sag, whose centre is above, −1 for a crest
     */
    record Circle(int index, double radius, double sense, double from, double to, double centre, double centreHeight, double sharpest)
            implements VerticalCurve {
        static Circle of(int index, Profile.Pvi pvi, double radius, double in, double out) {
            double a1 = Math.atan(in);
            double a2 = Math.atan(out);
            double tangent = radius * Math.abs(Math.tan((a2 - a1) / 2));
            double from = -tangent * Math.cos(a1);
            double sense = out > in ? 1 : -1;
            double steepest = Math.max(Math.abs(in), Math.abs(out));
            return new Circle(index, radius, sense, pvi.distance() + from, pvi.distance() + tangent * Math.cos(a2),
                    pvi.distance() + from - sense * radius * Math.sin(a1),
                    pvi.height() + in * from + sense * radius * Math.cos(a1), Math.pow(1 + steepest * steepest, 1.5) / radius);
        }

        private double rise(double distance) {
            return Math.sqrt(radius * radius - (distance - centre) * (distance - centre));
        }

        @Override
        public double height(double distance) {
            return centreHeight - sense * rise(distance);
        }

        @Override
        public double grade(double distance) {
            return sense * (distance - centre) / rise(distance);
        }

        @Override
        public double level() {
            return centre;
        }
    }
}
