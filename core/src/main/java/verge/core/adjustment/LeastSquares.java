package verge.core.adjustment;

import java.util.Arrays;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;
import org.ejml.dense.row.factory.LinearSolverFactory_DDRM;
import org.ejml.interfaces.linsol.LinearSolverDense;

/**
 * Weighted least squares of observations that depend on few unknowns, by Gauss–Newton iteration with halved steps.
 *
 * <p>Residuals are observed minus adjusted. Standard deviations are those given beforehand; nothing is scaled by what the residuals
 * turn out to be, so that a small blunder cannot make itself look small. Source: any textbook on adjustment computations, under
 * 'observation equations', 'redundancy numbers' and 'standardised residuals'.
 */
public final class LeastSquares {
    private static final int MOST_ITERATIONS = 30;
    private static final int MOST_HALVINGS = 12;
    /** A pivot of the normal matrix, scaled to a diagonal of ones: below this an unknown hangs on the others to six digits of its σ. */
    private static final double SMALLEST_PIVOT = 1e-12;
    /**
     * Steps under this part of an unknown's own standard deviation change no figure that anybody reads. Finer, and northings of 6 300 000
     * m, which are exact to 1e-9 m, would keep it turning.
     */
    private static final double SMALLEST_STEP_IN_SIGMAS = 1e-5;

    /** An unknown that is known so many times worse than if the others were held is hardly told from them. */
    private static final double NEARLY_SINGULAR_TIMES = 300;

    /** Partial derivatives that are good to a millionth only may make a step near the end a trifle worse. */
    private static final double NO_WORSE = 1e-6;

    private LeastSquares() {
    }

    /** What is to be solved. */
    public interface Model {
        int unknowns();

        int observations();

        /**
         * At given unknowns.
         *
         * @param misclosure observed minus computed, to be filled in
         * @param design partial derivatives of each computed observation, to be filled in
         */
        void at(double[] unknowns, double[] misclosure, double[][] design);
    }

    /**
     * Errors that several observations have in common and that are not solved for, as the centring of the instrument over a fixed station.
     *
     * @param effect of each on each observation, [observation][common error]
     * @param sigmas of each
     */
    public record Common(double[][] effect, double[] sigmas) {
        public static final Common NONE = new Common(new double[0][0], new double[0]);
    }

    /** How it came out. */
    public sealed interface Outcome permits Solution, Singular, NotConverged {
    }

    /** The unknown of that index cannot be told from the others. */
    public record Singular(int unknown) implements Outcome {
    }

    /**
     * No end was found.
     *
     * @param cause what kept it from ending
     * @param unknown the one known worst of all where it stopped, in parts of what it would be known to if the others were held
     * @param times how many times worse
     */
    public record NotConverged(Cause cause, int unknown, double times) implements Outcome {
        /** What kept it from ending. */
        public enum Cause {
            /** The unknowns can hardly be told from each other there: a matter of geometry. */
            NEARLY_SINGULAR,
            /** They can, but what is observed does not fit together, or the start was too far off. */
            CONTRADICTORY
        }
    }

    /**
     * Unknowns with all that is said of their quality.
     *
     * @param covariance of the unknowns, common errors included
     * @param commonCovariance of unknowns and common errors, [unknown][common error]
     * @param residuals observed minus adjusted
     * @param residualCovariance common errors included
     * @param redundancy part of each observation that the others control, 0 to 1
     * @param weightedSquares sum of squared residuals over their observations' variances
     */
    public record Solution(double[] unknowns, double[][] covariance, double[][] commonCovariance, double[] residuals,
            double[][] residualCovariance, double[] redundancy, double weightedSquares, int degreesOfFreedom, int iterations)
            implements Outcome {
        /** Standardised residual of one observation; 0 where nothing controls it. */
        public double standardised(int i) {
            double variance = residualCovariance[i][i];
            return redundancy[i] < 1e-6 || variance <= 0 ? 0 : residuals[i] / Math.sqrt(variance);
        }
    }

    /** As {@link #solve(Model, double[], Weights, Common)}, of observations that have nothing to do with each other. */
    public static Outcome solve(Model model, double[] start, double[] sigmas, Common common) {
        return solve(model, start, Weights.ofSigmas(sigmas), common);
    }

    /** @param weights of the observations, without the common errors */
    public static Outcome solve(Model model, double[] start, Weights weights, Common common) {
        int u = model.unknowns();
        int m = model.observations();
        double[] x = start.clone();
        double[] l = new double[m];
        double[][] a = new double[m][u];
        model.at(x, l, a);
        double squares = weights.squares(l);
        Normal normal = null;
        for (int iteration = 1; iteration <= MOST_ITERATIONS; iteration++) {
            double[][] whitened = weights.whitened(a);
            normal = Normal.of(whitened, u);
            if (normal.singular() >= 0) {
                return new Singular(normal.singular());
            }
            double[] step = normal.step(whitened, weights.whitened(l));
            boolean last = normal.inSigmas(step) < SMALLEST_STEP_IN_SIGMAS;
            double length = 1;
            double before = squares;
            double[] from = x.clone();
            for (int halving = 0; halving < MOST_HALVINGS; halving++, length /= 2) {
                for (int i = 0; i < u; i++) {
                    x[i] = from[i] + length * step[i];
                }
                model.at(x, l, a);
                squares = weights.squares(l);
                if (last || squares <= before * (1 + NO_WORSE) + NO_WORSE) {
                    break;
                }
            }
            if (last) {
                return finished(x, l, a, weights, common, squares, iteration);
            }
        }
        return notConverged(normal);
    }

    private static NotConverged notConverged(Normal stopped) {
        int worst = 0;
        for (int j = 1; j < stopped.inflation().length; j++) {
            worst = stopped.inflation()[j] > stopped.inflation()[worst] ? j : worst;
        }
        double times = stopped.inflation()[worst];
        return new NotConverged(times > NEARLY_SINGULAR_TIMES ? NotConverged.Cause.NEARLY_SINGULAR : NotConverged.Cause.CONTRADICTORY,
                worst, times);
    }

    private static Outcome finished(double[] x, double[] l, double[][] a, Weights weights, Common common, double squares, int iterations) {
        int u = x.length;
        int m = l.length;
        double[][] whitened = weights.whitened(a);
        Normal normal = Normal.of(whitened, u);
        if (normal.singular() >= 0) {
            return new Singular(normal.singular());
        }
        DMatrixRMaj design = new DMatrixRMaj(a);
        DMatrixRMaj gain = new DMatrixRMaj(u, m);   // Q·Aᵀ·W: how each observation moves each unknown
        CommonOps_DDRM.multTransB(normal.inverse(), new DMatrixRMaj(whitened), gain);
        weights.unwhiten(gain);
        DMatrixRMaj errors = errors(weights, common);
        DMatrixRMaj covariance = sandwich(gain, errors);
        DMatrixRMaj keeps = CommonOps_DDRM.identity(m);   // I − A·gain: how each observation's error shows in the residuals
        CommonOps_DDRM.multAdd(-1, design, gain, keeps);
        DMatrixRMaj residuals = sandwich(keeps, errors);
        double[] redundancy = new double[m];
        for (int i = 0; i < m; i++) {
            redundancy[i] = keeps.get(i, i);
        }
        return new Solution(x, rows(covariance), commonCovariance(gain, common), l.clone(), rows(residuals), redundancy, squares, m - u,
                iterations);
    }

    private static double[][] commonCovariance(DMatrixRMaj gain, Common common) {
        double[][] shared = new double[gain.numRows][common.sigmas().length];
        for (int j = 0; j < shared.length; j++) {
            for (int c = 0; c < common.sigmas().length; c++) {
                for (int i = 0; i < gain.numCols; i++) {
                    shared[j][c] += gain.get(j, i) * common.effect()[i][c] * common.sigmas()[c] * common.sigmas()[c];
                }
            }
        }
        return shared;
    }

    private static DMatrixRMaj errors(Weights weights, Common common) {
        int m = weights.size();
        DMatrixRMaj errors = new DMatrixRMaj(m, m);
        for (int i = 0; i < m; i++) {
            for (int j = 0; j < m; j++) {
                double shared = weights.covariance(i, j);
                for (int c = 0; c < common.sigmas().length; c++) {
                    shared += common.effect()[i][c] * common.effect()[j][c] * common.sigmas()[c] * common.sigmas()[c];
                }
                errors.set(i, j, shared);
            }
        }
        return errors;
    }

    /** b·e·bᵀ */
    private static DMatrixRMaj sandwich(DMatrixRMaj b, DMatrixRMaj e) {
        DMatrixRMaj half = new DMatrixRMaj(b.numRows, e.numCols);
        CommonOps_DDRM.mult(b, e, half);
        DMatrixRMaj whole = new DMatrixRMaj(b.numRows, b.numRows);
        CommonOps_DDRM.multTransB(half, b, whole);
        return whole;
    }

    private static double[][] rows(DMatrixRMaj matrix) {
        double[][] rows = new double[matrix.numRows][];
        for (int i = 0; i < rows.length; i++) {
            rows[i] = Arrays.copyOfRange(matrix.data, i * matrix.numCols, (i + 1) * matrix.numCols);
        }
        return rows;
    }

    /** The normal equations' inverse, worked in unknowns scaled to one another: metres and radians differ by five orders. */
    private record Normal(DMatrixRMaj inverse, double[] inflation, int singular) {
        /** @param a the design, whitened */
        static Normal of(double[][] a, int u) {
            DMatrixRMaj n = new DMatrixRMaj(u, u);
            for (double[] row : a) {
                for (int j = 0; j < u; j++) {
                    for (int k = 0; k < u; k++) {
                        n.add(j, k, row[j] * row[k]);
                    }
                }
            }
            double[] scale = new double[u];
            for (int j = 0; j < u; j++) {
                if (!(n.get(j, j) > 0)) {
                    return new Normal(n, new double[0], j);
                }
                scale[j] = Math.sqrt(n.get(j, j));
            }
            for (int j = 0; j < u; j++) {
                for (int k = 0; k < u; k++) {
                    n.set(j, k, n.get(j, k) / (scale[j] * scale[k]));
                }
            }
            int hanging = hanging(n);
            LinearSolverDense<DMatrixRMaj> solver = LinearSolverFactory_DDRM.chol(u);
            if (hanging >= 0 || !solver.setA(n.copy())) {
                return new Normal(n, new double[0], Math.max(hanging, 0));
            }
            DMatrixRMaj inverse = new DMatrixRMaj(u, u);
            solver.invert(inverse);
            double[] inflation = new double[u];
            for (int j = 0; j < u; j++) {
                inflation[j] = Math.sqrt(inverse.get(j, j));   // of a matrix with ones on its diagonal
            }
            for (int j = 0; j < u; j++) {
                for (int k = 0; k < u; k++) {
                    inverse.set(j, k, inverse.get(j, k) / (scale[j] * scale[k]));
                }
            }
            return new Normal(inverse, inflation, -1);
        }

        /** The first unknown that the ones before it determine already; −1 if there is none. */
        private static int hanging(DMatrixRMaj scaled) {
            int u = scaled.numRows;
            double[][] r = new double[u][u];
            for (int i = 0; i < u; i++) {
                for (int j = 0; j <= i; j++) {
                    double sum = scaled.get(i, j);
                    for (int k = 0; k < j; k++) {
                        sum -= r[i][k] * r[j][k];
                    }
                    if (i == j && sum < SMALLEST_PIVOT) {
                        return i;
                    }
                    r[i][j] = i == j ? Math.sqrt(sum) : sum / r[j][j];
                }
            }
            return -1;
        }

        /** Of whitened design and misclosures. */
        double[] step(double[][] a, double[] l) {
            int u = inverse.numRows;
            double[] right = new double[u];
            for (int i = 0; i < l.length; i++) {
                for (int j = 0; j < u; j++) {
                    right[j] += a[i][j] * l[i];
                }
            }
            double[] step = new double[u];
            for (int j = 0; j < u; j++) {
                for (int k = 0; k < u; k++) {
                    step[j] += inverse.get(j, k) * right[k];
                }
            }
            return step;
        }

        /** The largest part of a step, in standard deviations of its unknown. */
        double inSigmas(double[] step) {
            double most = 0;
            for (int j = 0; j < step.length; j++) {
                most = Math.max(most, Math.abs(step[j]) / Math.sqrt(inverse.get(j, j)));
            }
            return most;
        }
    }
}
