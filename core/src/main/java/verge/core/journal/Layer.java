package verge.core.journal;

import java.util.HashMap;
import java.util.Map;
import org.pcollections.PMap;

/**
 * Changes laid over a persistent map until they are merged into it: what is changed many times in one wave is then put in its place once.
 */
final class Layer<K, V> {
    private final PMap<K, V> under;
    /** Null for what is gone. */
    private final Map<K, V> changed = new HashMap<>();

    Layer(PMap<K, V> under) {
        this.under = under;
    }

    /** @return null if there is none */
    V get(K key) {
        V now = changed.get(key);
        return now != null || changed.containsKey(key) ? now : under.get(key);
    }

    void put(K key, V value) {
        changed.put(key, value);
    }

    void remove(K key) {
        changed.put(key, null);
    }

    /** The changes, each with what it was before and is now; null for what is not there. */
    void forEachChange(Change<K, V> to) {
        changed.forEach((key, now) -> to.take(key, under.get(key), now));
    }

    /** What takes a change. */
    interface Change<K, V> {
        void take(K key, V before, V now);
    }

    PMap<K, V> merged() {
        PMap<K, V> merged = under;
        for (Map.Entry<K, V> change : changed.entrySet()) {
            merged = change.getValue() == null ? merged.minus(change.getKey()) : merged.plus(change.getKey(), change.getValue());
        }
        return merged;
    }
}
