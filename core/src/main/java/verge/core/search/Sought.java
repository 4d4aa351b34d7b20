package verge.core.search;

import java.util.Arrays;
import java.util.List;

/**
 * What somebody looks for. No sign in it has a meaning of its own.
 *
 * @param whole all that was typed, plain
 * @param words its words, each of which may also stand by itself
 */
public record Sought(String whole, List<String> words) {
    /** Whatever is longer names nothing. */
    public static final int LONGEST = 200;
    private static final int MOST_WORDS = 20;

    public static Sought of(String typed) {
        String whole = Plain.of(typed.length() > LONGEST ? typed.substring(0, LONGEST) : typed);
        return new Sought(whole, whole.isEmpty() ? List.of() : Arrays.stream(whole.split(" ")).distinct().limit(MOST_WORDS).toList());
    }

    public boolean isEmpty() {
        return whole.isEmpty();
    }

    /** How well something fits, the best first. */
    public enum Fit {
        /** It is what was typed. */
        SAME,
        /** It begins with it. */
        BEGINS,
        /** One of its words begins with it. */
        WORD,
        /** It has it somewhere. */
        WITHIN,
        /** It has all the words, here and there. */
        SCATTERED,
        /** Neither. */
        NOT
    }

    /** @param plain text in its plain form */
    public Fit fit(String plain) {
        int at = plain.indexOf(whole);
        if (at < 0) {
            return words.size() > 1 && words.stream().allMatch(plain::contains) ? Fit.SCATTERED : Fit.NOT;
        } else if (at == 0) {
            return plain.length() == whole.length() ? Fit.SAME : Fit.BEGINS;
        }
        for (int next = at; next > 0; next = plain.indexOf(whole, next + 1)) {
            if (!Character.isLetterOrDigit(plain.charAt(next - 1))) {
                return Fit.WORD;
            }
        }
        return Fit.WITHIN;
    }

    /** How well a thing fits that has a name and more said of it: what is said counts for a little less than the name does. */
    public Fit fit(String name, String more) {
        Fit own = fit(name);
        if (own != Fit.NOT || more.isEmpty()) {
            return own;
        }
        Fit said = fit(more);
        return switch (said) {
            case SAME -> Fit.BEGINS;
            case BEGINS -> Fit.WORD;
            case NOT -> words.size() > 1 && words.stream().allMatch(word -> name.contains(word) || more.contains(word)) ? Fit.SCATTERED
                    : Fit.NOT;
            default -> Fit.SCATTERED;
        };
    }
}
