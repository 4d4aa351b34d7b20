package verge.core.geodesy.transformation;

import java.util.OptionalDouble;

/**
 * How well a place is known that a fit has moved: standard deviations of the fit alone, in metres, larger where its marks disagree by more
 * than was promised.
 *
 * @param plan in the worse direction
 * @param height absent where no heights are fitted
 */
public record Known(double plan, OptionalDouble height) {
    /** How much worse than promised the marks agree; 1 where they are as good, or better. */
    static double worse(double varianceFactor) {
        return Math.sqrt(Math.max(1, varianceFactor));
    }

    /** rowᵀ · covariance · other. */
    static double product(double[] row, double[][] covariance, double[] other) {
        double sum = 0;
        for (int i = 0; i < row.length; i++) {
            for (int j = 0; j < other.length; j++) {
                sum += row[i] * covariance[i][j] * other[j];
            }
        }
        return sum;
    }

    /** In the worse direction of two coordinates, each a row of the same unknowns. */
    static double worseDirection(double[] north, double[] east, double[][] covariance) {
        double nn = product(north, covariance, north);
        double ee = product(east, covariance, east);
        return Math.sqrt(Math.max(0, (nn + ee) / 2 + Math.hypot((nn - ee) / 2, product(north, covariance, east))));
    }
}
