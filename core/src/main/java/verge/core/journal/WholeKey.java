package verge.core.journal;

/**
 * Names something that counts for the whole job, however late it is said. Only a {@link WholeChapter} provides under such a key.
 *
 * @param <V> as of {@link Key}
 */
public interface WholeKey<V> extends Key<V> {
}
