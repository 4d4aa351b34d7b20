package verge.core.search;

import java.util.Arrays;
import java.util.BitSet;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToIntFunction;

/**
 * What can be found of a journal, entry by entry. Immutable: a later one shares with the one before all but the pages in which something
 * changed. Looking for something
 * reads all of it, which is quick: a hundred thousand names are a few megabytes.
 */
public final class Index {
    public static final Index EMPTY = new Index(new Findable[0][][]);
    private static final int PAGE = 1024;
    private static final Findable[] NOTHING = {};

    private final Findable[][][] pages;

    private Index(Findable[][][] pages) {
        this.pages = pages;
    }

    /** One that was found. @param place of its entry, from 0 */
    public record Found(int place, Findable thing, Sought.Fit fit) {
    }

    /** The best of a kind. @param total how many there are */
    public record Best(List<Found> found, int total) {
        public static final Best NONE = new Best(List.of(), 0);
    }

    /** The same with what entries have now, by their places from 0. */
    public Index with(Map<Integer, List<Findable>> changed) {
        int last = changed.keySet().stream().mapToInt(place -> place).max().orElse(-1);
        Findable[][][] now = Arrays.copyOf(pages, Math.max(pages.length, last / PAGE + 1));
        boolean[] own = new boolean[now.length];
        changed.forEach((place, things) -> {
            int page = place / PAGE;
            if (!own[page]) {
                now[page] = now[page] == null ? new Findable[PAGE][] : now[page].clone();
                own[page] = true;
            }
            now[page][place % PAGE] = things.isEmpty() ? NOTHING : things.toArray(Findable[]::new);
        });
        return new Index(now);
    }

    /** The places of entries that have something of a kind that fits. */
    public BitSet matching(Findable.Kind kind, Sought sought) {
        BitSet matching = new BitSet();
        for (int page = 0; page < pages.length; page++) {
            for (int i = 0; pages[page] != null && i < PAGE; i++) {
                Findable[] things = pages[page][i];
                if (things != null && Arrays.stream(things)
                        .anyMatch(t -> t.kind() == kind && sought.fit(t.name(), t.more()) != Sought.Fit.NOT)) {
                    matching.set(page * PAGE + i);
                }
            }
        }
        return matching;
    }

    /**
     * What fits best, of each kind.
     *
     * @param most of a kind
     * @param lately how lately something was used: 0 for the last, more the longer ago, the largest number for never
     */
    public Map<Findable.Kind, Best> search(Sought sought, int most, ToIntFunction<Found> lately) {
        Map<Findable.Kind, BestFew> few = new EnumMap<>(Findable.Kind.class);
        for (int page = 0; page < pages.length && !sought.isEmpty(); page++) {
            for (int i = 0; pages[page] != null && i < PAGE; i++) {
                Findable[] things = pages[page][i];
                for (int k = 0; things != null && k < things.length; k++) {
                    Sought.Fit fit = sought.fit(things[k].name(), things[k].more());
                    if (fit != Sought.Fit.NOT) {
                        few.computeIfAbsent(things[k].kind(), kind -> new BestFew(kind, most, lately))
                                .add(new Found(page * PAGE + i, things[k], fit));
                    }
                }
            }
        }
        Map<Findable.Kind, Best> best = new EnumMap<>(Findable.Kind.class);
        few.forEach((kind, all) -> best.put(kind, all.best()));
        return best;
    }
}
