package verge.core.search;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Map;

/**
 * What can be found of so many entries in a row, in one text. Immutable.
 *
 * @param text of all things, one after the other: what each is called, a sign that parts, and what is said of it
 * @param things where each is, and what
 * @param firsts which thing is each entry's first; one more at the end
 * @param pairs which pairs of signs stand next to one another anywhere in it, a bit each or several one bit: a page without a pair that is
 *     looked for need not be read
 */
record Page(byte[] text, Things things, int[] firsts, long[] pairs) {
    static final int ENTRIES = 1024;
    static final Page EMPTY = of(new byte[0], new Things(new int[0], new int[0], new byte[0], new int[0], new short[0]),
            new int[ENTRIES + 1]);
    private static final int PAIRS = 4096;

    /** @param parted where each one's name ends. @param ends where all of it does. @param entries whose each is, from 0 in the page */
    record Things(int[] parted, int[] ends, byte[] kinds, int[] ordinals, short[] entries) {
        Things upTo(int count) {
            return new Things(Arrays.copyOf(parted, count), Arrays.copyOf(ends, count), Arrays.copyOf(kinds, count),
                    Arrays.copyOf(ordinals, count), Arrays.copyOf(entries, count));
        }

        int count() {
            return ends.length;
        }
    }

    private static Page of(byte[] text, Things things, int[] firsts) {
        long[] pairs = new long[PAIRS / Long.SIZE];
        for (int i = 1; i < text.length; i++) {
            int pair = pair(text[i - 1], text[i]);
            pairs[pair / Long.SIZE] |= 1L << pair;
        }
        return new Page(text, things, firsts, pairs);
    }

    private static int pair(byte one, byte next) {
        return (one * 31 + next) * 0x9E37 >>> 4 & PAIRS - 1;
    }

    /** Whether a word may stand in it; if not, it stands nowhere in it. */
    boolean mayHave(byte[] word) {
        for (int i = 1; i < word.length; i++) {
            int pair = pair(word[i - 1], word[i]);
            if ((pairs[pair / Long.SIZE] & 1L << pair) == 0) {
                return false;
            }
        }
        return true;
    }

    int from(int thing) {
        return thing == 0 ? 0 : things.ends[thing - 1];
    }

    int end(int thing) {
        return things.ends[thing];
    }

    Findable.Kind kind(int thing) {
        return Findable.Kind.of(things.kinds[thing]);
    }

    int ordinal(int thing) {
        return things.ordinals[thing];
    }

    int entry(int thing) {
        return things.entries[thing];
    }

    /** Which thing a place of the text belongs to, at or after a thing before it. */
    int thingAt(int at, int earlier) {
        int thing = earlier;
        while (things.ends[thing] <= at) {
            thing++;
        }
        return thing;
    }

    Sought.Fit fit(Sought sought, int thing) {
        return sought.fit(text, from(thing), things.parted[thing], end(thing));
    }

    /** What a thing is called, to be compared with names and not to be kept. */
    CharSequence name(int thing) {
        return Texts.chars(text, from(thing), things.parted[thing]);
    }

    Findable thing(int thing) {
        int parted = things.parted[thing];
        return new Findable(kind(thing), ordinal(thing), new String(text, from(thing), parted - from(thing), StandardCharsets.UTF_8),
                new String(text, parted + 1, end(thing) - parted - 1, StandardCharsets.UTF_8));
    }

    /** The same with what some entries have now, by their places in this page. */
    Page with(Map<Integer, List<Findable>> changed) {
        Writing writing = new Writing(things.count() + 2 * changed.size(), text.length);
        for (int entry = 0; entry < ENTRIES; entry++) {
            List<Findable> now = changed.get(entry);
            if (now == null) {
                writing.copy(this, firsts[entry], firsts[entry + 1]);
            } else {
                for (Findable thing : now) {
                    writing.add(entry, thing);
                }
            }
            writing.firsts[entry + 1] = writing.count;
        }
        return of(Arrays.copyOf(writing.text, writing.length), writing.things.upTo(writing.count), writing.firsts);
    }

    /** A page that is being written: its arrays grow. */
    private static final class Writing {
        private final int[] firsts = new int[ENTRIES + 1];
        private byte[] text;
        private Things things;
        private int length;
        private int count;

        Writing(int things, int bytes) {
            text = new byte[bytes + 64];
            this.things = new Things(new int[0], new int[0], new byte[0], new int[0], new short[0]).upTo(things);
        }

        void add(int entry, Findable thing) {
            byte[] own = Texts.bytes(thing.name(), thing.more());
            put(own, 0, own.length);
            describe(length - own.length + Texts.parted(own), (byte) thing.kind().ordinal(), thing.ordinal(), entry);
        }

        void copy(Page page, int from, int to) {
            for (int thing = from; thing < to; thing++) {
                int begin = page.from(thing);
                put(page.text, begin, page.end(thing));
                describe(length - page.end(thing) + page.things.parted[thing], page.things.kinds[thing], page.ordinal(thing),
                        page.entry(thing));
            }
        }

        private void put(byte[] from, int begin, int end) {
            if (length + end - begin > text.length) {
                text = Arrays.copyOf(text, 2 * text.length + end - begin);
            }
            System.arraycopy(from, begin, text, length, end - begin);
            length += end - begin;
        }

        private void describe(int parted, byte kind, int ordinal, int entry) {
            if (count == things.count()) {
                things = things.upTo(2 * count + 8);
            }
            things.parted[count] = parted;
            things.ends[count] = length;
            things.kinds[count] = kind;
            things.ordinals[count] = ordinal;
            things.entries[count++] = (short) entry;
        }
    }
}
