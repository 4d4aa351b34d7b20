package verge.core.adjustment;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LeastSquaresTest {
    /** A line y = a + b·x through points, whose solution every textbook writes out. */
    private record Line(double[] x, double[] y) implements LeastSquares.Model {
        @Override
        public int unknowns() {
            return 2;
        }

        @Override
        public int observations() {
            return x.length;
        }

        @Override
        public void at(double[] u, double[] misclosure, double[][] design) {
            for (int i = 0; i < x.length; i++) {
                misclosure[i] = y[i] - u[0] - u[1] * x[i];
                design[i][0] = 1;
                design[i][1] = x[i];
            }
        }
    }

    private static final double[] X = {0, 1, 2, 3, 4};
    private static final double[] Y = {1.1, 2.9, 5.2, 6.8, 9.1};
    private static final double[] ONES = {1, 1, 1, 1, 1};

    private static LeastSquares.Solution solve(double[] sigmas, LeastSquares.Common common) {
        return (LeastSquares.Solution) LeastSquares.solve(new Line(X, Y), new double[2], sigmas, common);
    }

    @Test
    void aLineIsThatOfTheTextbook() {
        LeastSquares.Solution s = solve(ONES, LeastSquares.Common.NONE);
        // b = Σ(x − 2)(y − 5.02)/10 = 19.9/10, a = 5.02 − 2b; Q = 1/10 for b, 1/5 + 4/10 for a
        assertThat(s.unknowns()[1]).isCloseTo(1.99, within(1e-12));
        assertThat(s.unknowns()[0]).isCloseTo(1.04, within(1e-12));
        assertThat(s.covariance()[1][1]).isCloseTo(0.1, within(1e-12));
        assertThat(s.covariance()[0][0]).isCloseTo(0.6, within(1e-12));
        assertThat(s.residuals()[0]).isCloseTo(0.06, within(1e-12));
        assertThat(s.weightedSquares()).isCloseTo(0.107, within(1e-9));
        assertThat(s.degreesOfFreedom()).isEqualTo(3);
        // r = 1 − 1/5 − (x − 2)²/10
        assertThat(s.redundancy()).containsExactly(new double[] {0.4, 0.7, 0.8, 0.7, 0.4}, within(1e-12));
        assertThat(s.standardised(0)).isCloseTo(0.06 / Math.sqrt(0.4), within(1e-9));
    }

    @Test
    void weightsCountAsManyObservations() {
        // An observation of σ = 0.5 weighs as much as four of σ = 1.
        LeastSquares.Solution heavy = solve(new double[] {0.5, 1, 1, 1, 1}, LeastSquares.Common.NONE);
        LeastSquares.Solution four = (LeastSquares.Solution) LeastSquares.solve(
                new Line(new double[] {0, 0, 0, 0, 1, 2, 3, 4}, new double[] {1.1, 1.1, 1.1, 1.1, 2.9, 5.2, 6.8, 9.1}),
                new double[2], new double[] {1, 1, 1, 1, 1, 1, 1, 1}, LeastSquares.Common.NONE);
        assertThat(heavy.unknowns()).containsExactly(four.unknowns(), within(1e-12));
        assertThat(heavy.covariance()[0][0]).isCloseTo(four.covariance()[0][0], within(1e-12));
    }

    /** An error that all observations share moves the line as a whole: it is in its height, not in its slope, and in no residual. */
    @Test
    void aCommonErrorIsInTheUnknownThatItMoves() {
        double[][] effect = IntStream.range(0, 5).mapToObj(i -> new double[] {1}).toArray(double[][]::new);
        LeastSquares.Solution s = solve(ONES, new LeastSquares.Common(effect, new double[] {3}));
        assertThat(s.covariance()[0][0]).isCloseTo(0.6 + 9, within(1e-9));
        assertThat(s.covariance()[1][1]).isCloseTo(0.1, within(1e-9));
        assertThat(s.residualCovariance()[0][0]).isCloseTo(0.4, within(1e-9));
        assertThat(s.commonCovariance()[0][0]).isCloseTo(9, within(1e-9));
    }

    @Test
    void anUnknownThatHangsOnTheOthersIsNamed() {
        LeastSquares.Outcome outcome = LeastSquares.solve(new Line(new double[] {2, 2, 2}, new double[] {1, 2, 3}), new double[2],
                new double[] {1, 1, 1}, LeastSquares.Common.NONE);
        assertThat(outcome).isEqualTo(new LeastSquares.Singular(1));
    }

    /** Far from linear, from a bad start: the place of a point by three distances. */
    @Test
    void halvedStepsFindTheirWay() {
        Random random = new Random(4);
        for (int run = 0; run < 50; run++) {
            double[] truth = {60 * random.nextDouble() + 20, 60 * random.nextDouble() + 20};
            double[][] marks = {{0, 0}, {100, 0}, {0, 100}};
            LeastSquares.Model distances = new LeastSquares.Model() {
                @Override
                public int unknowns() {
                    return 2;
                }

                @Override
                public int observations() {
                    return 3;
                }

                @Override
                public void at(double[] u, double[] misclosure, double[][] design) {
                    for (int i = 0; i < 3; i++) {
                        double d = Math.hypot(u[0] - marks[i][0], u[1] - marks[i][1]);
                        misclosure[i] = Math.hypot(truth[0] - marks[i][0], truth[1] - marks[i][1]) - d;
                        design[i][0] = (u[0] - marks[i][0]) / d;
                        design[i][1] = (u[1] - marks[i][1]) / d;
                    }
                }
            };
            LeastSquares.Outcome outcome = LeastSquares.solve(distances, new double[] {150, 140}, new double[] {0.001, 0.001, 0.001},
                    LeastSquares.Common.NONE);
            assertThat(((LeastSquares.Solution) outcome).unknowns()).containsExactly(truth, within(1e-6));
        }
    }

    /** Chi-square over its degrees of freedom, as tables print it. */
    @ParameterizedTest
    @CsvSource({"1, 0.000982, 5.0239", "4, 0.1211, 2.7858", "10, 0.32470, 2.0483", "30, 0.55969, 1.5660"})
    void theGlobalTestHasTheBoundsOfTheTables(int freedom, double lowest, double highest) {
        VarianceTest test = VarianceTest.of(freedom * 1.2, freedom);
        assertThat(test.factor()).isCloseTo(1.2, within(1e-12));
        assertThat(test.lowest()).isCloseTo(lowest, within(5e-5));
        assertThat(test.highest()).isCloseTo(highest, within(5e-5));
        assertThat(test.passes()).isTrue();
        assertThat(VarianceTest.of(freedom * (highest + 0.01), freedom).passes()).isFalse();
    }

    @Test
    void withoutRedundancyNothingIsTested() {
        assertThat(VarianceTest.of(0, 0).passes()).isTrue();
    }
}
