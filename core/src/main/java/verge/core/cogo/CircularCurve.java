package verge.core.cogo;

import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import verge.core.numeric.Search;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * A circular curve between two tangents, by its radius and the angle it turns through.
 *
 * <p>Any two elements tell the others: R and Δ; L = RΔ, C = 2R sin Δ/2, T = R tan Δ/2, E = R (sec Δ/2 − 1), M = R (1 − cos Δ/2), as in any
 * textbook of route surveying. Tangents meet only where it turns by less than half a circle.
 */
public record CircularCurve(Length radius, Angle delta) {
    /**
     * Half the angle is looked for between a part of its greatest value and as near to that, evenly in the logarithm of what it has to
     * either end.
     */
    private static final double WIDTH = 21;
    private static final double STEP = 0.02;
    /** Lengths that differ by less are one: at 100 m ten nanometres. */
    private static final double ONE_LENGTH = 1e-10;

    /** An element of a curve. */
    public enum Element {
        RADIUS,
        /** The angle that it turns through, which is the deflection of its tangents. */
        DELTA,
        /** Along the curve. */
        ARC,
        /** Straight from its begin to its end. */
        CHORD,
        /** From its begin to where the tangents meet. */
        TANGENT,
        /** From where the tangents meet to the curve's middle. */
        EXTERNAL,
        /** From the chord's middle to the curve's. */
        MIDDLE_ORDINATE;

        /** Of a curve of radius 1 that turns through twice an angle; written so that a small angle loses no digits. */
        private double ofUnit(double half) {
            return switch (this) {
                case RADIUS -> 1;
                case DELTA -> 2 * half;
                case ARC -> 2 * half;
                case CHORD -> 2 * Math.sin(half);
                case TANGENT -> Math.tan(half);
                case EXTERNAL -> Math.tan(half) * Math.tan(half / 2);
                case MIDDLE_ORDINATE -> 2 * Math.sin(half / 2) * Math.sin(half / 2);
            };
        }

        private double greatestHalf() {
            return this == TANGENT || this == EXTERNAL ? Math.PI / 2 : Math.PI;
        }
    }

    /** An element and its value, in metres; of delta in radians. */
    public record Known(Element element, double value) {
        public Known {
            if (!(value > 0 && Double.isFinite(value))) {
                throw new IllegalArgumentException(element + " " + value);
            }
        }
    }

    /** An element's value in metres, of delta in radians; NaN for tangent and external of a curve whose tangents do not meet. */
    public double value(Element element) {
        double half = delta.radians() / 2;
        return half >= element.greatestHalf() ? Double.NaN : element == Element.DELTA ? delta.radians()
                : radius.metres() * element.ofUnit(half);
    }

    /**
     * All curves with two elements; none where there is none, two where a chord fits a short and a long arc, or a flat and a round one have
     * both.
     */
    public static List<CircularCurve> of(Known one, Known other) {
        if (one.element() == other.element()) {
            throw new IllegalArgumentException("twice " + one.element());
        }
        if (one.element() == Element.DELTA || other.element() == Element.DELTA) {
            Known delta = one.element() == Element.DELTA ? one : other;
            Known length = one.element() == Element.DELTA ? other : one;
            double half = delta.value() / 2;
            return half < length.element().greatestHalf()
                    ? List.of(new CircularCurve(new Length(length.value() / length.element().ofUnit(half)), new Angle(delta.value())))
                    : List.of();
        }
        if (straight(one, other)) {
            return List.of();
        }
        double greatest = Math.min(one.element().greatestHalf(), other.element().greatestHalf());
        Residual residual = new Residual(one, other, greatest);
        double[] samples = IntStream.rangeClosed(0, (int) (2 * WIDTH / STEP)).mapToDouble(i -> residual.at(i * STEP - WIDTH)).toArray();
        return Search.roots(residual::at, -WIDTH, STEP, samples, 0).stream().map(residual::curve).toList();
    }

    /** Whether an arc is as long as its chord, as far as figures tell: then it has no radius. */
    private static boolean straight(Known one, Known other) {
        return Set.of(one.element(), other.element()).equals(Set.of(Element.ARC, Element.CHORD))
                && Math.abs(one.value() - other.value()) <= ONE_LENGTH * one.value();
    }

    /**
     * How much less radius the one element tells than the other: R f = v, multiplied out, so that nothing is divided by what vanishes with
     * the angle.
     */
    private record Residual(Known one, Known other, double greatest) {
        double half(double at) {
            return greatest / (1 + Math.exp(-at));
        }

        double at(double at) {
            double a = one.value() * other.element().ofUnit(half(at));
            double b = other.value() * one.element().ofUnit(half(at));
            return (a - b) / (a + b);
        }

        CircularCurve curve(double at) {
            double half = half(at);
            return new CircularCurve(new Length(one.value() / one.element().ofUnit(half)), new Angle(2 * half));
        }
    }
}
