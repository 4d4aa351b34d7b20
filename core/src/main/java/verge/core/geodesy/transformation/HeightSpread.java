package verge.core.geodesy.transformation;

import java.util.Arrays;
import java.util.OptionalDouble;
import verge.core.geodesy.GridPoint;

/**
 * How well heights are known that a shift or an inclined plane lifts.
 *
 * @param about where the plane is reckoned from, in the fitted frame
 * @param covariance of the shift, and of what it is per metre to north and to east, larger where the marks disagree by more than was
 *     promised; empty if nothing is fitted
 */
public record HeightSpread(GridPoint about, double[][] covariance) {
    /** Standard deviation of the lift at a place of the fitted frame, in metres; empty if none is fitted. */
    public OptionalDouble sigma(GridPoint place) {
        if (covariance.length == 0) {
            return OptionalDouble.empty();
        }
        double[] row = {1, place.northing() - about.northing(), place.easting() - about.easting()};
        double[] known = Arrays.copyOf(row, covariance.length);
        return OptionalDouble.of(Math.sqrt(Known.product(known, covariance, known)));
    }
}
