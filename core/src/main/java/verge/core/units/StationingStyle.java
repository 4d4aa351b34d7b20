package verge.core.units;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;

/** How a distance along a line is written. */
public enum StationingStyle {
    /** 2350.00 */
    PLAIN(0, 0),
    /** 2+350: the thousands in front, as with metres. */
    THOUSANDS(1000, 3),
    /** 23+50: the hundreds in front, as with feet. */
    HUNDREDS(100, 2);

    private final int full;
    private final int figures;

    StationingStyle(int full, int figures) {
        this.full = full;
        this.figures = figures;
    }

    /** Whether people write it so with this unit: in feet by hundreds, in metres by thousands. */
    public boolean fits(LengthUnit unit) {
        return this == PLAIN || (this == THOUSANDS) == (unit == LengthUnit.METRE);
    }

    /** What fits a unit best. */
    public static StationingStyle usual(LengthUnit unit) {
        return unit == LengthUnit.METRE ? THOUSANDS : HUNDREDS;
    }

    /** A distance along a line, rounded once and then split: 999.9999 becomes 1+000.000. */
    String show(double amount, int decimals) {
        if (this == PLAIN) {
            return Decimals.show(amount, decimals);
        }
        BigDecimal rounded = BigDecimal.valueOf(Math.abs(amount)).setScale(decimals, RoundingMode.HALF_UP);
        BigInteger[] split = rounded.toBigInteger().divideAndRemainder(BigInteger.valueOf(full));
        String fraction = decimals == 0 ? "" : rounded.remainder(BigDecimal.ONE).toPlainString().substring(1);
        String sign = amount < 0 && rounded.signum() != 0 ? "\u2212" : "";
        return sign + split[0] + "+" + ("%0" + figures + "d").formatted(split[1]) + fraction;
    }
}
