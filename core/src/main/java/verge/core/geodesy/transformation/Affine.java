package verge.core.geodesy.transformation;

import java.util.List;
import java.util.function.IntToDoubleFunction;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;
import verge.core.geodesy.GridPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * A move of the plan that keeps lines straight and parallel, with a scale of its own for each axis and the angle between them free.
 *
 * @param matrix north by north, north by east, east by north, east by east
 */
public record Affine(GridPoint from, GridPoint to, double[] matrix) {
    private static final int LEAST = 3;

    /**
     * By least squares on the pairs that count in plan.
     *
     * @throws SurveyException FIT_TOO_FEW, FIT_IN_A_LINE
     */
    public static Affine of(List<Pair> pairs, FitSettings settings) {
        List<Pair> counting = pairs.stream().filter(Pair::inPlan).toList();
        if (counting.size() < LEAST) {
            throw new SurveyException(Problem.FIT_TOO_FEW, counting.size(), LEAST);
        }
        IntToDoubleFunction weight = i -> counting.get(i).weight(settings);
        GridPoint from = Fit.middle(counting.stream().map(p -> p.computed().position().plan()).toList(), weight);
        GridPoint to = Fit.middle(counting.stream().map(p -> p.found().position().plan()).toList(), weight);
        if (Fit.inLine(counting.stream().map(p -> p.computed().position().plan()).toList(), from)) {
            throw new SurveyException(Problem.FIT_IN_A_LINE);
        }
        DMatrixRMaj design = new DMatrixRMaj(counting.size(), 2);
        DMatrixRMaj right = new DMatrixRMaj(counting.size(), 2);
        for (int i = 0; i < counting.size(); i++) {
            GridPoint c = counting.get(i).computed().position().plan();
            GridPoint f = counting.get(i).found().position().plan();
            double sigma = counting.get(i).sigma(settings);
            design.set(i, 0, (c.northing() - from.northing()) / sigma);
            design.set(i, 1, (c.easting() - from.easting()) / sigma);
            right.set(i, 0, (f.northing() - to.northing()) / sigma);
            right.set(i, 1, (f.easting() - to.easting()) / sigma);
        }
        DMatrixRMaj x = new DMatrixRMaj(2, 2);
        CommonOps_DDRM.solve(design, right, x);
        return new Affine(from, to, new double[] {x.get(0, 0), x.get(1, 0), x.get(0, 1), x.get(1, 1)});
    }

    public GridPoint place(GridPoint at) {
        double north = at.northing() - from.northing();
        double east = at.easting() - from.easting();
        return to.plus(matrix[0] * north + matrix[1] * east, matrix[2] * north + matrix[3] * east);
    }
}
