package verge.instruments.standin;

import java.io.Closeable;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import verge.instruments.line.LineConnection;
import verge.instruments.line.WireMessage;
import verge.instruments.port.Background;

/** Listens on loopback and gives each caller a session that answers protocol lines. */
final class LineServer implements Closeable {
    /** One caller's conversation. */
    interface Session extends Closeable {
        /** Answers by sending on the connection; a damaged line never gets here, and what it throws becomes a refusal. */
        void handle(WireMessage message) throws IOException;

        @Override
        void close();
    }

    private final ServerSocket server;
    private final BooleanSupplier inReach;
    private final Function<LineConnection, Session> sessions;
    private final Set<LineConnection> open = ConcurrentHashMap.newKeySet();
    private volatile long deafUntilNanos = System.nanoTime();

    /**
     * @param port 0 for any free one
     * @param inReach whether a caller would be heard at all
     */
    LineServer(String name, int port, BooleanSupplier inReach, Function<LineConnection, Session> sessions) throws IOException {
        this.inReach = inReach;
        this.sessions = sessions;
        server = new ServerSocket();
        server.setReuseAddress(true);
        server.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
        Background.start(name, this::accept);
    }

    int port() {
        return server.getLocalPort();
    }

    /** Drops every link and answers nobody for a while, as when the radio is behind a wall. */
    void cut(double seconds) {
        deafUntilNanos = System.nanoTime() + (long) (seconds * 1e9);
        open.forEach(LineConnection::close);
    }

    private void accept() {
        while (!server.isClosed()) {
            try {
                Socket socket = server.accept();
                if (System.nanoTime() - deafUntilNanos < 0 || !inReach.getAsBoolean()) {
                    socket.close();
                    continue;
                }
                LineConnection connection = new LineConnection(socket);
                open.add(connection);
                Background.start(Thread.currentThread().getName() + " session", () -> converse(connection));
            } catch (IOException closedOrCallerGone) {
                // a closed server ends the loop; a caller that is gone again is of no concern
            }
        }
    }

    private void converse(LineConnection connection) {
        try (connection; Session session = sessions.apply(connection)) {
            while (true) {
                var received = connection.receive();
                if (received.isPresent()) {
                    handle(connection, session, received.get().message());
                }
            }
        } catch (IOException callerGone) {
            // the usual end of a conversation
        } finally {
            open.remove(connection);
        }
    }

    /** A question that lacks something is answered in words; the conversation goes on. */
    private static void handle(LineConnection connection, Session session, WireMessage asked) throws IOException {
        try {
            session.handle(asked);
        } catch (WireMessage.GarbledLine | IllegalArgumentException unclear) {
            connection.send(WireMessage.no(asked.tag(), String.valueOf(unclear.getMessage())));
        }
    }

    @Override
    public void close() {
        Background.close(server);
        open.forEach(LineConnection::close);
    }
}
