package verge.instruments.line;

import java.io.BufferedReader;
import java.io.Closeable;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import verge.instruments.port.Background;

/** One open socket that carries protocol lines both ways. */
public final class LineConnection implements Closeable {
    private static final int LONGEST_LINE = 1 << 16;

    private final Socket socket;
    private final BufferedReader in;
    private final OutputStream out;

    /** Wraps a connected socket and takes it over. */
    public LineConnection(Socket socket) throws IOException {
        this.socket = socket;
        socket.setTcpNoDelay(true);   // a reading of 80 bytes must not wait for company
        in = new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.UTF_8));
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
        out.write((message.encoded() + "\n").getBytes(StandardCharsets.UTF_8));
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
        String line = readLine();
        try {
            return Optional.of(new Received(WireMessage.parse(line), line));
        } catch (WireMessage.GarbledLine | IllegalArgumentException damaged) {
            return Optional.empty();
        }
    }

    private String readLine() throws IOException {
        StringBuilder line = new StringBuilder(128);
        for (int c = in.read(); c != '\n'; c = in.read()) {
            if (c < 0) {
                throw new EOFException("the other end closed");
            }
            if (line.length() == LONGEST_LINE) {
                throw new IOException("a line without end");   // a wrong device or a wrong speed: no line of it can be trusted
            }
            line.append((char) c);
        }
        return line.toString();
    }

    /** @param line exactly as it came */
    public record Received(WireMessage message, String line) {
    }

    @Override
    public void close() {
        Background.close(socket);
    }
}
