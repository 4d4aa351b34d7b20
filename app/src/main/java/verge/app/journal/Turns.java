package verge.app.journal;

import java.time.Duration;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentMap;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Supplier;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * Who is at work on which job of this node: one at a time, in the order in which they came, without a connection to the database while they
 * wait.
 */
final class Turns {
    private final Duration patience;
    private final ConcurrentMap<UUID, Turn> turns = new ConcurrentHashMap<>();

    /** @param patience after which whoever waits is told that the job is busy */
    Turns(Duration patience) {
        this.patience = patience;
    }

    /** @param users who have it or wait for it; changed within the map's own lock only */
    private static final class Turn {
        private final ReentrantLock lock = new ReentrantLock(true);
        private int users;
    }

    /**
     * @throws SurveyException JOB_BUSY if it takes too long
     * @throws IllegalStateException within another turn at the same job: it would wait for itself
     */
    <T> T take(UUID job, Supplier<T> work) {
        Turn turn = turns.compute(job, (id, before) -> {
            Turn now = before == null ? new Turn() : before;
            now.users++;
            return now;
        });
        try {
            if (turn.lock.isHeldByCurrentThread()) {
                throw new IllegalStateException("an append within another");
            }
            if (!turn.lock.tryLock(patience.toMillis(), TimeUnit.MILLISECONDS)) {
                throw new SurveyException(Problem.JOB_BUSY, patience.toSeconds());
            }
            try {
                return work.get();
            } finally {
                turn.lock.unlock();
            }
        } catch (InterruptedException stopping) {
            Thread.currentThread().interrupt();
            throw new SurveyException(Problem.JOB_BUSY, 0);
        } finally {
            turns.computeIfPresent(job, (id, now) -> --now.users == 0 ? null : now);
        }
    }
}
