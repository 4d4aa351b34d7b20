package verge.app.journal;

import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentMap;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;
import verge.core.journal.Entry;

/**
 * Measurements under way, one an id. Who asks again with an id that is being measured waits for that measurement and is told that it is the
 * earlier one; two measurements with one id would answer for each other although the pole was elsewhere.
 */
@Component
public class UnderWay {
    private final JournalService journals;
    private final ConcurrentMap<Asked, CompletableFuture<Kept>> measured = new ConcurrentHashMap<>();

    UnderWay(JournalService journals) {
        this.journals = journals;
    }

    private record Asked(UUID job, UUID id) {
    }

    /**
     * @param id made by the asker; what is stored or being measured under it is not measured again
     * @param measuring measures and appends; may refuse by throwing
     */
    public CompletableFuture<Kept> once(UUID job, UUID id, Supplier<CompletableFuture<Kept>> measuring) {
        Asked asked = new Asked(job, id);
        CompletableFuture<Kept> own = new CompletableFuture<>();
        CompletableFuture<Kept> earlier = measured.putIfAbsent(asked, own);
        if (earlier != null) {
            return earlier.thenApply(kept -> new Kept(kept.entry(), true));
        }
        start(job, id, measuring).whenComplete((kept, failure) -> {
            measured.remove(asked);
            if (failure == null) {
                own.complete(kept);
            } else {
                own.completeExceptionally(failure);
            }
        });
        return own;
    }

    /** Only now that no other can begin is the journal looked at: whoever was before has left only after its entry was committed. */
    private CompletableFuture<Kept> start(UUID job, UUID id, Supplier<CompletableFuture<Kept>> measuring) {
        try {
            Optional<Entry> stored = journals.journal(job).entry(id);
            return stored.map(entry -> CompletableFuture.completedFuture(new Kept(entry, true))).orElseGet(measuring);
        } catch (RuntimeException refused) {
            return CompletableFuture.failedFuture(refused);
        }
    }
}
