package verge.instruments.link;

import java.io.IOException;
import java.io.OutputStream;
import java.time.Duration;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.Future;
import verge.instruments.port.Background;

/**
 * What is to go out over one connection: bounded, written by one thread, each piece within a time. Whoever puts something in never waits.
 */
final class Outbox {
    private static final System.Logger LOG = System.getLogger(Outbox.class.getName());
    private static final Piece END = new Piece(new byte[0], () -> { });

    private final Way way;
    private final Runner runner;
    private final Duration deadline;
    private final BlockingQueue<Piece> waiting;
    private volatile boolean ended;

    Outbox(String name, Way way, Runner runner, Rules rules) {
        this.way = way;
        this.runner = runner;
        deadline = rules.write();
        waiting = new ArrayBlockingQueue<>(rules.outbox());
        runner.beside(name + ", out", this::write);
    }

    /** @param written runs once it has gone */
    private record Piece(byte[] bytes, Runnable written) {
    }

    /** @return whether it will be written, unless the connection breaks */
    boolean put(byte[] bytes) {
        return !ended && waiting.offer(new Piece(bytes, () -> { }));
    }

    /** As {@link #put}, but what has waited longest makes room. */
    boolean putFresh(byte[] bytes, Runnable written) {
        Piece piece = new Piece(bytes, written);
        while (!ended && !waiting.offer(piece)) {
            waiting.poll();
        }
        return !ended;
    }

    private void write() {
        try {
            OutputStream out = way.out();
            for (Piece piece = waiting.take(); piece != END && !ended; piece = waiting.take()) {
                Future<?> late = runner.later(deadline, this::breakOff);
                out.write(piece.bytes());
                out.flush();
                late.cancel(false);
                piece.written().run();
            }
        } catch (IOException gone) {
            breakOff();   // whoever reads notices
        } catch (RuntimeException | Error senseless) {   // whatever it was: a link without a writer must not be shown as up
            LOG.log(System.Logger.Level.ERROR, "what was to go out could not be written; the link is taken up again", senseless);
            breakOff();
        } catch (InterruptedException shuttingDown) {
            Thread.currentThread().interrupt();
            breakOff();
        }
    }

    private void breakOff() {
        ended = true;
        Background.close(way.end());
    }

    void end() {
        ended = true;
        waiting.clear();
        waiting.offer(END);
    }
}
