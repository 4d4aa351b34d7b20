package verge.core.geodesy.transformation;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.IntPredicate;
import java.util.function.IntToDoubleFunction;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import verge.core.adjustment.LeastSquares;
import verge.core.adjustment.VarianceTest;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Similarity;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;

/**
 * Fits computed marks onto found ones by a similarity in plan, and heights by a shift or an inclined plane.
 *
 * <p>By least squares each found coordinate is an observation with the standard deviation of its pair, the computed ones are taken as
 * exact: what is off is off in the setting out or in the finding. The closed solution of the plan, from sums of products about both
 * middles, is where it starts (any textbook under 'similarity' or 'Helmert transformation').
 */
public final class Fit {
    private static final int MOST_PAIRS = 400;
    /** Marks nearer than this to each other are on one spot. */
    private static final double ONE_SPOT_METRES = 1e-3;
    /** Part of what marks that fit agree in: below it every rotation fits as badly as every other. */
    private static final double CONTRADICTORY = 1e-3;
    /** A height of this part of its length from the line through the others is on that line. */
    private static final double IN_LINE = 1e-4;

    private final List<Pair> pairs;
    private final FitSettings settings;

    private Fit(List<Pair> pairs, FitSettings settings) {
        this.pairs = pairs;
        this.settings = settings;
    }

    /**
     * @return with who does not belong, where the others agree
     * @throws SurveyException FIT_TOO_FEW, FIT_ONE_SPOT, FIT_IN_A_LINE, FIT_CONTRADICTORY, FIT_TOO_MANY
     */
    public static Fitted of(List<Pair> pairs, FitSettings settings) {
        if (pairs.size() > MOST_PAIRS) {
            throw new SurveyException(Problem.FIT_TOO_MANY, pairs.size(), MOST_PAIRS);
        }
        Fitted fitted = adjusted(pairs, settings);
        return fitted.with(Strangers.of(pairs, settings, fitted));
    }

    /** Without a look at who does not belong. */
    static Fitted adjusted(List<Pair> pairs, FitSettings settings) {
        return new Fit(pairs, settings).fitted();
    }

    private int[] counting(IntPredicate which) {
        return IntStream.range(0, pairs.size()).filter(which).toArray();
    }

    private Fitted fitted() {
        int[] inPlan = counting(i -> pairs.get(i).inPlan());
        if (inPlan.length < 2) {
            throw new SurveyException(Problem.FIT_TOO_FEW, inPlan.length, 2);
        }
        Similarity start = closed(inPlan);
        Plan plan = settings.held().isPresent() ? exact(inPlan) : leastSquares(inPlan, start);
        HeightFit heights = HeightFit.of(pairs, settings, plan.similarity()::place);
        List<Fitted.Residual> residuals = new ArrayList<>();
        for (int i = 0; i < pairs.size(); i++) {
            residuals.add(residual(i, inPlan, plan, heights));
        }
        return new Fitted(plan.similarity(), heights.lift(), Math.sqrt(plan.covariance()[2][2]), Math.sqrt(plan.covariance()[3][3]),
                residuals, plan.test(), heights.test(),
                Fitted.Odd.NONE, new Fitted.Spread(plan.similarity().from(), plan.covariance(), settings.sigma()), heights.spread());
    }

    /** @param solution null where nothing is adjusted @param covariance of north, east, rotation and scale */
    private record Plan(Similarity similarity, double[][] covariance, LeastSquares.Solution solution, VarianceTest test) {
    }

    /** The closed solution about both middles. */
    private Similarity closed(int[] which) {
        return closed(Arrays.stream(which).mapToObj(pairs::get).toList(), settings.scale(), settings.mirrored());
    }

    static Similarity closed(List<Pair> pairs, OptionalDouble held, boolean mirrored) {
        GridPoint from = middle(pairs.stream().map(p -> p.computed().position().plan()).toList());
        GridPoint to = middle(pairs.stream().map(p -> p.found().position().plan()).toList());
        double along = 0;
        double across = 0;
        double squares = 0;
        double squaresFound = 0;
        for (Pair pair : pairs) {
            double n = pair.computed().position().plan().northing() - from.northing();
            double e = (mirrored ? -1 : 1) * (pair.computed().position().plan().easting() - from.easting());
            double fn = pair.found().position().plan().northing() - to.northing();
            double fe = pair.found().position().plan().easting() - to.easting();
            along += n * fn + e * fe;
            across += n * fe - e * fn;
            squares += n * n + e * e;
            squaresFound += fn * fn + fe * fe;
        }
        double spot = ONE_SPOT_METRES * ONE_SPOT_METRES;
        if (squares < spot || squaresFound < spot) {
            throw new SurveyException(Problem.FIT_ONE_SPOT);
        }
        if (Math.hypot(along, across) < CONTRADICTORY * Math.sqrt(squares * squaresFound)) {
            throw new SurveyException(Problem.FIT_CONTRADICTORY);
        }
        return new Similarity(from, to, new Angle(Math.atan2(across, along)).wholeCircle(),
                held.orElse(Math.hypot(along, across) / squares), mirrored);
    }

    static GridPoint middle(List<GridPoint> places) {
        return middle(places, i -> 1);
    }

    /** @param weight of the place of a number */
    static GridPoint middle(List<GridPoint> places, IntToDoubleFunction weight) {
        GridPoint first = places.get(0);
        double north = 0;
        double east = 0;
        double all = 0;
        for (int i = 0; i < places.size(); i++) {
            double w = weight.applyAsDouble(i);
            north += w * (places.get(i).northing() - first.northing());
            east += w * (places.get(i).easting() - first.easting());
            all += w;
        }
        return first.plus(north / all, east / all);
    }

    /** One mark held, another gives the direction: nothing is adjusted. */
    private Plan exact(int[] inPlan) {
        int held = settings.held().getAsInt();
        if (Arrays.binarySearch(inPlan, held) < 0) {
            throw new SurveyException(Problem.FIT_TOO_FEW, inPlan.length - 1, 2);
        }
        int towards = Arrays.stream(inPlan).filter(i -> i != held).findFirst().orElseThrow();
        List<Pair> two = List.of(pairs.get(held), pairs.get(towards));
        Similarity similarity = closed(two, settings.scale(), settings.mirrored());
        Similarity about = new Similarity(pairs.get(held).computed().position().plan(), pairs.get(held).found().position().plan(),
                similarity.rotation(), similarity.scale(), settings.mirrored());
        double length = pairs.get(held).found().position().plan().distanceMetres(pairs.get(towards).found().position().plan());
        double variance = 1 / two.get(0).weight(settings);
        double turn = (variance + 1 / two.get(1).weight(settings)) / (length * length);
        double stretch = settings.scale().isPresent() ? 0 : turn * similarity.scale() * similarity.scale();
        double[][] covariance = {{variance, 0, 0, 0}, {0, variance, 0, 0}, {0, 0, turn, 0}, {0, 0, 0, stretch}};
        return new Plan(about, covariance, null, VarianceTest.of(0, 0));
    }

    private Plan leastSquares(int[] inPlan, Similarity start) {
        boolean solved = settings.scale().isEmpty();
        int unknowns = solved ? 4 : 3;
        double[] begin = solved ? new double[] {0, 0, start.rotation().radians(), start.scale()}
                : new double[] {0, 0, start.rotation().radians()};
        LeastSquares.Outcome outcome = solve(begin, sigmas(inPlan, 2, i -> pairs.get(i).sigma(settings)), (x, misclosure, design) -> {
            double scale = solved ? x[3] : start.scale();
            Similarity now = new Similarity(start.from(), start.to().plus(x[0], x[1]), new Angle(x[2]), scale, start.mirrored());
            for (int k = 0; k < inPlan.length; k++) {
                Pair pair = pairs.get(inPlan[k]);
                GridPoint placed = now.place(pair.computed().position().plan());
                double north = placed.northing() - now.to().northing();
                double east = placed.easting() - now.to().easting();
                misclosure[2 * k] = pair.found().position().plan().northing() - placed.northing();
                misclosure[2 * k + 1] = pair.found().position().plan().easting() - placed.easting();
                double[][] partials = {{1, 0, -east, north / scale}, {0, 1, north, east / scale}};
                for (int j = 0; j < unknowns; j++) {
                    design[2 * k][j] = partials[0][j];
                    design[2 * k + 1][j] = partials[1][j];
                }
            }
        });
        if (!(outcome instanceof LeastSquares.Solution solution)) {
            throw new SurveyException(Problem.FIT_ONE_SPOT);
        }
        double[] x = solution.unknowns();
        double[][] covariance = new double[4][4];
        for (int i = 0; i < unknowns; i++) {
            System.arraycopy(solution.covariance()[i], 0, covariance[i], 0, unknowns);
        }
        Similarity similarity = new Similarity(start.from(), start.to().plus(x[0], x[1]), new Angle(x[2]).wholeCircle(),
                solved ? x[3] : start.scale(), start.mirrored());
        return new Plan(similarity, covariance, solution, VarianceTest.of(solution.weightedSquares(), solution.degreesOfFreedom()));
    }

    /** Fills in misclosures and partial derivatives at given unknowns. */
    interface Filling {
        void at(double[] x, double[] misclosure, double[][] design);
    }

    /** Of the observations that some pairs give. @param each so many of each */
    static double[] sigmas(int[] which, int each, IntToDoubleFunction sigma) {
        return Arrays.stream(which).mapToDouble(sigma).flatMap(s -> DoubleStream.generate(() -> s).limit(each)).toArray();
    }

    /** @param sigmas of each observation */
    static LeastSquares.Outcome solve(double[] start, double[] sigmas, Filling filling) {
        return LeastSquares.solve(new LeastSquares.Model() {
            @Override
            public int unknowns() {
                return start.length;
            }

            @Override
            public int observations() {
                return sigmas.length;
            }

            @Override
            public void at(double[] unknowns, double[] misclosure, double[][] design) {
                filling.at(unknowns, misclosure, design);
            }
        }, start, sigmas, LeastSquares.Common.NONE);
    }

    static boolean inLine(List<GridPoint> places, GridPoint about) {
        double nn = 0;
        double ee = 0;
        double ne = 0;
        for (GridPoint place : places) {
            double n = place.northing() - about.northing();
            double e = place.easting() - about.easting();
            nn += n * n;
            ee += e * e;
            ne += n * e;
        }
        double middle = (nn + ee) / 2;
        double apart = Math.hypot((nn - ee) / 2, ne);
        return Math.sqrt(Math.max(0, middle - apart)) <= IN_LINE * Math.sqrt(middle + apart);
    }

    private Fitted.Residual residual(int i, int[] inPlan, Plan plan, HeightFit heights) {
        Pair pair = pairs.get(i);
        int k = Arrays.binarySearch(inPlan, i);
        return heights.residual(i, pair, plan.similarity().place(pair.computed().position().plan()), k >= 0 ? plan.solution() : null,
                2 * k);
    }
}
