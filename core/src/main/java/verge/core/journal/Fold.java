package verge.core.journal;

import java.util.NavigableMap;

/**
 * Something that is kept of all that is provided under keys of a kind, so that whoever wants it need not walk over all. It is told of each
 * key under which something changed, once for all that was changed together.
 *
 * @param <K> the kind of keys
 * @param <V> what is provided under them
 * @param <R> what is kept: immutable, and equal to another that came of the same values, in whichever order they changed
 */
public interface Fold<K extends Key<V>, V, R> {
    Class<K> of();

    /** What is kept while nothing is provided. */
    R empty();

    /**
     * What is kept after a change under one key.
     *
     * @param before what was provided under it, by the place of who provided it; empty for nothing
     * @param now the same after the change
     */
    R after(R kept, K key, NavigableMap<Integer, V> before, NavigableMap<Integer, V> now);
}
