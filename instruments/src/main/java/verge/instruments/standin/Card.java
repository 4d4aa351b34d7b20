package verge.instruments.standin;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.ByteArrayOutputStream;
import java.io.Closeable;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Base64;
import java.util.Map;
import java.util.OptionalLong;
import java.util.TreeMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.function.BooleanSupplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** A simulated receiver's card: what is written on it, and its files over plain HTTP with ranges and digests (RFC 9110, RFC 9530). */
public final class Card implements Closeable {
    static final double WHOLE_MEGABYTES = 4_000;
    private static final double MEGABYTE = 1e6;
    private static final Pattern RANGE = Pattern.compile("bytes=(\\d+)-");

    /** How handing out goes wrong, once. */
    public enum Fault {
        NONE,
        /** The connection ends in the middle. */
        CUTS,
        /** A byte comes otherwise than it was written. */
        SPOILS
    }

    private final Map<String, ByteArrayOutputStream> files = new TreeMap<>();
    private final HttpServer server;
    private final ExecutorService answering = Executors.newCachedThreadPool(task -> {
        Thread thread = new Thread(task, "card");
        thread.setDaemon(true);
        return thread;
    });
    private final BooleanSupplier alive;
    private double free = WHOLE_MEGABYTES * 0.92;
    private boolean in = true;
    private Fault fault = Fault.NONE;

    /** @param alive whether the receiver has power */
    Card(BooleanSupplier alive) throws IOException {
        this.alive = alive;
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.createContext("/", this::answer);
        server.setExecutor(answering);
        server.start();
    }

    int port() {
        return server.getAddress().getPort();
    }

    synchronized boolean isIn() {
        return in;
    }

    synchronized double free() {
        return free;
    }

    /** @param megabytes free from now on; below nought it is taken out */
    synchronized void free(double megabytes) {
        in = megabytes >= 0;
        free = Math.max(0, megabytes);
    }

    synchronized void misbehave(Fault other) {
        fault = other;
    }

    /** Writes behind what a file has already. @return whether it was all written: not without a card, nor on a full one */
    synchronized boolean write(String file, byte[] bytes) {
        if (!in || bytes.length > free * MEGABYTE) {
            free = in && bytes.length > 0 ? 0 : free;
            return false;
        }
        files.computeIfAbsent(file, f -> new ByteArrayOutputStream()).writeBytes(bytes);
        free -= bytes.length / MEGABYTE;
        return true;
    }

    synchronized long size(String file) {
        return files.containsKey(file) ? files.get(file).size() : 0;
    }

    private synchronized byte[] bytes(String file) {
        return in && files.containsKey(file) ? files.get(file).toByteArray() : null;
    }

    private synchronized byte[] list() {
        return files.entrySet().stream().map(f -> f.getKey() + "\t" + f.getValue().size() + "\n").collect(Collectors.joining())
                .getBytes(StandardCharsets.UTF_8);
    }

    private synchronized Fault takeFault() {
        Fault now = fault;
        fault = Fault.NONE;
        return now;
    }

    private void answer(HttpExchange exchange) throws IOException {
        try (exchange) {
            if (!alive.getAsBoolean() || !isIn()) {
                return;   // as a machine that is off
            }
            String file = URLDecoder.decode(exchange.getRequestURI().getRawPath().substring(1), StandardCharsets.UTF_8);
            byte[] bytes = file.isEmpty() ? list() : bytes(file);
            if (bytes == null) {
                exchange.sendResponseHeaders(404, -1);
                return;
            }
            exchange.getResponseHeaders().add("Repr-Digest", "sha-256=:" + Base64.getEncoder()
                    .encodeToString(MessageDigest.getInstance("SHA-256").digest(bytes)) + ":");
            hand(exchange, bytes, file.isEmpty() ? Fault.NONE : takeFault());
        } catch (NoSuchAlgorithmException everyPlatformHasIt) {
            throw new IllegalStateException(everyPlatformHasIt);
        }
    }

    private static void hand(HttpExchange exchange, byte[] bytes, Fault now) throws IOException {
        OptionalLong from = from(exchange.getRequestHeaders().getFirst("Range"));
        int first = (int) Math.min(bytes.length, from.orElse(0));
        if (from.isPresent()) {
            exchange.getResponseHeaders().add("Content-Range", "bytes " + first + "-" + (bytes.length - 1) + "/" + bytes.length);
        }
        exchange.sendResponseHeaders(from.isPresent() ? 206 : 200, bytes.length == first ? -1 : bytes.length - first);
        int count = now == Fault.CUTS ? (bytes.length - first) / 2 : bytes.length - first;
        if (now == Fault.SPOILS && count > 0) {
            bytes[first + count / 2] ^= 1;
        }
        exchange.getResponseBody().write(bytes, first, count);
        exchange.getResponseBody().flush();
    }

    private static OptionalLong from(String range) {
        Matcher matched = RANGE.matcher(range == null ? "" : range);
        return matched.matches() ? OptionalLong.of(Long.parseLong(matched.group(1))) : OptionalLong.empty();
    }

    @Override
    public void close() {
        server.stop(0);
        answering.shutdownNow();
    }
}
