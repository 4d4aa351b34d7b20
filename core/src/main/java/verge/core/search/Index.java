package verge.core.search;

import java.util.Arrays;
import java.util.BitSet;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import verge.core.search.Sought.Fit;

/**
 * What can be found of a journal, entry by entry. Immutable: a later one shares with the one before all but the pages in which something
 * changed. Looking for something reads all of it, byte for byte: a hundred thousand points with their lines are some fifteen megabytes.
 */
public final class Index {
    public static final Index EMPTY = new Index(new Page[0]);

    private static final int LEAST_PAGES_A_PART = 4;

    private final Page[] pages;

    private Index(Page[] pages) {
        this.pages = pages;
    }

    /** One that was found. @param place of its entry, from 0 */
    public record Found(int place, Findable thing, Fit fit) {
    }

    /** The best of a kind. @param total how many there are */
    public record Best(List<Found> found, int total) {
        public static final Best NONE = new Best(List.of(), 0);
    }

    /** How lately something was used: 0 for the last, more the longer ago, the largest number for never. */
    public interface Lately {
        Lately NEVER = (kind, place, ordinal) -> Integer.MAX_VALUE;

        /** @param place of its entry, from 0. @param ordinal its own among what the entry has of the kind */
        int of(Findable.Kind kind, int place, int ordinal);
    }

    /** What is done with each thing that fits. */
    private interface Taking {
        void take(Page page, int place, int thing, Fit fit);
    }

    /** The same with what entries have now, by their places from 0. */
    public Index with(Map<Integer, List<Findable>> changed) {
        Map<Integer, Map<Integer, List<Findable>>> byPage = new HashMap<>();
        changed.forEach((place, things) -> byPage.computeIfAbsent(place / Page.ENTRIES, p -> new HashMap<>())
                .put(place % Page.ENTRIES, things));
        int last = byPage.keySet().stream().mapToInt(page -> page).max().orElse(-1);
        Page[] now = Arrays.copyOf(pages, Math.max(pages.length, last + 1));
        Arrays.fill(now, pages.length, now.length, Page.EMPTY);
        byPage.forEach((page, things) -> now[page] = now[page].with(things));
        return new Index(now);
    }

    /** The places of entries that have something of a kind that fits. */
    public BitSet matching(Findable.Kind kind, Sought sought) {
        BitSet matching = new BitSet();
        each(0, pages.length, sought, (page, place, thing, fit) -> {
            if (page.kind(thing) == kind) {
                matching.set(place);
            }
        });
        return matching;
    }

    /**
     * What fits best, of each kind.
     *
     * @param most of a kind
     * @param lately asked from several threads at once
     */
    public Map<Findable.Kind, Best> search(Sought sought, int most, Lately lately) {
        int parts = Math.max(1, Math.min(Runtime.getRuntime().availableProcessors(), pages.length / LEAST_PAGES_A_PART));
        List<BestFew[]> found = IntStream.range(0, parts).parallel()
                .mapToObj(part -> search(part * pages.length / parts, (part + 1) * pages.length / parts, sought, most, lately)).toList();
        Map<Findable.Kind, Best> best = new EnumMap<>(Findable.Kind.class);
        for (Findable.Kind kind : Findable.Kind.values()) {
            BestFew all = found.get(0)[kind.ordinal()];
            found.stream().skip(1).forEach(part -> all.addAll(part[kind.ordinal()]));
            all.best().ifPresent(some -> best.put(kind, some));
        }
        return best;
    }

    private BestFew[] search(int from, int to, Sought sought, int most, Lately lately) {
        BestFew[] few = Stream.of(Findable.Kind.values()).map(kind -> new BestFew(kind, most, lately)).toArray(BestFew[]::new);
        each(from, to, sought, (page, place, thing, fit) -> few[page.kind(thing).ordinal()].add(page, place, thing, fit));
        return few;
    }

    /** The latest first: of what is told latest first, most need not be looked at closely then. */
    private void each(int from, int to, Sought sought, Taking taking) {
        for (int at = to - 1; at >= from && !sought.isEmpty(); at--) {
            if (sought.mayFit(pages[at])) {
                each(pages[at], at * Page.ENTRIES, sought, taking);
            }
        }
    }

    private static void each(Page page, int before, Sought sought, Taking taking) {
        byte[] text = page.text();
        int thing = 0;
        int at = Texts.indexOf(text, 0, text.length, sought.rarest());
        while (at < text.length) {
            thing = page.thingAt(at, thing);
            Fit fit = page.fit(sought, thing);
            if (fit != Fit.NOT) {
                taking.take(page, before + page.entry(thing), thing, fit);
            }
            at = Texts.indexOf(text, page.end(thing), text.length, sought.rarest());
        }
    }
}
