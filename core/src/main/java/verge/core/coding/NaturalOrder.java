package verge.core.coding;

import java.util.Comparator;

/** Orders names as people do: P9 before P10. Ties by plain text, so that the order is total. */
public enum NaturalOrder implements Comparator<CharSequence> {
    INSTANCE;

    @Override
    public int compare(CharSequence a, CharSequence b) {
        int i = 0;
        int j = 0;
        while (i < a.length() && j < b.length()) {
            int iEnd = runEnd(a, i);
            int jEnd = runEnd(b, j);
            boolean numbers = Character.isDigit(a.charAt(i)) && Character.isDigit(b.charAt(j));
            int order = numbers ? numbers(a, i, iEnd, b, j, jEnd) : letters(a, i, iEnd, b, j, jEnd);
            if (order != 0) {
                return order;
            }
            i = iEnd;
            j = jEnd;
        }
        int order = Integer.compare(a.length() - i, b.length() - j);
        return order != 0 ? order : CharSequence.compare(a, b);
    }

    /** Where the figures, or the letters, that begin at a place end. */
    private static int runEnd(CharSequence text, int from) {
        boolean digits = Character.isDigit(text.charAt(from));
        int end = from + 1;
        while (end < text.length() && Character.isDigit(text.charAt(end)) == digits) {
            end++;
        }
        return end;
    }

    private static int letters(CharSequence a, int i, int iEnd, CharSequence b, int j, int jEnd) {
        int both = Math.min(iEnd - i, jEnd - j);
        for (int k = 0; k < both; k++) {
            int order = Character.compare(small(a.charAt(i + k)), small(b.charAt(j + k)));
            if (order != 0) {
                return order;
            }
        }
        return Integer.compare(iEnd - i, jEnd - j);
    }

    /** As {@link String#compareToIgnoreCase} takes letters for alike. */
    private static char small(char letter) {
        return Character.toLowerCase(Character.toUpperCase(letter));
    }

    /** By value, however long: without leading zeros the longer is the larger. */
    private static int numbers(CharSequence a, int i, int iEnd, CharSequence b, int j, int jEnd) {
        int from = skipZeros(a, i, iEnd);
        int other = skipZeros(b, j, jEnd);
        int order = Integer.compare(iEnd - from, jEnd - other);
        for (int k = 0; order == 0 && k < iEnd - from; k++) {
            order = Integer.compare(Character.digit(a.charAt(from + k), 10), Character.digit(b.charAt(other + k), 10));
        }
        return order;
    }

    private static int skipZeros(CharSequence text, int from, int end) {
        int at = from;
        while (at < end - 1 && Character.digit(text.charAt(at), 10) == 0) {
            at++;
        }
        return at;
    }
}
