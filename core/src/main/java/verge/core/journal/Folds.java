package verge.core.journal;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.stream.Collectors;
import org.pcollections.TreePMap;

/**
 * What all folds of a sheet keep. Immutable.
 *
 * @param byKey the folds of each kind of keys
 * @param kept by fold
 */
record Folds(Map<Class<?>, List<Fold<?, ?, ?>>> byKey, Map<Fold<?, ?, ?>, Object> kept) {
    static Folds empty(List<? extends Fold<?, ?, ?>> folds) {
        return new Folds(folds.stream().collect(Collectors.groupingBy(Fold::of, Collectors.toUnmodifiableList())),
                folds.stream().collect(Collectors.toUnmodifiableMap(f -> f, Fold::empty)));
    }

    /** The same of nothing. */
    Folds emptied() {
        return new Folds(byKey, kept.keySet().stream().collect(Collectors.toUnmodifiableMap(f -> f, Fold::empty)));
    }

    @SuppressWarnings("unchecked")
    <R> R of(Fold<?, ?, R> fold) {
        Object is = kept.get(fold);
        if (is == null) {
            throw new IllegalArgumentException(fold.of().getSimpleName() + " is not folded here");
        }
        return (R) is;
    }

    /** What is kept after changes of values. */
    Folds after(Layer<Key<?>, TreePMap<Integer, Object>> values) {
        Map<Fold<?, ?, ?>, Object> now = new HashMap<>(kept);
        values.forEachChange((key, before, after) ->
                byKey.getOrDefault(key.getClass(), List.of())
                        .forEach(fold -> now.compute(fold, (f, is) -> after(fold, is, key, before, after))));
        return new Folds(byKey, Map.copyOf(now));
    }

    @SuppressWarnings("unchecked")
    private static <K extends Key<V>, V, R> R after(Fold<K, V, R> fold, Object kept, Key<?> key, TreePMap<Integer, Object> before,
            TreePMap<Integer, Object> now) {
        return fold.after((R) kept, (K) key, values(before), values(now));
    }

    @SuppressWarnings("unchecked")
    private static <V> NavigableMap<Integer, V> values(TreePMap<Integer, Object> all) {
        return (NavigableMap<Integer, V>) (NavigableMap<Integer, ?>) (all == null ? TreePMap.empty() : all);
    }
}
