package verge.core.units;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Optional;
import java.util.regex.Pattern;

/** Decimal figures as people write them. */
public final class Decimals {
    private static final Pattern WRITTEN = Pattern.compile("[+-]?(\\d{1,15}([.,]\\d{0,15})?|[.,]\\d{1,15})");

    private Decimals() {
    }

    /**
     * Reads one plain decimal number with a point or a comma, with a hyphen or a true minus sign. A second separator, an
     * exponent, NaN or anything else is not a number: a thousands separator is never guessed.
     */
    public static Optional<Double> parse(String text) {
        String plain = text.strip().replace('\u2212', '-');
        return WRITTEN.matcher(plain).matches() ? Optional.of(Double.valueOf(plain.replace(',', '.'))) : Optional.empty();
    }

    static void requireCount(int decimals, int most) {
        if (decimals < 0 || decimals > most) {
            throw new IllegalArgumentException("decimals: " + decimals);
        }
    }

    /** A fixed number of decimals, a half rounded away from zero, never '-0.000'. The minus is a hyphen, as files need it. */
    public static String print(double value, int decimals) {
        BigDecimal rounded = BigDecimal.valueOf(value).setScale(decimals, RoundingMode.HALF_UP);
        return (rounded.signum() == 0 ? rounded.abs() : rounded).toPlainString();
    }

    /** As {@link #print}, with the true minus sign that a person reads on a page. */
    public static String show(double value, int decimals) {
        return print(value, decimals).replace('-', '\u2212');
    }

    /** As {@link #show}, always with a sign unless the figures are all zero. */
    public static String showSigned(double value, int decimals) {
        String shown = show(value, decimals);
        boolean zero = shown.chars().noneMatch(c -> c >= '1' && c <= '9');
        return value > 0 && !zero ? "+" + shown : shown;
    }
}
