package verge.core.journal;

import java.util.List;
import java.util.Optional;

/** How an entry that may say something for the whole job sees the job: nothing but what counts for the whole of it. */
public interface WholeLooks {
    /** What the latest earlier entry provided. */
    <V> Optional<V> earlier(WholeKey<V> key);

    /** What counts for the whole job, however late it was said. */
    <V> Optional<V> whole(WholeKey<V> key);

    /** All that was said for the whole job, in its order. */
    <V> List<V> wholeAll(WholeKey<V> key);
}
