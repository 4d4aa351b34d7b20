package verge.core.journal;

import java.util.List;
import java.util.Optional;

/** How an entry sees the job while it is reckoned. Each look is remembered, so that the entry is reckoned again when what it saw changes. */
public interface Looks {
    /** What the latest earlier entry provided: the value as it was when this entry was written. */
    <V> Optional<V> before(Key<V> key);

    /** What earlier entries provided, in their order. */
    <V> List<V> all(Key<V> key);

    /** What counts for the whole job, however late it was said. */
    <V> Optional<V> whole(Key<V> key);

    /** All that was said for the whole job, in its order. */
    <V> List<V> wholeAll(Key<V> key);
}
