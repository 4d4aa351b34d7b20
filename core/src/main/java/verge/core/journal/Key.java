package verge.core.journal;

/**
 * Names something that entries provide and look at: points of a name, a leaf, the settings. A record, equal to another of the same parts.
 *
 * @param <V> what is provided under it: immutable, and equal to another of the same bits
 */
public interface Key<V> {
}
