package verge.core.geodesy.transformation;

import java.util.List;
import java.util.OptionalDouble;
import verge.core.adjustment.VarianceTest;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Lift;
import verge.core.geodesy.Position;
import verge.core.geodesy.Similarity;

/**
 * Marks that are fitted.
 *
 * @param sigmaRotation in radians
 * @param sigmaScale 0 where the scale is held
 * @param residuals of each pair, in their order
 * @param plan whether the residuals are as large as was promised
 * @param height likewise
 */
public record Fitted(Similarity similarity, Lift lift, double sigmaRotation, double sigmaScale, List<Residual> residuals, VarianceTest plan,
        VarianceTest height, Odd odd, Spread spread, HeightSpread heightSpread) {
    /** Of 95 places in 100 about a true one, in parts of the standard deviation in each coordinate: χ² of two degrees. */
    private static final double SEARCH = 2.4477;

    public Fitted {
        residuals = List.copyOf(residuals);
    }

    Fitted with(Odd otherOdd) {
        return new Fitted(similarity, lift, sigmaRotation, sigmaScale, residuals, plan, height, otherOdd, spread, heightSpread);
    }

    /** Pairs that the others, which agree among themselves, leave out in plan: by their numbers. */
    public List<Integer> strangers() {
        return odd.inPlan();
    }

    /**
     * Pairs that do not belong, by their numbers.
     *
     * @param inPlan whom the others, which agree among themselves, leave out
     * @param undecidedInPlan of whom one does not belong, and nothing tells which: the others agree as well without any
     * @param inHeight likewise
     * @param undecidedInHeight likewise
     */
    public record Odd(List<Integer> inPlan, List<Integer> undecidedInPlan, List<Integer> inHeight, List<Integer> undecidedInHeight) {
        public static final Odd NONE = new Odd(List.of(), List.of(), List.of(), List.of());

        public Odd {
            inPlan = List.copyOf(inPlan);
            undecidedInPlan = List.copyOf(undecidedInPlan);
            inHeight = List.copyOf(inHeight);
            undecidedInHeight = List.copyOf(undecidedInHeight);
        }
    }

    /**
     * What of a pair is left over: found minus fitted, in metres.
     *
     * @param standardised the larger of north and east over its standard deviation; 0 where nothing controls it or it does not count
     * @param controlled the part of an error in plan that would show, 0 to 1
     * @param height absent without both heights
     * @param standardisedHeight likewise
     * @param controlledHeight likewise
     */
    public record Residual(double north, double east, double standardised, double controlled, OptionalDouble height,
            double standardisedHeight, double controlledHeight) {
        public double plan() {
            return Math.hypot(north, east);
        }
    }

    /**
     * How well a place that is fitted is known.
     *
     * @param about where the unknowns are reckoned from, in the computed frame
     * @param covariance of north, east, rotation and scale there
     * @param mark standard deviation of a mark in each coordinate
     */
    public record Spread(GridPoint about, double[][] covariance, double mark) {
        /** Standard deviation in the worse direction, of the fit alone. */
        double sigma(GridPoint computed, Similarity similarity) {
            GridPoint turned = similarity.place(computed);
            double north = turned.northing() - similarity.to().northing();
            double east = turned.easting() - similarity.to().easting();
            double[] toNorth = {1, 0, -east, north / similarity.scale()};
            double[] toEast = {0, 1, north, east / similarity.scale()};
            return Known.worseDirection(toNorth, toEast, covariance);
        }
    }

    /** Where a place of the computed frame comes to lie. */
    public Position place(Position computed) {
        return lift.lifted(similarity.place(computed.plan()), computed);
    }

    /** Standard deviation of a fitted place in its worse direction, in metres. */
    public double sigma(GridPoint computed) {
        return spread.sigma(computed, similarity);
    }

    /** How well a place of the computed frame is known once it is fitted. */
    public Known known(GridPoint computed) {
        return new Known(sigma(computed) * Known.worse(plan.factor()), heightSpread.sigma(similarity.place(computed)));
    }

    /** How far about its fitted place a mark that is not yet found is to be searched for, in metres. */
    public double searchRadius(GridPoint computed) {
        return SEARCH * Known.worse(plan.factor()) * Math.hypot(sigma(computed), spread.mark());
    }
}
