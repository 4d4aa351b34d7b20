package verge.core.geodesy.transformation;

import java.util.OptionalDouble;
import java.util.OptionalInt;

/**
 * How marks are fitted.
 *
 * @param scale that is held; absent if it is solved
 * @param held the pair that is held exactly, the next that counts giving the direction; absent for least squares on all
 * @param mirrored whether the computed frame has east and west exchanged
 * @param sigma standard deviation of a mark in plan, in each coordinate, in metres
 * @param sigmaHeight likewise in height
 */
public record FitSettings(OptionalDouble scale, OptionalInt held, Heights heights, boolean mirrored, double sigma, double sigmaHeight) {
    /** What a mark that was set out and found again is known to, if nobody says better. */
    public static final double USUAL_SIGMA = 0.01;

    public FitSettings {
        if (!(sigma > 0) || !(sigmaHeight > 0) || scale.isPresent() && !(scale.getAsDouble() > 0)) {
            throw new IllegalArgumentException("settings of a fit");
        }
    }

    /** At scale 1, by least squares, heights shifted. */
    public static final FitSettings USUAL = new FitSettings(OptionalDouble.of(1), OptionalInt.empty(), Heights.SHIFT, false, USUAL_SIGMA,
            USUAL_SIGMA);

    /** With another scale that is held, or none. */
    public FitSettings with(OptionalDouble otherScale) {
        return new FitSettings(otherScale, held, heights, mirrored, sigma, sigmaHeight);
    }

    /** With heights treated otherwise. */
    public FitSettings with(Heights otherHeights) {
        return new FitSettings(scale, held, otherHeights, mirrored, sigma, sigmaHeight);
    }

    /** What becomes of heights. */
    public enum Heights { LEAVE, SHIFT, TILT }
}
