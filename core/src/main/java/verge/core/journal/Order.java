package verge.core.journal;

import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Collections;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Whether chapters can be reckoned together: one for each kind, and none that would wait for itself, by whatever way round. */
final class Order {
    private Order() {
    }

    /** @throws IllegalStateException if they cannot */
    static Map<Class<? extends Payload>, Chapter<?>> of(Collection<? extends Chapter<?>> chapters) {
        List<WholeChapter<?>> whole = chapters.stream()
                .filter(WholeChapter.class::isInstance).<WholeChapter<?>>map(c -> (WholeChapter<?>) c).toList();
        for (WholeChapter<?> one : whole) {
            if (reached(one, whole).contains(one)) {
                throw new IllegalStateException(one.kind().getSimpleName() + " would wait for itself");
            }
        }
        return chapters.stream().collect(Collectors.toUnmodifiableMap(Chapter::kind, Function.identity()));
    }

    /** All that one waits for, directly or through others. */
    private static Set<WholeChapter<?>> reached(WholeChapter<?> from, List<WholeChapter<?>> all) {
        Set<WholeChapter<?>> reached = new HashSet<>();
        Deque<WholeChapter<?>> next = new ArrayDeque<>(List.of(from));
        while (!next.isEmpty()) {
            WholeChapter<?> now = next.pop();
            all.stream().filter(other -> !Collections.disjoint(now.waitsFor(), other.provides())).filter(reached::add).forEach(next::push);
        }
        return reached;
    }
}
