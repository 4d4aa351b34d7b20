package verge.core.geodesy.transformation;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import verge.core.adjustment.LeastSquares;
import verge.core.adjustment.VarianceTest;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Lift;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * What becomes of heights, once the plan is moved.
 *
 * @param which the pairs that count, by their numbers
 * @param solution null where none do
 */
record HeightFit(Lift lift, int[] which, LeastSquares.Solution solution, VarianceTest test) {

    /** @param place of the plan @throws SurveyException FIT_TOO_FEW_HEIGHTS, FIT_IN_A_LINE */
    static HeightFit of(List<Pair> pairs, FitSettings settings, UnaryOperator<GridPoint> place) {
        int[] which = settings.heights() == FitSettings.Heights.LEAVE ? new int[0] : IntStream.range(0, pairs.size())
                .filter(i -> pairs.get(i).countsInHeight()).toArray();
        int unknowns = settings.heights() == FitSettings.Heights.TILT ? 3 : 1;
        if (settings.heights() == FitSettings.Heights.LEAVE || settings.heights() == FitSettings.Heights.SHIFT && which.length == 0) {
            return new HeightFit(Lift.NONE, new int[0], null, VarianceTest.of(0, 0));
        }
        if (which.length < unknowns) {
            throw new SurveyException(Problem.FIT_TOO_FEW_HEIGHTS, which.length, unknowns);
        }
        List<GridPoint> places = Arrays.stream(which).mapToObj(i -> place.apply(pairs.get(i).computed().position().plan())).toList();
        GridPoint about = Fit.middle(places);
        LeastSquares.Outcome outcome = Fit.solve(new double[unknowns], Fit.sigmas(which, 1, i -> pairs.get(i).sigmaHeight(settings)),
                (x, misclosure, design) -> {
            for (int k = 0; k < which.length; k++) {
                double[] row = {1, places.get(k).northing() - about.northing(), places.get(k).easting() - about.easting()};
                misclosure[k] = pairs.get(which[k]).rise().orElseThrow();
                for (int j = 0; j < unknowns; j++) {
                    misclosure[k] -= row[j] * x[j];
                    design[k][j] = row[j];
                }
            }
        });
        if (!(outcome instanceof LeastSquares.Solution solution) || unknowns == 3 && Fit.inLine(places, about)) {
            throw new SurveyException(Problem.FIT_IN_A_LINE);
        }
        double[] x = Arrays.copyOf(solution.unknowns(), 3);
        return new HeightFit(new Lift(about, x[0], x[1], x[2]), which, solution,
                VarianceTest.of(solution.weightedSquares(), solution.degreesOfFreedom()));
    }

    /** How well the lift is known. */
    HeightSpread spread() {
        double worse = Math.max(1, test.factor());
        double[][] covariance = solution == null ? new double[0][] : Arrays.stream(solution.covariance())
                .map(row -> Arrays.stream(row).map(c -> c * worse).toArray()).toArray(double[][]::new);
        return new HeightSpread(lift.about(), covariance);
    }

    /**
     * What of a pair is left over.
     *
     * @param placed where its computed mark comes to lie
     * @param plan null where it does not count there or nothing is adjusted @param row of its northing, the easting's behind it
     */
    Fitted.Residual residual(int pairNumber, Pair pair, GridPoint placed, LeastSquares.Solution plan, int row) {
        GridPoint found = pair.found().position().plan();
        double standardised = plan == null ? 0 : Math.max(Math.abs(plan.standardised(row)), Math.abs(plan.standardised(row + 1)));
        double controlled = plan == null ? 0 : (plan.redundancy()[row] + plan.redundancy()[row + 1]) / 2;
        int h = Arrays.binarySearch(which, pairNumber);
        boolean counts = h >= 0 && solution != null;
        OptionalDouble rise = pair.rise().map(up -> OptionalDouble.of(up - lift.at(placed))).orElse(OptionalDouble.empty());
        return new Fitted.Residual(found.northing() - placed.northing(), found.easting() - placed.easting(), standardised, controlled, rise,
                counts ? Math.abs(solution.standardised(h)) : 0, counts ? solution.redundancy()[h] : 0);
    }
}
