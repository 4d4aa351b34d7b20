package verge.instruments.link;

import java.time.Duration;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Predicate;
import java.util.function.Supplier;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * What was asked over a link and waits for its answer, each by a tag of its own and for a time of its own. An answer that comes later, or
 * twice, is dropped. What follows an answer runs on a thread that may wait, never on the one that listens.
 */
public final class Questions<A> {
    private final Runner runner;
    private final Supplier<SurveyException> lost;
    private final AtomicLong tags = new AtomicLong();
    private final Map<String, CompletableFuture<A>> waiting = new ConcurrentHashMap<>();

    /** @param lost why nobody answers where the link is down */
    public Questions(Runner runner, Supplier<SurveyException> lost) {
        this.runner = runner;
        this.lost = lost;
    }

    /**
     * Asks.
     *
     * @param within so long it is waited for the answer
     * @param send by the tag; whether it went
     * @return fails with NO_ANSWER, with what the answer refuses, or as the link is lost
     */
    public CompletableFuture<A> ask(Duration within, Predicate<String> send) {
        String tag = Long.toString(tags.incrementAndGet());
        CompletableFuture<A> answer = new CompletableFuture<>();
        waiting.put(tag, answer);
        if (!send.test(tag)) {
            waiting.remove(tag);
            return CompletableFuture.failedFuture(lost.get());
        }
        Future<?> late = runner.later(within, () -> end(tag, new SurveyException(Problem.NO_ANSWER, within.toSeconds())));
        CompletableFuture<A> followed = new CompletableFuture<>();
        answer.whenComplete((said, failure) -> {
            late.cancel(false);
            runner.following().execute(() -> {
                if (failure == null) {
                    followed.complete(said);
                } else {
                    followed.completeExceptionally(failure);
                }
            });
        });
        return followed;
    }

    /** @return whether somebody waited for it */
    public boolean answer(String tag, A said) {
        CompletableFuture<A> asked = waiting.remove(tag);
        return asked != null && asked.complete(said);
    }

    /** The other end refuses, or nobody will answer. @return whether somebody waited for it */
    public boolean end(String tag, SurveyException why) {
        CompletableFuture<A> asked = waiting.remove(tag);
        return asked != null && asked.completeExceptionally(why);
    }

    /** The link is gone: nobody answers any more. */
    public void lost() {
        waiting.keySet().forEach(tag -> end(tag, lost.get()));
    }
}
