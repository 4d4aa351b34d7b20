package verge.core.geodesy;

import java.util.function.DoubleFunction;
import org.apache.sis.referencing.operation.matrix.Matrices;
import org.opengis.referencing.operation.Matrix;

/** Derivatives of a map of the plane by five-point differences, where no exact ones are to be had. */
public final class FivePoint {
    private FivePoint() {
    }

    /**
     * The Jacobian: columns are the derivatives by the first and the second coordinate.
     *
     * @param first image of the place with a step added to the first coordinate
     * @param step small against the curvature: its fourth power is the error
     */
    public static Matrix jacobian(DoubleFunction<double[]> first, DoubleFunction<double[]> second, double step) {
        double[] a = slope(first, step);
        double[] b = slope(second, step);
        return Matrices.create(2, 2, new double[] {a[0], b[0], a[1], b[1]});
    }

    private static double[] slope(DoubleFunction<double[]> f, double h) {
        double[] far = f.apply(2 * h);
        double[] near = f.apply(h);
        double[] nearBack = f.apply(-h);
        double[] farBack = f.apply(-2 * h);
        double[] slope = new double[2];
        for (int i = 0; i < 2; i++) {
            slope[i] = (8 * (near[i] - nearBack[i]) - (far[i] - farBack[i])) / (12 * h);
        }
        return slope;
    }
}
