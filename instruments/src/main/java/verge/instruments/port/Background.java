package verge.instruments.port;

import java.io.Closeable;
import java.io.IOException;

/** What links and servers do beside the work, and how they end. */
public final class Background {
    private Background() {
    }

    /** In a thread of its own that keeps no program from ending. */
    public static Thread start(String name, Runnable task) {
        Thread thread = new Thread(task, name);
        thread.setDaemon(true);
        thread.start();
        return thread;
    }

    /** @param link null if there is none; one that is gone already has nothing left to close */
    public static void close(Closeable link) {
        if (link != null) {
            try {
                link.close();
            } catch (IOException alreadyGone) {
                // closing is all that was wanted
            }
        }
    }
}
