package verge.instruments.ntrip;

import java.io.BufferedInputStream;
import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.function.Supplier;
import javax.net.ssl.SSLHandshakeException;
import javax.net.ssl.SSLParameters;
import javax.net.ssl.SSLSocket;
import javax.net.ssl.SSLSocketFactory;
import verge.instruments.port.Background;

/**
 * A stream of corrections from a caster (NTRIP 1 and 2), which keeps itself: broken off or silent it is taken up again, at once the first time and more slowly the longer that does
 * not help. Where trying again could do harm, as a wrong password that locks an account, or help nothing, it stays as it is until it is opened anew.
 */
public final class CorrectionLink implements Closeable {
    private static final String AGENT = "NTRIP Verge/1.0";
    private static final int CONNECT_MILLIS = 8_000;
    /** A base speaks every second or two. */
    private static final int SILENCE_MILLIS = 10_000;
    private static final long POSITION_MILLIS = 10_000;
    private static final long FIRST_PAUSE_MILLIS = 500;
    private static final long LONGEST_PAUSE_MILLIS = 30_000;
    private static final int LONGEST_TABLE = 4_000_000;

    /** How the link fares. */
    public enum State {
        CONNECTING, UP,
        /** It was up or has not answered, and is tried again. */
        LOST, BUSY,
        /** Until it is opened anew. */
        SIGN_IN_REFUSED, NO_SUCH_STREAM, NO_CASTER, NOT_TRUSTED;

        /** Whether it goes on by itself. */
        public boolean triesAgain() {
            return ordinal() <= BUSY.ordinal();
        }
    }

    /** Who takes what comes. Called from the link's own thread. */
    public interface Listener {
        void bytes(byte[] bytes, int count);

        void state(State state);
    }

    private final CasterSetting setting;
    private final Supplier<String> position;
    private final Listener listener;
    private final SSLSocketFactory tls;
    private final Thread thread;
    private volatile boolean closed;
    private volatile Socket socket;

    /** @param position a GGA sentence with its line end, to be sent where the stream wants it; empty while there is none, or if it is never to be sent */
    public CorrectionLink(CasterSetting setting, Supplier<String> position, Listener listener) {
        this(setting, position, listener, (SSLSocketFactory) SSLSocketFactory.getDefault());
    }

    /** @param tls what decides whom to trust */
    public CorrectionLink(CasterSetting setting, Supplier<String> position, Listener listener, SSLSocketFactory tls) {
        this.setting = setting;
        this.position = position;
        this.listener = listener;
        this.tls = tls;
        thread = Background.start("corrections from " + setting, this::keep);
    }

    private void keep() {
        long pause = FIRST_PAUSE_MILLIS;
        while (!closed) {
            listener.state(State.CONNECTING);
            long began = System.nanoTime();
            State ended = once();
            if (closed) {
                return;
            }
            listener.state(ended);
            if (!ended.triesAgain()) {
                return;
            }
            boolean went = System.nanoTime() - began > LONGEST_PAUSE_MILLIS * 1_000_000;
            pause = went ? FIRST_PAUSE_MILLIS : pause;
            sleep(pause);
            pause = Math.min(2 * pause, LONGEST_PAUSE_MILLIS);
        }
    }

    private void sleep(long millis) {
        try {
            Thread.sleep(millis);
        } catch (InterruptedException closing) {
            Thread.currentThread().interrupt();
        }
    }

    /** One connection from beginning to end. */
    private State once() {
        try (Socket open = connected(setting, tls)) {
            socket = open;
            if (closed) {
                return State.LOST;
            }
            send(open, request(setting, position.get()));
            InputStream in = new BufferedInputStream(open.getInputStream());
            CasterAnswer answer = CasterAnswer.read(in);
            if (answer.kind() != CasterAnswer.Kind.STREAM) {
                return refused(answer.kind());
            }
            listener.state(State.UP);
            stream(open, answer.chunked() ? new ChunkedInput(in) : setting.version() == CasterSetting.Version.ONE ? new WithoutEmptyLine(in) : in);
            return State.LOST;
        } catch (SSLHandshakeException notTrusted) {
            return State.NOT_TRUSTED;
        } catch (IOException lost) {
            return State.LOST;
        }
    }

    private static State refused(CasterAnswer.Kind kind) {
        return switch (kind) {
            case SIGN_IN -> State.SIGN_IN_REFUSED;
            case NO_STREAM, TABLE -> State.NO_SUCH_STREAM;   // a caster of the first version sends its table where there is no such stream
            case BUSY -> State.BUSY;
            default -> State.NO_CASTER;
        };
    }

    private void stream(Socket open, InputStream in) throws IOException {
        byte[] bytes = new byte[4_096];
        send(open, position.get());   // a base made for this place begins only when it knows the place
        long told = System.nanoTime();
        for (int count = in.read(bytes); count >= 0 && !closed; count = in.read(bytes)) {
            listener.bytes(bytes, count);
            if (System.nanoTime() - told >= POSITION_MILLIS * 1_000_000) {
                told = System.nanoTime();
                send(open, position.get());
            }
        }
    }

    /** The streams that a caster offers. @throws IOException if it cannot be reached, refuses, or is none */
    public static SourceTable table(CasterSetting caster) throws IOException {
        return table(caster, (SSLSocketFactory) SSLSocketFactory.getDefault());
    }

    static SourceTable table(CasterSetting caster, SSLSocketFactory tls) throws IOException {
        try (Socket open = connected(caster, tls)) {
            send(open, request(caster.with(""), ""));
            InputStream in = new BufferedInputStream(open.getInputStream());
            CasterAnswer answer = CasterAnswer.read(in);
            if (answer.kind() != CasterAnswer.Kind.TABLE) {
                throw new IOException("no table: " + answer.kind());
            }
            InputStream content = answer.chunked() ? new ChunkedInput(in) : in;
            StringBuilder text = new StringBuilder();
            byte[] bytes = new byte[4_096];
            try {
                for (int count = content.read(bytes); count >= 0 && text.length() < LONGEST_TABLE && text.indexOf("ENDSOURCETABLE", Math.max(0, text.length() - 5_000)) < 0; count = content.read(bytes)) {
                    text.append(new String(bytes, 0, count, StandardCharsets.UTF_8));
                }
            } catch (SocketTimeoutException noEnd) {
                // what came is a table all the same
            }
            return SourceTable.read(text.toString());
        }
    }

    private static Socket connected(CasterSetting setting, SSLSocketFactory tls) throws IOException {
        Socket plain = new Socket();
        try {
            plain.connect(new InetSocketAddress(setting.host(), setting.port()), CONNECT_MILLIS);
            plain.setSoTimeout(SILENCE_MILLIS);
            if (!setting.tls()) {
                return plain;
            }
            SSLSocket secure = (SSLSocket) tls.createSocket(plain, setting.host(), setting.port(), true);
            SSLParameters parameters = secure.getSSLParameters();
            parameters.setEndpointIdentificationAlgorithm("HTTPS");
            secure.setSSLParameters(parameters);
            secure.startHandshake();
            return secure;
        } catch (IOException failed) {
            plain.close();
            throw failed;
        }
    }

    private static void send(Socket open, String text) throws IOException {
        if (!text.isEmpty()) {
            open.getOutputStream().write(text.getBytes(StandardCharsets.UTF_8));
            open.getOutputStream().flush();
        }
    }

    static String request(CasterSetting s, String gga) {
        StringBuilder text = new StringBuilder("GET /").append(s.mountpoint()).append(s.version() == CasterSetting.Version.ONE ? " HTTP/1.0\r\n" : " HTTP/1.1\r\n");
        if (s.version() == CasterSetting.Version.TWO) {
            text.append("Host: ").append(s.host()).append(':').append(s.port()).append("\r\nNtrip-Version: Ntrip/2.0\r\n");
            if (!gga.isEmpty()) {
                text.append("Ntrip-GGA: ").append(gga.strip()).append("\r\n");
            }
            text.append("Connection: close\r\n");
        }
        text.append("User-Agent: ").append(AGENT).append("\r\n");
        if (!s.user().isEmpty()) {
            text.append("Authorization: Basic ").append(Base64.getEncoder().encodeToString((s.user() + ":" + s.password()).getBytes(StandardCharsets.UTF_8))).append("\r\n");
        }
        return text.append("\r\n").toString();
    }

    @Override
    public void close() {
        closed = true;
        thread.interrupt();
        Background.close(socket);
    }
}
