package verge.core.units;

import java.util.Objects;

/**
 * How angles and directions are shown.
 *
 * @param decimals of the figure, for sexagesimals of the second; 0 to 6
 */
public record AngleStyle(AngleUnit unit, DirectionStyle directions, int decimals) {
    public static final int MOST_DECIMALS = 6;

    public AngleStyle {
        Objects.requireNonNull(unit, "unit");
        Objects.requireNonNull(directions, "directions");
        Decimals.requireCount(decimals, MOST_DECIMALS);
    }

    /** A direction in plan. */
    public String direction(Angle azimuth) {
        return directions == DirectionStyle.QUADRANT ? quadrant(azimuth) : azimuth(azimuth);
    }

    public String azimuth(Angle azimuth) {
        return AngleText.direction(azimuth, unit, decimals);
    }

    public String quadrant(Angle azimuth) {
        return AngleText.quadrant(azimuth, unit, decimals);
    }

    /** A reading of a circle with one decimal more: exactly what the instrument gave. */
    public String circle(Angle reading) {
        return AngleText.direction(reading, unit, decimals + 1);
    }

    /** An angle with its sign, such as a convergence. */
    public String signed(Angle angle) {
        return AngleText.signed(angle, unit, decimals);
    }
}
