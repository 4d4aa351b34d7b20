package verge.core.geodesy.transformation;

import java.util.List;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;
import org.ejml.dense.row.factory.DecompositionFactory_DDRM;
import org.ejml.interfaces.decomposition.SingularValueDecomposition_F64;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * A move in space that keeps shapes: three shifts, three rotations, one scale. North, east and up are its axes; a place without a height
 * cannot be moved by it.
 *
 * @param rotation by rows, with determinant 1
 */
public record SevenParameters(Position from, Position to, double[][] rotation, double scale) {
    private static final int LEAST = 3;
    /** Of the largest singular value: below it the marks lie in a line. */
    private static final double IN_LINE = 1e-8;

    /**
     * By least squares on the pairs that count in height, from the singular values of their products (S. Umeyama, Least-squares estimation
     * of transformation parameters between two point patterns, 1991).
     *
     * @param settings of which the scale counts, if it is held, and what a mark is known to
     * @throws SurveyException FIT_TOO_FEW_HEIGHTS, FIT_IN_A_LINE
     */
    public static SevenParameters of(List<Pair> pairs, FitSettings settings) {
        List<Pair> counting = pairs.stream().filter(p -> p.inPlan() && p.countsInHeight()).toList();
        if (counting.size() < LEAST) {
            throw new SurveyException(Problem.FIT_TOO_FEW_HEIGHTS, counting.size(), LEAST);
        }
        IntToDoubleFunction weight = i -> counting.get(i).weight(settings);
        Position from = middle(counting.stream().map(p -> p.computed().position()).toList(), weight);
        Position to = middle(counting.stream().map(p -> p.found().position()).toList(), weight);
        DMatrixRMaj products = new DMatrixRMaj(3, 3);
        double squares = 0;
        double lightest = IntStream.range(0, counting.size()).mapToDouble(weight).min().orElseThrow();
        for (int k = 0; k < counting.size(); k++) {
            double[] c = from(from, counting.get(k).computed().position());
            double[] f = from(to, counting.get(k).found().position());
            double w = weight.applyAsDouble(k) / lightest;
            for (int i = 0; i < 3; i++) {
                squares += w * c[i] * c[i];
                for (int j = 0; j < 3; j++) {
                    products.add(i, j, w * f[i] * c[j]);
                }
            }
        }
        SingularValueDecomposition_F64<DMatrixRMaj> svd = DecompositionFactory_DDRM.svd(3, 3, true, true, false);
        svd.decompose(products.copy());
        double[] w = svd.getSingularValues();
        double largest = Math.max(w[0], Math.max(w[1], w[2]));
        double least = Math.min(w[0], Math.min(w[1], w[2]));
        double between = w[0] + w[1] + w[2] - largest - least;
        if (!(between > IN_LINE * largest)) {
            throw new SurveyException(Problem.FIT_IN_A_LINE);
        }
        DMatrixRMaj u = svd.getU(null, false);
        DMatrixRMaj vt = svd.getV(null, true);
        boolean turned = CommonOps_DDRM.det(u) * CommonOps_DDRM.det(vt) < 0;
        int weakest = w[0] == least ? 0 : w[1] == least ? 1 : 2;
        DMatrixRMaj signs = CommonOps_DDRM.identity(3);
        signs.set(weakest, weakest, turned ? -1 : 1);
        DMatrixRMaj half = new DMatrixRMaj(3, 3);
        DMatrixRMaj rotation = new DMatrixRMaj(3, 3);
        CommonOps_DDRM.mult(u, signs, half);
        CommonOps_DDRM.mult(half, vt, rotation);
        double trace = w[0] + w[1] + w[2] - (turned ? 2 * least : 0);
        double[][] rows = new double[3][3];
        for (int i = 0; i < 3; i++) {
            for (int j = 0; j < 3; j++) {
                rows[i][j] = rotation.get(i, j);
            }
        }
        return new SevenParameters(from, to, rows, settings.scale().orElse(trace / squares));
    }

    private static Position middle(List<Position> places, IntToDoubleFunction weight) {
        double all = 0;
        double up = 0;
        for (int i = 0; i < places.size(); i++) {
            all += weight.applyAsDouble(i);
            up += weight.applyAsDouble(i) * places.get(i).elevation().orElseThrow().metres();
        }
        return new Position(Fit.middle(places.stream().map(Position::plan).toList(), weight), Optional.of(new Elevation(up / all)));
    }

    private static double[] from(Position origin, Position place) {
        return new double[] {place.plan().northing() - origin.plan().northing(), place.plan().easting() - origin.plan().easting(),
                place.elevation().orElseThrow().metres() - origin.elevation().orElseThrow().metres()};
    }

    /** @param at with a height */
    public Position place(Position at) {
        double[] d = from(from, at);
        double[] moved = new double[3];
        for (int i = 0; i < 3; i++) {
            moved[i] = scale * (rotation[i][0] * d[0] + rotation[i][1] * d[1] + rotation[i][2] * d[2]);
        }
        return new Position(to.plan().plus(moved[0], moved[1]), to.elevation().map(h -> new Elevation(h.metres() + moved[2])));
    }
}
