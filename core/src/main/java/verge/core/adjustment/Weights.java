package verge.core.adjustment;

import org.ejml.data.DMatrixRMaj;

/**
 * How well observations are known, and how far they share their errors: their covariance matrix, taken apart as L·Lᵀ.
 *
 * <p>Whatever is multiplied by L⁻¹ from the left ('whitened') is as of observations of one standard deviation that share nothing, so that
 * least squares need know no more of it. Observations that share errors stand beside each other: from the first that shares with one to the
 * one itself is all that a row is reckoned with.
 */
public final class Weights {
    private final double[][] covariance;
    private final double[][] root;
    /** The first observation that each shares an error with, directly or through others. */
    private final int[] first;

    private Weights(double[][] covariance) {
        this.covariance = covariance;
        this.first = first(covariance);
        this.root = root(covariance, first);
    }

    /** Of observations that share nothing. */
    public static Weights ofSigmas(double[] sigmas) {
        double[][] rows = new double[sigmas.length][sigmas.length];
        for (int i = 0; i < sigmas.length; i++) {
            rows[i][i] = sigmas[i] * sigmas[i];
        }
        return new Weights(rows);
    }

    /**
     * @param rows of the covariance matrix.
     * @throws IllegalArgumentException if it is none: an observation without error, or one twice over
     */
    public static Weights ofCovariance(double[][] rows) {
        return new Weights(rows);
    }

    private static int[] first(double[][] c) {
        int[] first = new int[c.length];
        for (int i = 0; i < c.length; i++) {
            int j = 0;
            while (j < i && c[i][j] == 0) {
                j++;
            }
            first[i] = j;
        }
        return first;
    }

    private static double[][] root(double[][] c, int[] first) {
        double[][] l = new double[c.length][c.length];
        for (int i = 0; i < c.length; i++) {
            for (int j = first[i]; j <= i; j++) {
                double sum = c[i][j];
                for (int k = Math.max(first[i], first[j]); k < j; k++) {
                    sum -= l[i][k] * l[j][k];
                }
                if (i == j && !(sum > 0)) {
                    throw new IllegalArgumentException("observation " + i + " has no error of its own");
                }
                l[i][j] = i == j ? Math.sqrt(sum) : sum / l[j][j];
            }
        }
        return l;
    }

    int size() {
        return root.length;
    }

    double covariance(int i, int j) {
        return covariance[i][j];
    }

    double[] whitened(double[] l) {
        double[] w = new double[l.length];
        for (int i = 0; i < l.length; i++) {
            double sum = l[i];
            for (int k = first[i]; k < i; k++) {
                sum -= root[i][k] * w[k];
            }
            w[i] = sum / root[i][i];
        }
        return w;
    }

    double[][] whitened(double[][] a) {
        double[][] w = new double[a.length][];
        for (int i = 0; i < a.length; i++) {
            w[i] = a[i].clone();
            for (int k = first[i]; k < i; k++) {
                for (int j = 0; j < w[i].length; j++) {
                    w[i][j] -= root[i][k] * w[k][j];
                }
            }
            for (int j = 0; j < w[i].length; j++) {
                w[i][j] /= root[i][i];
            }
        }
        return w;
    }

    /** Sum of squares of what is whitened: lᵀ·C⁻¹·l. */
    double squares(double[] l) {
        double sum = 0;
        for (double w : whitened(l)) {
            sum += w * w;
        }
        return sum;
    }

    /** Multiplies by L⁻¹ from the right, in place: what was to act on whitened observations acts on the observations themselves. */
    void unwhiten(DMatrixRMaj gain) {
        for (int row = 0; row < gain.numRows; row++) {
            for (int i = root.length - 1; i >= 0; i--) {
                double value = gain.get(row, i) / root[i][i];
                gain.set(row, i, value);
                for (int k = first[i]; k < i; k++) {
                    gain.add(row, k, -value * root[i][k]);
                }
            }
        }
    }
}
