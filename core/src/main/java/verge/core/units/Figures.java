package verge.core.units;

import java.util.Objects;

/**
 * How a job shows its figures. Changing it never changes stored data.
 *
 * @param lengthDecimals decimals of a length in its unit, 0 to 5
 */
public record Figures(LengthUnit lengthUnit, AngleUnit angleUnit, DirectionStyle directionStyle, int lengthDecimals) {
    private static final double MILLIMETRES_PER_METRE = 1000;

    public Figures {
        Objects.requireNonNull(lengthUnit, "lengthUnit");
        Objects.requireNonNull(angleUnit, "angleUnit");
        Objects.requireNonNull(directionStyle, "directionStyle");
        if (lengthDecimals < 0 || lengthDecimals > 5) {
            throw new IllegalArgumentException("lengthDecimals: " + lengthDecimals);
        }
    }

    /** Metres, degrees, azimuths, millimetres shown. */
    public static Figures metric() {
        return new Figures(LengthUnit.METRE, AngleUnit.DEGREES, DirectionStyle.AZIMUTH, 3);
    }

    /** A length with its unit. */
    public String length(Length length) {
        return bare(length) + " " + lengthUnit.symbol();
    }

    /** A length without its unit, for where the unit stands in the heading. */
    public String bare(Length length) {
        return Decimals.show(length.in(lengthUnit), lengthDecimals);
    }

    /** A difference: with its sign and unit. */
    public String difference(Length length) {
        return Decimals.showSigned(length.in(lengthUnit), lengthDecimals) + " " + lengthUnit.symbol();
    }

    /** A small length, a standard deviation or a constant, in millimetres; in feet with one decimal more than usual. */
    public String small(Length length) {
        return lengthUnit == LengthUnit.METRE
                ? Decimals.show(length.metres() * MILLIMETRES_PER_METRE, 1) + " mm"
                : Decimals.show(length.in(lengthUnit), lengthDecimals + 1) + " " + lengthUnit.symbol();
    }

    /** A direction in plan, in the job's style, to the second or a ten-thousandth of a gon. */
    public String direction(Angle azimuth) {
        return directionStyle == DirectionStyle.QUADRANT ? quadrant(azimuth) : AngleText.direction(azimuth, angleUnit, 0);
    }

    public String azimuth(Angle azimuth) {
        return AngleText.direction(azimuth, angleUnit, 0);
    }

    public String quadrant(Angle azimuth) {
        return AngleText.quadrant(azimuth, angleUnit, 0);
    }

    /** A reading of a circle, a tenth of a second or finer: exactly what the instrument gave. */
    public String circle(Angle reading) {
        return AngleText.direction(reading, angleUnit, 1);
    }

    /** A rise per horizontal distance as per cent with its sign. */
    public String grade(double riseOverRun) {
        return Decimals.showSigned(riseOverRun * 100, 2) + " %";
    }
}
