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
 * @param strangers pairs that the others, which agree among themselves, leave out: by their numbers
 */
public record Fitted(Similarity similarity, Lift lift, double sigmaRotation, double sigmaScale, List<Residual> residuals, VarianceTest plan, VarianceTest height, List<Integer> strangers, Spread spread) {
    /** Of 95 places in 100 about a true one, in parts of the standard deviation in each coordinate: χ² of two degrees. */
    private static final double SEARCH = 2.4477;

    public Fitted {
        residuals = List.copyOf(residuals);
        strangers = List.copyOf(strangers);
    }

    Fitted with(List<Integer> otherStrangers) {
        return new Fitted(similarity, lift, sigmaRotation, sigmaScale, residuals, plan, height, otherStrangers, spread);
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
    public record Residual(double north, double east, double standardised, double controlled, OptionalDouble height, double standardisedHeight, double controlledHeight) {
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
            double nn = quadratic(toNorth, toNorth);
            double ee = quadratic(toEast, toEast);
            double ne = quadratic(toNorth, toEast);
            return Math.sqrt(Math.max(0, (nn + ee) / 2 + Math.hypot((nn - ee) / 2, ne)));
        }

        private double quadratic(double[] a, double[] b) {
            double sum = 0;
            for (int i = 0; i < a.length; i++) {
                for (int j = 0; j < b.length; j++) {
                    sum += a[i] * covariance[i][j] * b[j];
                }
            }
            return sum;
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

    /** How far about its fitted place a mark that is not yet found is to be searched for, in metres. */
    public double searchRadius(GridPoint computed) {
        double worse = Math.sqrt(Math.max(1, plan.factor()));
        return SEARCH * worse * Math.hypot(sigma(computed), spread.mark());
    }
}
