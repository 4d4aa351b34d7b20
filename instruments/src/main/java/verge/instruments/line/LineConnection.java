package verge.instruments.line;

import java.io.Closeable;
import java.io.EOFException;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import verge.instruments.port.Background;

/** One open socket that carries protocol lines both ways, as a stand-in has it at its end. */
public final class LineConnection implements Closeable {
    private final Socket socket;
    private final Framing.Reader in;
    private final OutputStream out;

    /** Wraps a connected socket and takes it over. */
    public LineConnection(Socket socket) throws IOException {
        this.socket = socket;
        socket.setTcpNoDelay(true);   // a reading of 80 bytes must not wait for company
        in = Framing.LINES.reader(socket.getInputStream());
        out = socket.getOutputStream();
    }

    /** @param silenceMillis a longer silence counts as a dead link */
    public static LineConnection open(InetSocketAddress address, int connectMillis, int silenceMillis) throws IOException {
        Socket socket = new Socket();
        try {
            socket.connect(address, connectMillis);
            socket.setSoTimeout(silenceMillis);
            return new LineConnection(socket);
        } catch (IOException failed) {
            socket.close();
            throw failed;
        }
    }

    public synchronized void send(WireMessage message) throws IOException {
        out.write(Framing.LINES.framed(message.encoded()));
        out.flush();
    }

    /** Sends the first half of a line and closes, as a dropped link would; for stand-ins. */
    public synchronized void breakOff(WireMessage message) {
        try (socket) {
            byte[] whole = message.encoded().getBytes(StandardCharsets.UTF_8);
            out.write(whole, 0, whole.length / 2);
            out.flush();
        } catch (IOException callerGone) {
            // dropping the link was the point
        }
    }

    /**
     * Waits for the next line.
     *
     * @return empty for a damaged line
     * @throws EOFException if the other end has closed
     */
    public Optional<Received> receive() throws IOException {
        return Received.of(in.next());
    }

    /** @param line exactly as it came */
    public record Received(WireMessage message, String line) {
        /** @return empty for a damaged line */
        static Optional<Received> of(String line) {
            try {
                return Optional.of(new Received(WireMessage.parse(line), line));
            } catch (WireMessage.GarbledLine | IllegalArgumentException damaged) {
                return Optional.empty();
            }
        }
    }

    @Override
    public void close() {
        Background.close(socket);
    }
}
