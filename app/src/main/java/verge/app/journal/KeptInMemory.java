package verge.app.journal;

import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.UUID;
import java.util.concurrent.ConcurrentMap;
import java.util.function.ToIntFunction;

/** What is kept of jobs as long as there is room: what was used longest ago goes first. */
final class KeptInMemory {
    private KeptInMemory() {
    }

    /**
     * Room for so much in all. What is heavier than half of it counts as half: the largest job is the one that must not be read anew with
     * each page.
     */
    static <V> ConcurrentMap<UUID, V> upTo(long most, ToIntFunction<V> weight) {
        return Caffeine.newBuilder().maximumWeight(most).executor(Runnable::run)
                .weigher((UUID job, V kept) -> (int) Math.min(weight.applyAsInt(kept), most / 2)).<UUID, V>build().asMap();
    }
}
