package verge.core.search;

import java.text.Normalizer;
import java.util.Locale;
import java.util.regex.Pattern;

/** Text as it is compared when something is looked for: two that a person takes for the same are the same. */
public final class Plain {
    /** Marks on letters, and signs that nobody sees: those that turn the direction of writing, those that join. */
    private static final Pattern UNSEEN = Pattern.compile("[\\p{M}\\p{Cf}]");
    private static final Pattern BLANKS = Pattern.compile("[\\s\\p{Z}\\p{Cc}]+");

    private Plain() {
    }

    /**
     * Small letters without their marks, wide and joined forms as the usual ones, blanks single and none around. All signs stay, and stand
     * for themselves. 'ø' and 'ł' are
     * letters of their own.
     */
    public static String of(String text) {
        if (isPlain(text)) {
            return text;
        } else if (isPrintable(text)) {
            return small(text);
        }
        String bare = UNSEEN.matcher(Normalizer.normalize(text, Normalizer.Form.NFKD)).replaceAll("");
        // by way of the capitals, since some small letters have one capital: ß and ss, ς and σ
        return BLANKS.matcher(bare.toUpperCase(Locale.ROOT).toLowerCase(Locale.ROOT)).replaceAll(" ").strip();
    }

    /** Most names are: their plain form needs no memory of its own. */
    private static boolean isPlain(String text) {
        boolean plain = true;
        boolean afterBlank = true;
        for (int i = 0; plain && i < text.length(); i++) {
            char c = text.charAt(i);
            plain = c > ' ' && c < 0x7f && !(c >= 'A' && c <= 'Z') || c == ' ' && !afterBlank;
            afterBlank = c == ' ';
        }
        return plain && (text.isEmpty() || !afterBlank);
    }

    private static boolean isPrintable(String text) {
        boolean printable = true;
        for (int i = 0; printable && i < text.length(); i++) {
            printable = text.charAt(i) >= ' ' && text.charAt(i) < 0x7f;
        }
        return printable;
    }

    /** Of printable signs without marks: what the long way comes to, without it. */
    private static String small(String text) {
        StringBuilder small = new StringBuilder(text.length());
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c != ' ' || !small.isEmpty() && small.charAt(small.length() - 1) != ' ') {
                small.append(c >= 'A' && c <= 'Z' ? (char) (c + 'a' - 'A') : c);
            }
        }
        return small.toString().strip();
    }
}
