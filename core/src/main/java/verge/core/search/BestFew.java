package verge.core.search;

import java.util.Comparator;
import java.util.List;
import java.util.PriorityQueue;
import java.util.function.ToIntFunction;
import verge.core.coding.NaturalOrder;
import verge.core.search.Index.Found;

/** Keeps the best of many of one kind. Lines and notes are told latest first, what bears a name in the order people count. */
final class BestFew {
    private final Comparator<Ranked> order;
    private final PriorityQueue<Ranked> worstFirst;
    private final ToIntFunction<Found> lately;
    private final int most;
    private int total;

    private record Ranked(Found found, int lately) {
    }

    BestFew(Findable.Kind kind, int most, ToIntFunction<Found> lately) {
        Comparator<Ranked> own = kind == Findable.Kind.POINT ? Comparator.comparing(r -> r.found().thing().name(), NaturalOrder.INSTANCE)
                : Comparator.comparing(r -> -r.found().place());
        this.order = Comparator.comparing((Ranked r) -> r.found().fit()).thenComparingInt(Ranked::lately).thenComparing(own)
                .thenComparingInt(r -> r.found().place()).thenComparingInt(r -> r.found().thing().ordinal());
        this.worstFirst = new PriorityQueue<>(order.reversed());
        this.lately = lately;
        this.most = most;
    }

    void add(Found found) {
        total++;
        Ranked ranked = new Ranked(found, lately.applyAsInt(found));
        if (worstFirst.size() < most) {
            worstFirst.add(ranked);
        } else if (most > 0 && order.compare(ranked, worstFirst.peek()) < 0) {
            worstFirst.poll();
            worstFirst.add(ranked);
        }
    }

    Index.Best best() {
        return new Index.Best(List.copyOf(worstFirst.stream().sorted(order).map(Ranked::found).toList()), total);
    }
}
