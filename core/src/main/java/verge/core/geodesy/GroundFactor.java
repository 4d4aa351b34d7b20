package verge.core.geodesy;

import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A job's multiplier from grid to ground, with where it was taken.
 *
 * @param groundPerGrid a grid distance times this is the distance on the ground
 * @param reference the point of the grid it was taken at, which stays where it is when coordinates are scaled
 * @param taken how it came about
 * @param parts point scale and elevation factor, if it was computed
 * @param sigma standard deviation of the factor, if it is known
 * @param reason why it counts although its position was poor; else empty
 */
public record GroundFactor(double groundPerGrid, GridPoint reference, Taken taken, Optional<CombinedFactor> parts, OptionalDouble sigma,
        String reason) {
    /** The highest road on earth and the widest zone come to 0.2 %; outside 1 % a slip is likelier. */
    public static final double LOWEST = 0.99;
    public static final double HIGHEST = 1.01;
    /** A millimetre a kilometre: what a tape can show. */
    public static final double POOR_SIGMA = 1e-6;

    /** How a factor came about. */
    public enum Taken { TYPED, POINT, POSITION, POINTS, LINE_ENDS, LINE_SIMPSON }

    public GroundFactor {
        Objects.requireNonNull(reference, "reference");
        Objects.requireNonNull(taken, "taken");
        Objects.requireNonNull(parts, "parts");
        Objects.requireNonNull(sigma, "sigma");
        Objects.requireNonNull(reason, "reason");
        if (!(groundPerGrid >= LOWEST && groundPerGrid <= HIGHEST)) {
            throw new IllegalArgumentException("ground factor: " + groundPerGrid);
        }
    }
}
