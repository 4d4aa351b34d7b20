package verge.core.search;

import java.util.Comparator;
import java.util.Optional;
import java.util.PriorityQueue;
import verge.core.coding.NaturalOrder;
import verge.core.search.Index.Found;
import verge.core.search.Sought.Fit;

/** Keeps the best of many of one kind. Lines and notes are told latest first, what bears a name in the order people count. */
final class BestFew {
    private final Findable.Kind kind;
    private final Comparator<Ranked> order;
    private final PriorityQueue<Ranked> worstFirst;
    private final Index.Lately lately;
    private final int most;
    private int total;

    private record Ranked(Found found, int lately) {
    }

    BestFew(Findable.Kind kind, int most, Index.Lately lately) {
        Comparator<Ranked> own = kind == Findable.Kind.POINT ? Comparator.comparing(r -> r.found().thing().name(), NaturalOrder.INSTANCE)
                : Comparator.comparing(r -> -r.found().place());
        this.kind = kind;
        this.order = Comparator.comparing((Ranked r) -> r.found().fit()).thenComparingInt(Ranked::lately).thenComparing(own)
                .thenComparingInt(r -> r.found().place()).thenComparingInt(r -> r.found().thing().ordinal());
        this.worstFirst = new PriorityQueue<>(order.reversed());
        this.lately = lately;
        this.most = most;
    }

    void add(Page page, int place, int thing, Fit fit) {
        total++;
        int used = lately.of(kind, place, page.ordinal(thing));
        if (most == 0 || worstFirst.size() == most && isWorse(page, place, thing, fit, used)) {
            return;
        }
        keep(new Ranked(new Found(place, page.thing(thing), fit), used));
    }

    private void keep(Ranked ranked) {
        if (worstFirst.size() < most) {
            worstFirst.add(ranked);
        } else if (order.compare(ranked, worstFirst.peek()) < 0) {
            worstFirst.poll();
            worstFirst.add(ranked);
        }
    }

    /** With what was found elsewhere. */
    void addAll(BestFew other) {
        total += other.total;
        other.worstFirst.forEach(this::keep);
    }

    /** Than the worst that is kept: most are, and nothing is made of them. */
    private boolean isWorse(Page page, int place, int thing, Fit fit, int used) {
        Ranked worst = worstFirst.peek();
        int how = fit.compareTo(worst.found().fit());
        int when = how != 0 ? how : Integer.compare(used, worst.lately());
        if (when != 0) {
            return when > 0;
        }
        return kind == Findable.Kind.POINT ? NaturalOrder.INSTANCE.compare(page.name(thing), worst.found().thing().name()) > 0
                : place < worst.found().place();
    }

    Optional<Index.Best> best() {
        return total == 0 ? Optional.empty()
                : Optional.of(new Index.Best(worstFirst.stream().sorted(order).map(Ranked::found).toList(), total));
    }
}
