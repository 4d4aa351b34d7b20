package verge.instruments.link;

import java.time.Duration;
import java.time.Instant;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledThreadPoolExecutor;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ThreadFactory;
import java.util.concurrent.TimeUnit;

/** What links run by: threads that may wait, a clock, and what is done later. One for all links of a program; a test brings its own. */
public interface Runner {
    /** Runs a task that may wait, beside the caller. */
    void beside(String name, Runnable task);

    /** Does something short later, unless it is called off by cancelling. Never waits. */
    Future<?> later(Duration after, Runnable task);

    /** By the clock of {@link System#nanoTime}. */
    long nanos();

    Instant now();

    /** Waits, or ends at once where the thread is interrupted. @throws InterruptedException if it is */
    default void pause(Duration how) throws InterruptedException {
        TimeUnit.NANOSECONDS.sleep(how.toNanos());
    }

    /** What follows an answer: it may wait, for a database for instance. */
    default Executor following() {
        return task -> beside("what follows an answer", task);
    }

    /** The machine's own. */
    static Runner usual() {
        return Usual.ONE;
    }

    /** Daemon threads as many as are needed, and one for what is done later. */
    final class Usual implements Runner {
        private static final Usual ONE = new Usual();

        private final ExecutorService threads = Executors.newCachedThreadPool(task -> daemon(task, "link"));
        private final ScheduledExecutorService timer = timer();

        private static ScheduledExecutorService timer() {
            ThreadFactory named = task -> daemon(task, "links' timer");
            ScheduledThreadPoolExecutor one = new ScheduledThreadPoolExecutor(1, named);
            one.setRemoveOnCancelPolicy(true);   // a deadline for each write: those that were kept must not pile up
            return one;
        }

        private static Thread daemon(Runnable task, String name) {
            Thread thread = new Thread(task, name);
            thread.setDaemon(true);
            return thread;
        }

        @Override
        public void beside(String name, Runnable task) {
            threads.execute(() -> {
                Thread.currentThread().setName(name);
                task.run();
            });
        }

        @Override
        public Future<?> later(Duration after, Runnable task) {
            return timer.schedule(task, after.toNanos(), TimeUnit.NANOSECONDS);
        }

        @Override
        public long nanos() {
            return System.nanoTime();
        }

        @Override
        public Instant now() {
            return Instant.now();
        }
    }
}
