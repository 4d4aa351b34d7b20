package verge.core.geodesy.transformation;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import verge.core.adjustment.LeastSquares;
import verge.core.adjustment.VarianceTest;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Lift;
import verge.core.geodesy.Position;
import verge.core.geodesy.Similarity;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** How a group is moved, with how well its pairs then agree. */
public sealed interface Moved {
    /** Where a place of the group comes to lie. @throws SurveyException POINT_WITHOUT_HEIGHT in space */
    Position place(Mark computed);

    /** How well it is known there; absent where it was moved by values. @throws SurveyException POINT_WITHOUT_HEIGHT in space */
    Optional<Known> known(Mark computed);

    /** Of each pair; none where nothing was fitted. */
    List<Fitted.Residual> residuals();

    /** Whether the residuals are as large as was promised, in plan and in height, or in space together. */
    List<VarianceTest> tests();

    /** Shape kept. @param fitted absent where it was moved by values */
    record Similar(Similarity similarity, Lift lift, Optional<Fitted> fitted) implements Moved {
        @Override
        public Position place(Mark computed) {
            return lift.lifted(similarity.place(computed.position().plan()), computed.position());
        }

        @Override
        public Optional<Known> known(Mark computed) {
            return fitted.map(f -> f.known(computed.position().plan()));
        }

        @Override
        public List<Fitted.Residual> residuals() {
            return fitted.map(Fitted::residuals).orElse(List.of());
        }

        @Override
        public List<VarianceTest> tests() {
            return fitted.map(f -> List.of(f.plan(), f.height())).orElse(List.of());
        }
    }

    /**
     * With a scale of its own for each axis, and the angle between them free.
     *
     * @param covariance of the shift to north, and of what goes north per metre of north and of east; those to east are alike
     */
    record Affinely(Affine affine, Lift lift, List<Fitted.Residual> residuals, List<VarianceTest> tests, double[][] covariance,
            HeightSpread heightSpread) implements Moved {
        private static final int UNKNOWNS = 6;

        /** @throws SurveyException FIT_TOO_FEW, FIT_IN_A_LINE, FIT_TOO_FEW_HEIGHTS */
        public static Affinely of(List<Pair> pairs, FitSettings settings) {
            Affine affine = Affine.of(pairs, settings);
            HeightFit heights = HeightFit.of(pairs, settings, affine::place);
            int[] counting = IntStream.range(0, pairs.size()).filter(i -> pairs.get(i).inPlan()).toArray();
            // It is solved already: what is asked for is how far each is controlled.
            LeastSquares.Solution plan = (LeastSquares.Solution) Fit.solve(new double[UNKNOWNS],
                    Fit.sigmas(counting, 2, i -> pairs.get(i).sigma(settings)), (x, misclosure, design) -> {
                for (int k = 0; k < counting.length; k++) {
                    Pair pair = pairs.get(counting[k]);
                    GridPoint at = pair.computed().position().plan();
                    GridPoint placed = affine.place(at);
                    double[] row = row(affine, at);
                    misclosure[2 * k] = pair.found().position().plan().northing() - placed.northing();
                    misclosure[2 * k + 1] = pair.found().position().plan().easting() - placed.easting();
                    for (int j = 0; j < row.length; j++) {
                        design[2 * k][j] = row[j];
                        design[2 * k + 1][j + row.length] = row[j];
                        misclosure[2 * k] -= row[j] * x[j];
                        misclosure[2 * k + 1] -= row[j] * x[j + row.length];
                    }
                }
            });
            List<Fitted.Residual> residuals = IntStream.range(0, pairs.size()).mapToObj(i -> {
                int k = Arrays.binarySearch(counting, i);
                return heights.residual(i, pairs.get(i), affine.place(pairs.get(i).computed().position().plan()), k >= 0 ? plan : null,
                        2 * k);
            }).toList();
            return new Affinely(affine, heights.lift(), residuals,
                    List.of(VarianceTest.of(plan.weightedSquares(), plan.degreesOfFreedom()), heights.test()), plan.covariance(),
                    heights.spread());
        }

        private static double[] row(Affine affine, GridPoint at) {
            return new double[] {1, at.northing() - affine.from().northing(), at.easting() - affine.from().easting()};
        }

        @Override
        public Optional<Known> known(Mark computed) {
            GridPoint at = computed.position().plan();
            double plan = Math.sqrt(Known.product(row(affine, at), covariance, row(affine, at)));
            return Optional.of(new Known(plan * Known.worse(tests.get(0).factor()), heightSpread.sigma(affine.place(at))));
        }

        @Override
        public Position place(Mark computed) {
            return lift.lifted(affine.place(computed.position().plan()), computed.position());
        }
    }

    /**
     * In space, by seven parameters: three shifts, three rotations, one scale.
     *
     * @param covariance of the shifts to north, east and up, of turns about these, and of the scale unless it is held
     */
    record InSpace(SevenParameters move, List<Fitted.Residual> residuals, List<VarianceTest> tests, double[][] covariance)
            implements Moved {
        /**
         * A small turn about each axis adds this to a place reckoned from the middle: which of its coordinates, with which sign, to north,
         * east and up.
         */
        private static final int[][][] TURNS = {{{0, 0}, {2, -1}, {1, 1}}, {{2, 1}, {0, 0}, {0, -1}}, {{1, -1}, {0, 1}, {0, 0}}};

        /** @throws SurveyException FIT_TOO_FEW_HEIGHTS, FIT_IN_A_LINE */
        public static InSpace of(List<Pair> pairs, FitSettings settings) {
            SevenParameters move = SevenParameters.of(pairs, settings);
            int[] counting = IntStream.range(0, pairs.size()).filter(i -> pairs.get(i).inPlan() && pairs.get(i).countsInHeight()).toArray();
            int unknowns = settings.scale().isPresent() ? 6 : 7;
            LeastSquares.Solution solution = (LeastSquares.Solution) Fit.solve(new double[unknowns],
                    Fit.sigmas(counting, 3, i -> pairs.get(i).sigma(settings)), (x, misclosure, design) -> {
                for (int k = 0; k < counting.length; k++) {
                    double[] placed = from(move.to(), move.place(pairs.get(counting[k]).computed().position()));
                    double[] found = from(move.to(), pairs.get(counting[k]).found().position());
                    for (int axis = 0; axis < 3; axis++) {
                        double[] row = row(placed, axis, unknowns);
                        System.arraycopy(row, 0, design[3 * k + axis], 0, unknowns);
                        misclosure[3 * k + axis] = found[axis] - placed[axis];
                        for (int j = 0; j < unknowns; j++) {
                            misclosure[3 * k + axis] -= row[j] * x[j];
                        }
                    }
                }
            });
            List<Fitted.Residual> residuals = IntStream.range(0, pairs.size())
                    .mapToObj(i -> residual(move, pairs.get(i), solution, 3 * Arrays.binarySearch(counting, i))).toList();
            return new InSpace(move, residuals, List.of(VarianceTest.of(solution.weightedSquares(), solution.degreesOfFreedom())),
                    solution.covariance());
        }

        /** What each unknown does to a coordinate of a place reckoned from the middle. */
        private static double[] row(double[] placed, int axis, int unknowns) {
            double[] row = new double[unknowns];
            row[axis] = 1;
            for (int turn = 0; turn < 3; turn++) {
                row[3 + turn] = TURNS[turn][axis][1] * placed[TURNS[turn][axis][0]];
            }
            if (unknowns > 6) {
                row[6] = placed[axis];
            }
            return row;
        }

        @Override
        public Optional<Known> known(Mark computed) {
            double[] placed = from(move.to(), place(computed));
            double[] up = row(placed, 2, covariance.length);
            double worse = Known.worse(tests.get(0).factor());
            return Optional.of(new Known(Known.worseDirection(row(placed, 0, covariance.length), row(placed, 1, covariance.length),
                    covariance) * worse,
                    OptionalDouble.of(Math.sqrt(Known.product(up, covariance, up)) * worse)));
        }

        private static double[] from(Position middle, Position place) {
            return new double[] {place.plan().northing() - middle.plan().northing(), place.plan().easting() - middle.plan().easting(),
                    metres(place) - metres(middle)};
        }

        private static double metres(Position place) {
            return place.elevation().map(Elevation::metres).orElseThrow();
        }

        /** @param row of its northing; negative where it does not count */
        private static Fitted.Residual residual(SevenParameters move, Pair pair, LeastSquares.Solution solution, int row) {
            if (!pair.computed().position().elevation().isPresent()) {
                return new Fitted.Residual(Double.NaN, Double.NaN, 0, 0, OptionalDouble.empty(), 0, 0);
            }
            Position placed = move.place(pair.computed().position());
            GridPoint found = pair.found().position().plan();
            OptionalDouble height = pair.hasHeights() ? OptionalDouble.of(metres(pair.found().position()) - metres(placed))
                    : OptionalDouble.empty();
            boolean counts = row >= 0;
            return new Fitted.Residual(found.northing() - placed.plan().northing(), found.easting() - placed.plan().easting(),
                    counts ? Math.max(Math.abs(solution.standardised(row)), Math.abs(solution.standardised(row + 1))) : 0,
                    counts ? (solution.redundancy()[row] + solution.redundancy()[row + 1]) / 2 : 0, height,
                    counts ? Math.abs(solution.standardised(row + 2)) : 0, counts ? solution.redundancy()[row + 2] : 0);
        }

        @Override
        public Position place(Mark computed) {
            if (computed.position().elevation().isEmpty()) {
                throw new SurveyException(Problem.POINT_WITHOUT_HEIGHT, computed.name());
            }
            return move.place(computed.position());
        }
    }
}
