package verge.core.geodesy.method;

import java.util.Arrays;
import org.apache.sis.referencing.operation.transform.AbstractMathTransform2D;
import org.apache.sis.util.ComparisonMode;
import org.opengis.referencing.operation.MathTransform2D;
import org.opengis.referencing.operation.Matrix;
import org.opengis.referencing.operation.TransformException;
import verge.core.geodesy.FivePoint;
import verge.core.geodesy.Kernel;

/** A projection by way of Gauss' sphere: longitude and latitude in degrees to easting and northing in metres. */
abstract class ObliqueTransform extends AbstractMathTransform2D implements Kernel {
    /** For five-point differences: h⁴ and the rounding of 10⁷ m over h are then both below 10⁻¹² of the derivative. */
    private static final double STEP_DEGREES = 0.01;

    /** What tells one such transform from another: the library keeps equal ones once. */
    private final double[] constants;
    private final MathTransform2D back = new Back(this);

    ObliqueTransform(double... constants) {
        this.constants = constants;
    }

    static double[] join(double[] first, double... rest) {
        double[] all = Arrays.copyOf(first, first.length + rest.length);
        System.arraycopy(rest, 0, all, first.length, rest.length);
        return all;
    }

    @Override
    public Matrix transform(double[] source, int at, double[] target, int to, boolean derivate) throws TransformException {
        double longitude = source[at];
        double latitude = source[at + 1];
        if (target != null) {
            put(degrees(longitude, latitude), target, to);
        }
        return derivate ? FivePoint.jacobian(d -> degrees(longitude + d, latitude), d -> degrees(longitude, latitude + d), STEP_DEGREES)
                : null;
    }

    private double[] degrees(double longitude, double latitude) {
        return grid(Math.toRadians(longitude), Math.toRadians(latitude));
    }

    @Override
    public MathTransform2D inverse() {
        return back;
    }

    @Override
    public boolean equals(Object other, ComparisonMode mode) {
        return other != null && other.getClass() == getClass() && Arrays.equals(constants, ((ObliqueTransform) other).constants);
    }

    @Override
    protected int computeHashCode() {
        return Arrays.hashCode(constants);
    }

    private static void put(double[] pair, double[] target, int to) {
        target[to] = pair[0];
        target[to + 1] = pair[1];
    }

    private static final class Back extends AbstractMathTransform2D {
        private static final double STEP_METRES = 1000;
        private final ObliqueTransform forth;

        Back(ObliqueTransform forth) {
            this.forth = forth;
        }

        @Override
        public Matrix transform(double[] source, int at, double[] target, int to, boolean derivate) {
            double east = source[at];
            double north = source[at + 1];
            if (target != null) {
                put(degrees(east, north), target, to);
            }
            return derivate ? FivePoint.jacobian(d -> degrees(east + d, north), d -> degrees(east, north + d), STEP_METRES) : null;
        }

        private double[] degrees(double east, double north) {
            double[] radians = forth.geographic(east, north);
            return new double[] {Math.toDegrees(radians[0]), Math.toDegrees(radians[1])};
        }

        @Override
        public MathTransform2D inverse() {
            return forth;
        }

        @Override
        public boolean equals(Object other, ComparisonMode mode) {
            return other instanceof Back back && forth.equals(back.forth, mode);
        }

        @Override
        protected int computeHashCode() {
            return ~forth.computeHashCode();
        }
    }
}
