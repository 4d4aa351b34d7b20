package verge.core.calibration;

import java.util.List;
import java.util.stream.IntStream;
import verge.core.adjustment.LeastSquares;
import verge.core.reading.Face;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.Pointing;
import verge.core.units.Angle;

/**
 * Axis errors of an instrument from pointings in both faces: collimation and trunnion error by least squares of the direction differences,
 * index error as the mean of the zenith sums.
 *
 * <p>Half the difference of both faces' directions is c/sin z + t·cot z: level sights give the collimation error, and the trunnion error
 * only if steep sights (20° or more off level) are among them; else it is left at nought and said so. Source: any textbook on surveying
 * instruments, 'two-face determination of axis errors'.
 */
public final class TwoFaceCalibration {
    public static final int FEWEST_PAIRS = 2;
    /** cot z of a sight 20° off level. */
    private static final double STEEP = Math.tan(Math.toRadians(20));

    private TwoFaceCalibration() {
    }

    /** One mark, pointed at in both faces. */
    public record Pair(Pointing one, Pointing two) {
        public Pair {
            if (one.face() != Face.ONE || two.face() != Face.TWO) {
                throw new IllegalArgumentException("a pair is a pointing in face 1 and one in face 2");
            }
        }

        private double halfDirection() {
            return one.faceOneDirection().minus(two.faceOneDirection()).halfCircle().radians() / 2;
        }

        private double halfZenith() {
            return (one.faceOneZenith().radians() - two.faceOneZenith().radians()) / 2;
        }

        private double zenith() {
            return (one.faceOneZenith().radians() + two.faceOneZenith().radians()) / 2;
        }
    }

    /**
     * @param trunnionFound whether steep sights were among them
     * @param sigmaReading of half a difference, from the residuals
     */
    public record Result(InstrumentErrors errors, Angle sigmaCollimation, Angle sigmaTrunnion, Angle sigmaIndex, boolean trunnionFound,
            Angle sigmaReading, List<Residual> residuals) {
        public Result {
            residuals = List.copyOf(residuals);
        }
    }

    /** What is left of a pair's half differences. */
    public record Residual(Angle direction, Angle zenith) {
    }

    /**
     * @param sigma of one pointing in one face as the maker states it, for two pairs or fewer
     * @throws IllegalArgumentException with fewer than {@link #FEWEST_PAIRS}
     */
    public static Result determine(List<Pair> pairs, Angle sigma) {
        if (pairs.size() < FEWEST_PAIRS) {
            throw new IllegalArgumentException(pairs.size() + " pairs");
        }
        double most = pairs.stream().mapToDouble(p -> 1 / Math.tan(p.zenith())).max().orElse(0);
        double least = pairs.stream().mapToDouble(p -> 1 / Math.tan(p.zenith())).min().orElse(0);
        boolean steep = most - least > STEEP;
        double half = sigma.radians() / Math.sqrt(2);
        double[] sigmas = pairs.stream().mapToDouble(p -> half / Math.sin(p.zenith())).toArray();
        LeastSquares.Solution axes = (LeastSquares.Solution) LeastSquares.solve(new Axes(pairs, steep), new double[steep ? 2 : 1], sigmas,
                LeastSquares.Common.NONE);
        double index = pairs.stream().mapToDouble(Pair::halfZenith).average().orElseThrow();
        double zenithSquares = pairs.stream().mapToDouble(p -> Math.pow(p.halfZenith() - index, 2)).sum();
        double indexSigma = Math.max(half, Math.sqrt(zenithSquares / Math.max(1, pairs.size() - 1))) / Math.sqrt(pairs.size());
        double spread = axes.degreesOfFreedom() > 0 ? Math.max(1, Math.sqrt(axes.weightedSquares() / axes.degreesOfFreedom())) : 1;
        List<Residual> residuals = IntStream.range(0, pairs.size())
                .mapToObj(i -> new Residual(new Angle(axes.residuals()[i]), new Angle(pairs.get(i).halfZenith() - index))).toList();
        InstrumentErrors errors = new InstrumentErrors(new Angle(axes.unknowns()[0]), new Angle(steep ? axes.unknowns()[1] : 0),
                new Angle(index));
        return new Result(errors, new Angle(spread * Math.sqrt(axes.covariance()[0][0])),
                new Angle(steep ? spread * Math.sqrt(axes.covariance()[1][1]) : 0),
                new Angle(indexSigma), steep, new Angle(spread * half), residuals);
    }

    private record Axes(List<Pair> pairs, boolean steep) implements LeastSquares.Model {
        @Override
        public int unknowns() {
            return steep ? 2 : 1;
        }

        @Override
        public int observations() {
            return pairs.size();
        }

        @Override
        public void at(double[] x, double[] misclosure, double[][] design) {
            for (int i = 0; i < pairs.size(); i++) {
                double z = pairs.get(i).zenith();
                design[i][0] = 1 / Math.sin(z);
                double computed = x[0] * design[i][0];
                if (steep) {
                    design[i][1] = 1 / Math.tan(z);
                    computed += x[1] * design[i][1];
                }
                misclosure[i] = pairs.get(i).halfDirection() - computed;
            }
        }
    }
}
