package verge.core.journal;

import java.util.List;
import java.util.Optional;

/**
 * How an entry sees the job while it is reckoned. Each look is remembered, so that the entry is reckoned again when what it saw changes.
 */
public interface Looks extends WholeLooks {
    /** What the latest earlier entry provided: the value as it was when this entry was written. */
    <V> Optional<V> before(Key<V> key);

    /** What earlier entries provided, in their order. */
    <V> List<V> all(Key<V> key);
}
