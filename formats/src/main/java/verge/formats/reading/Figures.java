package verge.formats.reading;

import java.util.Arrays;

/** Rows of figures in a text, parted by blanks, line ends or commas. */
public final class Figures {
    private Figures() {
    }

    /** All figures, parted by blanks or commas; what is none becomes NaN. */
    public static double[] of(String text) {
        return of(text, true);
    }

    /** All figures, parted by blanks alone: a comma within one makes it none, for a decimal comma must not become two figures. */
    public static double[] byBlanks(String text) {
        return of(text, false);
    }

    private static double[] of(String text, boolean byCommas) {
        double[] found = new double[Math.max(4, Math.min(text.length() / 8, 1 << 20))];
        int used = 0;
        int i = 0;
        while (i < text.length()) {
            while (i < text.length() && parts(text.charAt(i), byCommas)) {
                i++;
            }
            int from = i;
            while (i < text.length() && !parts(text.charAt(i), byCommas)) {
                i++;
            }
            if (i > from) {
                found = used == found.length ? Arrays.copyOf(found, used * 2) : found;
                found[used++] = one(text.substring(from, i));
            }
        }
        return Arrays.copyOf(found, used);
    }

    /**
     * One figure: digits with a decimal point, a sign and a power of ten where there is one. Words for what is no number, hexadecimal
     * figures and letters that only Java knows are none: NaN.
     */
    public static double one(String text) {
        String plain = text.strip();
        if (plain.isEmpty() || !plain.chars().allMatch(Figures::occurs)) {
            return Double.NaN;
        }
        try {
            return Double.parseDouble(plain);
        } catch (NumberFormatException none) {
            return Double.NaN;
        }
    }

    private static boolean occurs(int c) {
        return c >= '0' && c <= '9' || c == '.' || c == '-' || c == '+' || c == 'e' || c == 'E';
    }

    private static boolean parts(char c, boolean byCommas) {
        return c <= ' ' || byCommas && c == ',' || c == '\u00A0';
    }
}
