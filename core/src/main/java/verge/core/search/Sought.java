package verge.core.search;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;

/** What somebody looks for. No sign in it has a meaning of its own. */
public final class Sought {
    /** Whatever is longer names nothing. */
    public static final int LONGEST = 200;
    private static final int MOST_WORDS = 20;

    private final String whole;
    private final Texts.Word all;
    /** The longest first: it is the one that fewest things have. */
    private final List<Texts.Word> words;

    private Sought(String whole) {
        this.whole = whole;
        this.all = Texts.Word.of(whole);
        this.words = whole.isEmpty() ? List.of() : Arrays.stream(whole.split(" ")).distinct().limit(MOST_WORDS)
                .map(Texts.Word::of).sorted((a, b) -> b.length() - a.length()).toList();
    }

    public static Sought of(String typed) {
        return new Sought(Plain.of(typed.length() > LONGEST ? typed.substring(0, LONGEST) : typed));
    }

    /** All that was typed, plain. */
    public String whole() {
        return whole;
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
        return fit(plain, "");
    }

    /** How well a thing fits that has a name and more said of it: what is said counts for a little less than the name does. */
    public Fit fit(String name, String more) {
        byte[] text = Texts.bytes(name, more);
        return fit(text, 0, Texts.parted(text), text.length);
    }

    /** Whether a text has any of the words in it. @param plain in its plain form */
    public boolean isAnyIn(String plain) {
        byte[] text = plain.getBytes(StandardCharsets.UTF_8);
        return words.stream().anyMatch(word -> Texts.indexOf(text, 0, text.length, word) < text.length);
    }

    /** The word that is looked for first: a thing without it does not fit. */
    Texts.Word rarest() {
        return words.get(0);
    }

    /** Whether something of a page may fit; if not, nothing does. */
    boolean mayFit(Page page) {
        return words.stream().allMatch(word -> page.mayHave(word.bytes()));
    }

    /** How well a thing fits that stands in a text. @param parted where its name ends; what is said of it begins one place on */
    Fit fit(byte[] text, int from, int parted, int to) {
        if (words.size() > 1 && !hasAll(text, from, to)) {
            return Fit.NOT;
        }
        Fit own = part(text, from, parted);
        Fit said = own == Fit.NOT && parted + 1 < to ? part(text, parted + 1, to) : Fit.NOT;
        return own != Fit.NOT ? own : said == Fit.SAME ? Fit.BEGINS : said == Fit.BEGINS ? Fit.WORD
                : said != Fit.NOT || words.size() > 1 ? Fit.SCATTERED : Fit.NOT;
    }

    /** Of a name, or of what is said of it: all that was typed in one. */
    private Fit part(byte[] text, int from, int to) {
        int at = Texts.indexOf(text, from, to, all);
        if (at == from && to - from == all.length()) {
            return Fit.SAME;
        } else if (at == to) {
            return Fit.NOT;
        } else if (at == from) {
            return Fit.BEGINS;
        }
        for (int next = at; next < to; next = Texts.indexOf(text, next + 1, to, all)) {
            if (!Texts.isInWord(text, next)) {
                return Fit.WORD;
            }
        }
        return Fit.WITHIN;
    }

    private boolean hasAll(byte[] text, int from, int to) {
        for (Texts.Word word : words) {
            if (Texts.indexOf(text, from, to, word) == to) {
                return false;
            }
        }
        return true;
    }
}
