package verge.instruments.link;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Future;
import java.util.concurrent.Semaphore;

/** A clock that a test moves on: what is to be done later is done when it gets there, pauses of links included. */
final class ByHand implements Runner {
    private final List<Later> later = new ArrayList<>();
    private final List<Duration> pauses = new ArrayList<>();
    private final Semaphore wakes = new Semaphore(0);
    private long nanos;

    private record Later(long at, Runnable task, CompletableFuture<Void> done) {
    }

    @Override
    public void beside(String name, Runnable task) {
        Runner.usual().beside(name, task);
    }

    @Override
    public synchronized Future<?> later(Duration after, Runnable task) {
        Later one = new Later(nanos + after.toNanos(), task, new CompletableFuture<>());
        later.add(one);
        return one.done();
    }

    @Override
    public synchronized long nanos() {
        return nanos;
    }

    @Override
    public synchronized Instant now() {
        return Instant.EPOCH.plusNanos(nanos);
    }

    /** Waits until the test lets it go on. */
    @Override
    public void pause(Duration how) throws InterruptedException {
        synchronized (this) {
            pauses.add(how);
        }
        wakes.acquire();
    }

    synchronized List<Duration> pauses() {
        return List.copyOf(pauses);
    }

    /** Lets a link that pauses try again. */
    void tryAgain() {
        wakes.release();
    }

    /** Lets time pass. */
    void pass(Duration how) {
        List<Later> due;
        synchronized (this) {
            nanos += how.toNanos();
            due = later.stream().filter(l -> l.at() <= nanos).sorted(Comparator.comparingLong(Later::at)).toList();
            later.removeAll(due);
        }
        due.stream().filter(l -> !l.done().isCancelled()).forEach(l -> l.task().run());
    }

    /** How much is still to be done, without what was called off. */
    synchronized long open() {
        return later.stream().filter(l -> !l.done().isCancelled()).count();
    }
}
