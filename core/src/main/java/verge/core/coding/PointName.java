package verge.core.coding;

import java.math.BigInteger;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * The name of a point: 1 to 24 letters, figures and {@code . - _ / # +} and blanks between, beginning with a letter or a figure.
 *
 * <p>The first character rules out what a spreadsheet would take for a formula; separators of exchange files cannot occur.
 */
public record PointName(String text) implements Comparable<PointName> {
    public static final int LONGEST = 24;
    private static final Pattern FIT = Pattern.compile("[\\p{L}\\p{N}][\\p{L}\\p{M}\\p{N}._/#+ -]{0,23}");
    private static final Pattern NOUGHTS_IN_FRONT = Pattern.compile("(?<!\\d)0+(?=\\d)");
    private static final Pattern NUMBERED = Pattern.compile("(.*?)(\\d+)");

    public PointName {
        if (!FIT.matcher(text).matches() || text.endsWith(" ")) {
            throw new SurveyException(Problem.POINT_NAME_UNFIT, text);
        }
    }

    /** The name in what was typed, blanks around it dropped. */
    public static PointName parse(String typed) {
        return new PointName(typed.strip());
    }

    /** The next name in a row: 9 → 10, A07 → A08, A09 → A10, KRB → KRB1. A number keeps its leading zeros. */
    public PointName successor() {
        Matcher m = NUMBERED.matcher(text);
        if (!m.matches()) {
            return new PointName(text.substring(0, Math.min(text.length(), LONGEST - 1)).stripTrailing() + "1");
        }
        String next = new BigInteger(m.group(2)).add(BigInteger.ONE).toString();
        String padded = "0".repeat(Math.max(0, m.group(2).length() - next.length())) + next;
        return new PointName(m.group(1).substring(0, Math.min(m.group(1).length(), LONGEST - padded.length())) + padded);
    }

    /** The same for names that nobody tells apart aloud or at a glance: without capitals and without noughts in front of a number. */
    public String alike() {
        return NOUGHTS_IN_FRONT.matcher(text.toLowerCase(Locale.ROOT)).replaceAll("");
    }

    @Override
    public int compareTo(PointName other) {
        return NaturalOrder.INSTANCE.compare(text, other.text);
    }

    @Override
    public String toString() {
        return text;
    }
}
