package verge.app.support;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.HashSet;
import java.util.Set;

/** What lies between a browser and Verge, and can be pulled and plugged in again. */
public final class Cable implements AutoCloseable {
    private final int port;
    private final int to;
    private final Set<Socket> ends = new HashSet<>();
    private ServerSocket plug;

    public Cable(int to) throws IOException {
        this.to = to;
        try (ServerSocket free = new ServerSocket(0, 0, InetAddress.getLoopbackAddress())) {
            port = free.getLocalPort();
        }
        plugIn();
    }

    /** Where the browser goes instead. */
    public String base() {
        return "http://127.0.0.1:" + port;
    }

    public void plugIn() throws IOException {
        plug = new ServerSocket();
        plug.setReuseAddress(true);
        plug.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
        ServerSocket own = plug;
        start(() -> {
            while (!own.isClosed()) {
                join(own, own.accept());
            }
        });
    }

    public void pull() throws IOException {
        synchronized (ends) {
            plug.close();
            for (Socket end : ends) {
                end.close();
            }
            ends.clear();
        }
    }

    /** Who knocked just before the cable was pulled gets no answer either: one end left would carry all that is asked later. */
    private void join(ServerSocket through, Socket here) throws IOException {
        Socket there = new Socket(InetAddress.getLoopbackAddress(), to);
        synchronized (ends) {
            if (through.isClosed()) {
                here.close();
                there.close();
                return;
            }
            ends.add(here);
            ends.add(there);
        }
        start(() -> carry(here, there));
        start(() -> carry(there, here));
    }

    private static void carry(Socket from, Socket into) throws IOException {
        try (from; into; InputStream in = from.getInputStream(); OutputStream out = into.getOutputStream()) {
            in.transferTo(out);
        }
    }

    private interface Deed {
        void run() throws IOException;
    }

    private static void start(Deed deed) {
        Thread thread = new Thread(() -> {
            try {
                deed.run();
            } catch (IOException pulled) {
                // that is what it is for
            }
        });
        thread.setDaemon(true);
        thread.start();
    }

    @Override
    public void close() throws IOException {
        pull();
    }
}
