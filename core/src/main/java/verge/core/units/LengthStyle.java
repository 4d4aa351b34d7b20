package verge.core.units;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Objects;

/**
 * How lengths are shown: decimal figures, or feet, inches and a binary fraction of an inch.
 *
 * @param decimals of a decimal figure, 0 to 5
 * @param inchParts parts of an inch that are told apart, a power of two up to 64; 0 for decimal figures
 */
public record LengthStyle(LengthUnit unit, int decimals, int inchParts) {
    public static final int MOST_DECIMALS = 5;
    public static final int FINEST_INCH_PARTS = 64;
    private static final int INCHES_PER_FOOT = 12;
    private static final double MILLIMETRES_PER_METRE = 1000;

    public LengthStyle {
        Objects.requireNonNull(unit, "unit");
        Decimals.requireCount(decimals, MOST_DECIMALS);
        if (inchParts < 0 || inchParts > FINEST_INCH_PARTS || Integer.bitCount(inchParts) > 1 || inchParts > 0
                && unit == LengthUnit.METRE) {
            throw new IllegalArgumentException("inchParts: " + inchParts + " of " + unit);
        }
    }

    public static LengthStyle decimal(LengthUnit unit, int decimals) {
        return new LengthStyle(unit, decimals, 0);
    }

    public boolean inInches() {
        return inchParts > 0;
    }

    /** What the last digit of a length is worth that is shown, or the smallest part of an inch. */
    public Length lastDigit() {
        return Length.of(inInches() ? 1.0 / (INCHES_PER_FOOT * inchParts) : Math.pow(10, -decimals), unit);
    }

    /** A length with its unit. */
    public String length(Length length) {
        return inInches() ? bare(length) + footKind() : bare(length) + " " + unit.symbol();
    }

    /** A length without its unit, for where the unit stands in the heading. */
    public String bare(Length length) {
        return inInches() ? feetAndInches(length) : Decimals.show(length.in(unit), decimals);
    }

    /** A coordinate without its unit: always decimal, since nobody writes a northing in inches. */
    public String coordinate(Length length) {
        return Decimals.show(length.in(unit), decimals);
    }

    /** A difference: with its sign and unit. */
    public String difference(Length length) {
        if (inInches()) {
            String shown = length(length);
            return length.metres() > 0 && shown.chars().anyMatch(c -> c >= '1' && c <= '9') ? "+" + shown : shown;
        }
        return Decimals.showSigned(length.in(unit), decimals) + " " + unit.symbol();
    }

    /** A small length, a standard deviation or a constant, in millimetres; in feet with one decimal more than usual. */
    public String small(Length length) {
        return unit == LengthUnit.METRE
                ? Decimals.show(length.metres() * MILLIMETRES_PER_METRE, 1) + " mm"
                : Decimals.show(length.in(unit), decimals + 1) + " " + unit.symbol();
    }

    /** The US survey foot is told apart; the marks alone stand for the international one. */
    private String footKind() {
        return unit == LengthUnit.US_SURVEY_FOOT ? " US" : "";
    }

    /** Rounded once, in the smallest part shown, and then split, so that 11 63.9/64″ becomes a foot and never 12″. */
    private String feetAndInches(Length length) {
        long parts = BigDecimal.valueOf(Math.abs(length.in(unit))).multiply(BigDecimal.valueOf((long) INCHES_PER_FOOT * inchParts))
                .setScale(0, RoundingMode.HALF_UP).longValueExact();
        long feet = parts / ((long) INCHES_PER_FOOT * inchParts);
        long rest = parts % ((long) INCHES_PER_FOOT * inchParts);
        long numerator = rest % inchParts;
        long common = numerator == 0 ? 1 : Long.lowestOneBit(numerator);
        common = Math.min(common, inchParts);
        String fraction = numerator == 0 ? "" : " " + numerator / common + "/" + inchParts / common;
        return (length.metres() < 0 && parts > 0 ? "\u2212" : "") + feet + "\u2032" + rest / inchParts + fraction + "\u2033";
    }
}
