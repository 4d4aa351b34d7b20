package verge.instruments.link;

import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.time.Duration;
import verge.instruments.port.Background;

/**
 * An open way to the other end. Reading fails when nothing came for the rules' silence; closing lets go of whoever reads or writes.
 *
 * @param out what is written through it goes at once
 */
public record Way(InputStream in, OutputStream out, Closeable end) {
    /** Opens one. */
    @FunctionalInterface
    public interface Opener {
        /** @throws IOException if nobody answers in time */
        Way open(Rules rules) throws IOException;
    }

    /** A plain socket. */
    public static Opener tcp(String host, int port) {
        return rules -> of(socket(host, port, rules));
    }

    /** A connected socket of the rules' patience. */
    public static Socket socket(String host, int port, Rules rules) throws IOException {
        Socket socket = new Socket();
        try {
            socket.connect(new InetSocketAddress(host, port), millis(rules.connect()));
            socket.setSoTimeout(millis(rules.silence()));
            socket.setTcpNoDelay(true);   // a reading of 80 bytes must not wait for company
            return socket;
        } catch (IOException | RuntimeException failed) {
            Background.close(socket);
            throw failed;
        }
    }

    public static Way of(Socket socket) throws IOException {
        return new Way(socket.getInputStream(), socket.getOutputStream(), socket);
    }

    private static int millis(Duration duration) {
        return Math.toIntExact(Math.max(1, duration.toMillis()));
    }
}
