package verge.instruments.receiver;

import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Consumer;

/**
 * Who is told what comes over a link, from the link's own thread. One that fails is no reason for the link, or for the others, to go
 * without.
 */
final class Listeners<T> {
    private static final System.Logger LOG = System.getLogger(Listeners.class.getName());

    private final List<Consumer<T>> all = new CopyOnWriteArrayList<>();

    /** @return what ends it */
    Runnable add(Consumer<T> listener) {
        all.add(listener);
        return () -> all.remove(listener);
    }

    void tell(T what) {
        for (Consumer<T> each : all) {
            try {
                each.accept(what);
            } catch (RuntimeException itsOwn) {
                LOG.log(System.Logger.Level.ERROR, "what came could not be dealt with by one who listens", itsOwn);
            }
        }
    }
}
