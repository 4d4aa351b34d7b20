package verge.formats.reading;

import java.util.Arrays;

/** Rows of figures in a text, parted by blanks, line ends or commas. */
public final class Figures {
    private Figures() {
    }

    /** All figures; what is none becomes NaN. */
    public static double[] of(String text) {
        double[] found = new double[Math.max(4, Math.min(text.length() / 8, 1 << 20))];
        int used = 0;
        int i = 0;
        while (i < text.length()) {
            while (i < text.length() && parts(text.charAt(i))) {
                i++;
            }
            int from = i;
            while (i < text.length() && !parts(text.charAt(i))) {
                i++;
            }
            if (i > from) {
                found = used == found.length ? Arrays.copyOf(found, used * 2) : found;
                found[used++] = one(text.substring(from, i));
            }
        }
        return Arrays.copyOf(found, used);
    }

    /** One figure; NaN if the text is none. */
    public static double one(String text) {
        try {
            return Double.parseDouble(text);
        } catch (NumberFormatException none) {
            return Double.NaN;
        }
    }

    private static boolean parts(char c) {
        return c <= ' ' || c == ',' || c == '\u00A0';
    }
}
