package verge.core.adjustment;

import org.apache.commons.statistics.distribution.ChiSquaredDistribution;

/**
 * The global test of an adjustment: whether its residuals are as large as the standard deviations given beforehand promised.
 *
 * @param factor σ₀²: weighted squares over degrees of freedom; 1 is expected
 * @param lowest of the two-sided interval in which 95 of 100 sound adjustments fall
 * @param highest of it
 */
public record VarianceTest(double factor, int degreesOfFreedom, double lowest, double highest) {
    private static final double TAIL = 0.025;

    /** Without redundancy nothing is tested: factor 0, bounds that everything passes. */
    public static VarianceTest of(double weightedSquares, int degreesOfFreedom) {
        if (degreesOfFreedom < 1) {
            return new VarianceTest(0, 0, 0, Double.MAX_VALUE);
        }
        ChiSquaredDistribution expected = ChiSquaredDistribution.of(degreesOfFreedom);
        return new VarianceTest(weightedSquares / degreesOfFreedom, degreesOfFreedom,
                expected.inverseCumulativeProbability(TAIL) / degreesOfFreedom,
                expected.inverseSurvivalProbability(TAIL) / degreesOfFreedom);
    }

    /**
     * Whether residuals as large as these come by chance in more than such a part of sound adjustments; without redundancy anything does.
     */
    public boolean isByChance(double part) {
        return degreesOfFreedom < 1 || factor * degreesOfFreedom <= ChiSquaredDistribution.of(degreesOfFreedom)
                .inverseSurvivalProbability(part);
    }

    /** Too good a fit is no reason to go back to the tripod: only the upper bound refuses. */
    public boolean passes() {
        return factor <= highest;
    }
}
