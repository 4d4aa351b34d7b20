package verge.instruments.standin;

import java.io.BufferedReader;
import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Base64;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import javax.net.ServerSocketFactory;
import verge.instruments.ntrip.ChunkedInput;
import verge.instruments.ntrip.SourceTable;
import verge.instruments.port.Background;

/**
 * A simulated caster: bases send it their streams and rovers hear them, by NTRIP 1 or 2, whichever the caller speaks. It knows nothing of
 * what it passes on.
 */
public final class Caster implements Closeable {
    private static final int LONGEST_LINE = 1_000;
    private static final int MOST_LINES = 50;
    /** What a listener may lag behind; a slower one is dropped, so that no other waits for it. */
    private static final int MOST_WAITING = 64;
    private static final int MOST_LISTENERS = 500;
    private static final int QUESTION_MILLIS = 10_000;
    /** Who fed a stream so long ago feeds it still. */
    private static final long FED_NANOS = 5_000_000_000L;

    /** How it misbehaves. */
    public enum Fault {
        NONE,
        /** It knows no password. */
        REFUSES,
        /** It has no stream. */
        HAS_NOTHING,
        /** A web page answers in its stead. */
        WEB_PAGE,
        /** Every stream breaks off after a second. */
        CUTS,
        /** Streams stay open and silent. */
        STALLS,
        /** Who is none of its users gets its table. */
        TABLE_FOR_STRANGERS,
        /** Before a stream of the first version it says more of itself. */
        TALKS
    }

    private final ServerSocket server;
    private final Map<String, String> accounts;
    private final Map<String, SourceTable.Stream> streams = new ConcurrentHashMap<>();
    private final Map<String, Fed> fed = new ConcurrentHashMap<>();
    private final Set<Listener> listeners = ConcurrentHashMap.newKeySet();
    private final AtomicReference<String> lastPosition = new AtomicReference<>("");
    private volatile Fault fault = Fault.NONE;

    /** By whom a stream was fed last. */
    private record Fed(Object by, long nanos) {
    }

    /** Who hears a stream. */
    private record Listener(String mountpoint, Socket socket, boolean chunked, BlockingQueue<byte[]> waiting) {
    }

    /** @param port 0 for any free one @param accounts passwords by user; none if everybody may listen @param sockets plain or encrypted */
    public Caster(int port, Map<String, String> accounts, ServerSocketFactory sockets) throws IOException {
        this.accounts = Map.copyOf(accounts);
        server = sockets.createServerSocket();
        server.setReuseAddress(true);
        server.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
        Background.start("caster", this::accept);
    }

    public int port() {
        return server.getLocalPort();
    }

    public void offer(SourceTable.Stream stream) {
        streams.put(stream.mountpoint(), stream);
    }

    public void misbehave(Fault other) {
        fault = other;
    }

    /** Sends a piece of a stream to all who hear it. */
    public void publish(String mountpoint, byte[] bytes) {
        publish(mountpoint, bytes, this);
    }

    private void publish(String mountpoint, byte[] bytes, Object by) {
        fed.put(mountpoint, new Fed(by, System.nanoTime()));
        if (fault == Fault.STALLS) {
            return;
        }
        for (Listener listener : listeners) {
            if (listener.mountpoint().equals(mountpoint) && !listener.waiting().offer(bytes)) {
                drop(listener);
            }
        }
    }

    public int listeners() {
        return listeners.size();
    }

    /** The last position that any listener told; empty if none did. */
    public String lastPosition() {
        return lastPosition.get();
    }

    private void accept() {
        while (!server.isClosed()) {
            try {
                Socket socket = server.accept();
                Background.start("caster talks", () -> talk(socket));
            } catch (IOException closedOrCallerGone) {
                // a closed server ends the loop
            }
        }
    }

    /** A question as it was asked. @param first the words of its first line */
    private record Question(List<String> first, Map<String, String> headers) {
        boolean second() {
            return headers.getOrDefault("ntrip-version", "").contains("2");
        }

        String mountpoint() {
            return first.size() > 1 ? first.get(first.get(0).equals("SOURCE") ? 2 : 1).replaceFirst("^/", "") : "";
        }
    }

    private void talk(Socket socket) {
        try (socket) {
            socket.setTcpNoDelay(true);
            socket.setSoTimeout(QUESTION_MILLIS);
            InputStream in = socket.getInputStream();
            Question question = question(in);
            socket.setSoTimeout(0);
            OutputStream out = socket.getOutputStream();
            if (fault == Fault.WEB_PAGE) {
                say(out, "HTTP/1.1 200 OK\r\nContent-Type: text/html\r\nContent-Length: 25\r\n\r\n<html>It works!</html>\r\n\r\n");
            } else if (question.first().get(0).equals("GET")) {
                answer(socket, question);
            } else if (List.of("SOURCE", "POST").contains(question.first().get(0)) && question.first().size() > 2) {
                hear(in, out, question);
            } else {
                say(out, "HTTP/1.1 400 Bad Request\r\n\r\n");
            }
        } catch (IOException | RuntimeException callerGone) {
            // whoever breaks off or asks what cannot be understood is let go
        }
    }

    private static Question question(InputStream in) throws IOException {
        List<String> first = Arrays.asList(line(in).split(" "));
        Map<String, String> headers = new ConcurrentHashMap<>();
        for (int i = 0; i < MOST_LINES; i++) {
            String line = line(in);
            if (line.isEmpty()) {
                return new Question(first, headers);
            }
            int colon = line.indexOf(':');
            if (colon > 0) {
                headers.put(line.substring(0, colon).strip().toLowerCase(Locale.ROOT), line.substring(colon + 1).strip());
            }
        }
        throw new IOException("headers without end");
    }

    private static String line(InputStream in) throws IOException {
        StringBuilder line = new StringBuilder();
        for (int c = in.read(); c != '\n'; c = in.read()) {
            if (c < 0 || line.length() > LONGEST_LINE) {
                throw new IOException("no line");
            }
            line.append((char) c);
        }
        return line.toString().stripTrailing();
    }

    private static void say(OutputStream out, String text) throws IOException {
        out.write(text.getBytes(StandardCharsets.UTF_8));
        out.flush();
    }

    private boolean mayListen(Question question) {
        if (fault == Fault.REFUSES) {
            return false;
        }
        String sent = question.headers().getOrDefault("authorization", "").replaceFirst("(?i)^basic ", "");
        return accounts.isEmpty() || accounts.entrySet().stream()
                .anyMatch(a -> Base64.getEncoder().encodeToString((a.getKey() + ":" + a.getValue()).getBytes(StandardCharsets.UTF_8))
                .equals(sent));
    }

    private void answer(Socket socket, Question question) throws IOException {
        OutputStream out = socket.getOutputStream();
        boolean second = question.second();
        Optional<SourceTable.Stream> stream = Optional.ofNullable(fault == Fault.HAS_NOTHING ? null : streams.get(question.mountpoint()));
        if (stream.isEmpty()) {
            say(out, second && !question.mountpoint()
                    .isEmpty() ? "HTTP/1.1 404 Not Found\r\nNtrip-Version: Ntrip/2.0\r\nConnection: close\r\n\r\n" : table(second));
        } else if (!stream.get().open() && !mayListen(question) || fault == Fault.REFUSES) {
            refuse(out, second);
        } else if (listeners.size() >= MOST_LISTENERS) {
            say(out, second ? "HTTP/1.1 503 Service Unavailable\r\nConnection: close\r\n\r\n" : "ERROR - Too many clients\r\n");
        } else {
            say(out,
                    second ? "HTTP/1.1 200 OK\r\nNtrip-Version: Ntrip/2.0\r\nContent-Type: gnss/data\r\nTransfer-Encoding: chunked\r\n"
                    + "Connection: close\r\n\r\n" : fault == Fault.TALKS
                    ? "ICY 200 OK\r\nServer: Ternholm caster\r\nDate: Thu, 01 May 2026 07:00:00 GMT\r\n\r\n" : "ICY 200 OK\r\n\r\n");
            Optional.ofNullable(question.headers().get("ntrip-gga")).ifPresent(lastPosition::set);
            Listener listener = new Listener(question.mountpoint(), socket, second, new ArrayBlockingQueue<>(MOST_WAITING));
            listeners.add(listener);
            Background.start("caster hears positions", () -> positions(socket));
            pass(listener);
        }
    }

    private String table(boolean second) {
        String table = new SourceTable(fault == Fault.HAS_NOTHING ? List.of() : streams.values().stream()
                .sorted(Comparator.comparing(SourceTable.Stream::mountpoint)).toList()).text();
        return (second ? "HTTP/1.1 200 OK\r\nNtrip-Version: Ntrip/2.0\r\nContent-Type: gnss/sourcetable\r\n"
                : "SOURCETABLE 200 OK\r\nContent-Type: text/plain\r\n")
                + "Content-Length: " + table.length() + "\r\nConnection: close\r\n\r\n" + table;
    }

    private void refuse(OutputStream out, boolean second) throws IOException {
        say(out, fault == Fault.TABLE_FOR_STRANGERS ? table(second) : second
                ? "HTTP/1.1 401 Unauthorized\r\nWWW-Authenticate: Basic realm=\"/\"\r\nConnection: close\r\n\r\n"
                : "ERROR - Bad Password\r\n");
    }

    /** What a rover tells while it listens. */
    private void positions(Socket socket) {
        try {
            BufferedReader lines = new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.US_ASCII));
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                if (line.startsWith("$")) {
                    lastPosition.set(line);
                }
            }
        } catch (IOException gone) {
            // its stream ends by itself
        }
    }

    private void pass(Listener listener) throws IOException {
        OutputStream out = listener.socket().getOutputStream();
        long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(1);
        try {
            while (!listener.socket().isClosed() && !(fault == Fault.CUTS && System.nanoTime() > end)) {
                byte[] bytes = listener.waiting().poll(200, TimeUnit.MILLISECONDS);
                if (bytes == null) {
                    continue;
                }
                if (listener.chunked()) {
                    say(out, Integer.toHexString(bytes.length) + "\r\n");
                }
                out.write(bytes);
                if (listener.chunked()) {
                    say(out, "\r\n");
                }
                out.flush();
            }
        } catch (InterruptedException closing) {
            Thread.currentThread().interrupt();
        } finally {
            drop(listener);
        }
    }

    private void drop(Listener listener) {
        listeners.remove(listener);
        Background.close(listener.socket());
    }

    private boolean fedByAnother(String mountpoint, Object by) {
        return Optional.ofNullable(fed.get(mountpoint)).filter(f -> f.by() != by && System.nanoTime() - f.nanos() < FED_NANOS).isPresent();
    }

    /**
     * A base that sends its stream: by the first version with a password of its own, by the second signed in like a listener. Where nobody
     * signs in, a stream that was not there is made by it.
     */
    private void hear(InputStream in, OutputStream out, Question question) throws IOException {
        boolean first = question.first().get(0).equals("SOURCE");
        boolean may = first ? accounts.isEmpty() || accounts.containsValue(question.first().get(1)) : mayListen(question);
        if (!may || fault == Fault.REFUSES) {
            say(out, first ? "ERROR - Bad Password\r\n" : "HTTP/1.1 401 Unauthorized\r\nConnection: close\r\n\r\n");
            return;
        }
        if (question.mountpoint().isBlank() || fault == Fault.HAS_NOTHING || !accounts.isEmpty()
                && !streams.containsKey(question.mountpoint())) {
            say(out, first ? "ERROR - Bad Mount Point\r\n" : "HTTP/1.1 404 Not Found\r\nConnection: close\r\n\r\n");
            return;
        }
        if (fedByAnother(question.mountpoint(), question)) {
            say(out, first ? "ERROR - Mount Point Taken\r\n" : "HTTP/1.1 409 Conflict\r\nConnection: close\r\n\r\n");
            return;
        }
        boolean made = streams.putIfAbsent(question.mountpoint(), described(question)) == null;
        say(out, first ? "ICY 200 OK\r\n\r\n" : "HTTP/1.1 200 OK\r\nNtrip-Version: Ntrip/2.0\r\n\r\n");
        InputStream content = question.headers().getOrDefault("transfer-encoding", "")
                .equalsIgnoreCase("chunked") ? new ChunkedInput(in) : in;
        byte[] bytes = new byte[4_096];
        try {
            for (int count = content.read(bytes); count >= 0; count = content.read(bytes)) {
                publish(question.mountpoint(), Arrays.copyOf(bytes, count), question);
            }
        } finally {
            fed.remove(question.mountpoint());
            if (made) {
                streams.remove(question.mountpoint());
            }
        }
    }

    /** As whoever sends it says of it. */
    private static SourceTable.Stream described(Question question) {
        String said = question.headers()
                .getOrDefault("ntrip-str", "STR;" + question.headers().getOrDefault("str", "").replaceFirst("^;", ";"));
        return SourceTable.read(said.replaceFirst("^STR;[^;]*", "STR;" + question.mountpoint())).streams().stream().findFirst()
                .orElse(new SourceTable.Stream(question.mountpoint(), "", "RTCM 3.3", "", "", Optional.empty(), false, true));
    }

    @Override
    public void close() {
        Background.close(server);
        List.copyOf(listeners).forEach(this::drop);
    }
}
