package verge.core.search;

import java.nio.charset.StandardCharsets;

/** Plain texts as bytes of UTF-8, many in a row: read through in one go, much quicker than as many strings. */
final class Texts {
    /** Between a name and what is said of it; no plain text has it in it. */
    static final byte PARTED = 1;

    /**
     * Something that is looked for.
     *
     * @param anchor the place in it of a sign that stands in few texts: a letter rather than a figure, a figure rather than a blank
     */
    record Word(byte[] bytes, int anchor) {
        static Word of(String plain) {
            byte[] bytes = plain.getBytes(StandardCharsets.UTF_8);
            int anchor = 0;
            for (int i = 1; i < bytes.length; i++) {
                anchor = rarity(bytes[i]) > rarity(bytes[anchor]) ? i : anchor;
            }
            return new Word(bytes, anchor);
        }

        private static int rarity(byte sign) {
            return sign < 0 || sign >= 'a' ? 2 : sign == ' ' ? 0 : 1;
        }

        int length() {
            return bytes.length;
        }
    }

    private Texts() {
    }

    static byte[] bytes(String name, String more) {
        return (name + (char) PARTED + more).getBytes(StandardCharsets.UTF_8);
    }

    /** Where the first of a text's two parts ends. */
    static int parted(byte[] text) {
        int at = 0;
        while (text[at] != PARTED) {
            at++;
        }
        return at;
    }

    /** Where something stands first in a part of a text; the part's end if nowhere. */
    static int indexOf(byte[] text, int from, int to, Word sought) {
        byte[] wanted = sought.bytes;
        if (wanted.length == 0) {
            return from;
        }
        int anchor = sought.anchor;
        byte sign = wanted[anchor];
        int last = to - wanted.length + anchor;
        for (int at = from + anchor; at <= last; at++) {
            if (text[at] == sign && isAt(text, at - anchor, wanted)) {
                return at - anchor;
            }
        }
        return to;
    }

    private static boolean isAt(byte[] text, int at, byte[] wanted) {
        for (int i = 0; i < wanted.length; i++) {
            if (text[at + i] != wanted[i]) {
                return false;
            }
        }
        return true;
    }

    /** Whether the sign before a place is a letter or a figure. */
    static boolean isInWord(byte[] text, int at) {
        int from = at - 1;
        if (text[from] >= 0) {
            return Character.isLetterOrDigit(text[from]);
        }
        while ((text[from] & 0xC0) == 0x80) {
            from--;
        }
        return Character.isLetterOrDigit(new String(text, from, at - from, StandardCharsets.UTF_8).codePointAt(0));
    }

    /** A part of a text as it reads. Of plain letters and figures nothing is copied. */
    static CharSequence chars(byte[] text, int from, int to) {
        for (int i = from; i < to; i++) {
            if (text[i] < 0) {
                return new String(text, from, to - from, StandardCharsets.UTF_8);
            }
        }
        return new Ascii(text, from, to);
    }

    private record Ascii(byte[] text, int from, int to) implements CharSequence {
        @Override
        public int length() {
            return to - from;
        }

        @Override
        public char charAt(int index) {
            return (char) text[from + index];
        }

        @Override
        public CharSequence subSequence(int start, int end) {
            return new Ascii(text, from + start, from + end);
        }

        @Override
        public String toString() {
            return new String(text, from, to - from, StandardCharsets.US_ASCII);
        }
    }
}
