package verge.instruments.link;

import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.time.Duration;
import java.util.concurrent.atomic.AtomicReference;
import verge.instruments.port.Background;

/**
 * A link that keeps itself: it connects in the background, takes silence for death, tries again with growing pauses until it is closed, and
 * tells what is known at any time, at once.
 *
 * <p>Whatever happens goes through the codec's {@link Codec#reduce}, one after another; nothing changes once the link is closed. A codec
 * that fails, whatever by, ends that connection and not the link.
 */
public final class Link<S, E> implements Closeable {
    private static final System.Logger LOG = System.getLogger(Link.class.getName());

    private final String name;
    private final Way.Opener opener;
    private final Codec<S, E> codec;
    private final Rules rules;
    private final Runner runner;
    private final AtomicReference<Held<S>> held;
    private volatile Standing standing;
    private Thread keeper;

    /** What is known, and whether it is to change no more. */
    private record Held<S>(S known, boolean closed) {
    }

    /** @param name for its threads and the log @param start what is known before anything happened */
    public Link(String name, Way.Opener opener, Codec<S, E> codec, S start, Rules rules, Runner runner) {
        this.name = name;
        this.opener = opener;
        this.codec = codec;
        this.rules = rules;
        this.runner = runner;
        held = new AtomicReference<>(new Held<>(start, false));
    }

    /**
     * Begins to connect, beside the caller. It gives nothing back: whoever speaks over it must hold it before, since the other end may
     * answer before this returns.
     */
    public void open() {
        runner.beside(name, this::keep);
    }

    /** The latest that is known. Never waits. */
    public S known() {
        return held.get().known();
    }

    /** Sends over the connection that stands. Never waits. @return false without one, or if it cannot go */
    public boolean send(byte[] bytes) {
        Standing now = standing;
        return now != null && now.send(bytes);
    }

    /**
     * Sends a piece of a stream of which only the latest helps: where too much waits, the oldest makes room. Never waits.
     *
     * @param written runs once it has gone, in the writer's thread
     * @return false without a connection
     */
    public boolean sendFresh(byte[] bytes, Runnable written) {
        Standing now = standing;
        return now != null && now.outbox.putFresh(bytes, written);
    }

    /** Something happened on this side of the link. */
    public void tell(E event) {
        Held<S> now = held.updateAndGet(h -> h.closed() ? h : new Held<>(codec.reduce(h.known(), event), false));
        if (!now.closed()) {
            try {
                codec.changed(now.known());
            } catch (RuntimeException itsOwn) {   // whoever is told has a fault: the link goes on
                LOG.log(System.Logger.Level.ERROR, name + ": what has changed could not be dealt with", itsOwn);
            }
        }
    }

    private void keep() {
        keptBy(Thread.currentThread());
        try {
            Duration pause = rules.firstPause();
            while (!isClosed()) {
                tell(codec.connecting());
                long began = runner.nanos();
                E ended = once();
                tell(ended);
                codec.gone();
                if (isClosed() || !codec.triesAgain(ended)) {
                    return;
                }
                pause = runner.nanos() - began >= rules.health().toNanos() ? rules.firstPause() : pause;
                runner.pause(pause);
                pause = rules.after(pause);
            }
        } catch (InterruptedException closing) {
            // it is closed
        } finally {
            keptBy(null);
        }
    }

    /** The thread is lent: once it has left, closing must not wake it at other work. */
    private synchronized void keptBy(Thread thread) {
        keeper = thread;
        if (thread == null) {
            Thread.interrupted();
        }
    }

    private synchronized void wake() {
        if (keeper != null) {
            keeper.interrupt();
        }
    }

    private E once() {
        Standing now = null;
        try {
            now = new Standing(opener.open(rules));
            standing = now;
            return isClosed() ? codec.closed() : codec.speak(now);
        } catch (IOException brokeOff) {
            return codec.broken(brokeOff);
        } catch (RuntimeException | Error senseless) {   // whatever it was: a link without a reader must not be shown as up
            LOG.log(System.Logger.Level.ERROR, name + ": what came could not be dealt with; the link is taken up again", senseless);
            return codec.broken(new IOException(senseless));
        } finally {
            standing = null;
            if (now != null) {
                now.end();
            }
        }
    }

    private boolean isClosed() {
        return held.get().closed();
    }

    /** Ends it for good; whoever waits on it is told. Never waits. */
    @Override
    public void close() {
        Held<S> before = held.getAndUpdate(h -> h.closed() ? h : new Held<>(codec.reduce(h.known(), codec.closed()), true));
        if (before.closed()) {
            return;
        }
        Standing now = standing;
        if (now != null) {
            now.end();
        }
        wake();
        codec.gone();
    }

    /** The connection that stands. */
    private final class Standing implements Connection<E> {
        private final Way way;
        private final Outbox outbox;
        private volatile boolean over;

        Standing(Way way) {
            this.way = way;
            outbox = new Outbox(name, way, runner, rules);
        }

        @Override
        public InputStream in() {
            return way.in();
        }

        @Override
        public boolean send(byte[] bytes) {
            return outbox.put(bytes);
        }

        @Override
        public void tell(E event) {
            if (!over) {
                Link.this.tell(event);
            }
        }

        @Override
        public void later(Duration after, Runnable task) {
            runner.later(after, () -> {
                if (stands()) {
                    task.run();
                }
            });
        }

        @Override
        public boolean stands() {
            return !over && !isClosed();
        }

        void end() {
            over = true;
            outbox.end();
            Background.close(way.end());
        }
    }
}
