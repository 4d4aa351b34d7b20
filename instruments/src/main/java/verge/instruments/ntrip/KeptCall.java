package verge.instruments.ntrip;

import java.io.Closeable;
import java.io.IOException;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import javax.net.ssl.SSLHandshakeException;
import javax.net.ssl.SSLParameters;
import javax.net.ssl.SSLSocket;
import javax.net.ssl.SSLSocketFactory;
import verge.instruments.port.Background;

/**
 * A call to a caster that keeps itself: broken off it is taken up again, at once the first time and more slowly the longer that does not help. Where trying again could do harm, as a
 * wrong password that locks an account, or help nothing, it stays as it is until it is opened anew.
 */
final class KeptCall implements Closeable {
    static final String AGENT = "NTRIP Verge/1.0";
    private static final int CONNECT_MILLIS = 8_000;
    /** A base speaks every second or two. */
    private static final int SILENCE_MILLIS = 10_000;
    private static final long FIRST_PAUSE_MILLIS = 500;
    private static final long LONGEST_PAUSE_MILLIS = 30_000;

    private final CasterSetting setting;
    private final SSLSocketFactory tls;
    private final Once once;
    private final Consumer<CorrectionLink.State> tells;
    private final Thread thread;
    private volatile boolean closed;
    private volatile Socket socket;

    /** One connection, from the request to its end. */
    interface Once {
        /** @param closed whether nobody wants it any more @return how it ended @throws IOException if it broke off */
        CorrectionLink.State call(Socket open, BooleanSupplier closed) throws IOException;
    }

    /** @param tells how the link fares, from its own thread */
    KeptCall(String name, CasterSetting setting, SSLSocketFactory tls, Consumer<CorrectionLink.State> tells, Once once) {
        this.setting = setting;
        this.tls = tls;
        this.once = once;
        this.tells = tells;
        thread = Background.start(name, this::keep);
    }

    private void keep() {
        long pause = FIRST_PAUSE_MILLIS;
        while (!closed) {
            tells.accept(CorrectionLink.State.CONNECTING);
            long began = System.nanoTime();
            CorrectionLink.State ended = once();
            if (closed) {
                return;
            }
            tells.accept(ended);
            if (!ended.triesAgain()) {
                return;
            }
            boolean went = System.nanoTime() - began > LONGEST_PAUSE_MILLIS * 1_000_000;
            pause = went ? FIRST_PAUSE_MILLIS : pause;
            sleep(pause);
            pause = Math.min(2 * pause, LONGEST_PAUSE_MILLIS);
        }
    }

    private static void sleep(long millis) {
        try {
            Thread.sleep(millis);
        } catch (InterruptedException closing) {
            Thread.currentThread().interrupt();
        }
    }

    private CorrectionLink.State once() {
        try (Socket open = connected(setting, tls)) {
            socket = open;
            return closed ? CorrectionLink.State.LOST : once.call(open, () -> closed);
        } catch (SSLHandshakeException notTrusted) {
            return CorrectionLink.State.NOT_TRUSTED;
        } catch (IOException lost) {
            return CorrectionLink.State.LOST;
        }
    }

    static CorrectionLink.State refused(CasterAnswer.Kind kind) {
        return switch (kind) {
            case SIGN_IN -> CorrectionLink.State.SIGN_IN_REFUSED;
            case NO_STREAM, TABLE -> CorrectionLink.State.NO_SUCH_STREAM;
            case BUSY -> CorrectionLink.State.BUSY;
            default -> CorrectionLink.State.NO_CASTER;
        };
    }

    static Socket connected(CasterSetting setting, SSLSocketFactory tls) throws IOException {
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

    static void send(Socket open, String text) throws IOException {
        if (!text.isEmpty()) {
            send(open, text.getBytes(StandardCharsets.UTF_8));
        }
    }

    static void send(Socket open, byte[] bytes) throws IOException {
        open.getOutputStream().write(bytes);
        open.getOutputStream().flush();
    }

    /** The line that signs in; empty for whoever has no name there. */
    static String signIn(CasterSetting s) {
        return s.user().isEmpty() ? "" : "Authorization: Basic " + Base64.getEncoder().encodeToString((s.user() + ":" + s.password()).getBytes(StandardCharsets.UTF_8)) + "\r\n";
    }

    @Override
    public void close() {
        closed = true;
        thread.interrupt();
        Background.close(socket);
    }
}
