package verge.instruments.ntrip;

import java.io.Closeable;
import java.io.IOException;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Base64;
import java.util.function.Consumer;
import javax.net.ssl.SSLHandshakeException;
import javax.net.ssl.SSLParameters;
import javax.net.ssl.SSLSocket;
import javax.net.ssl.SSLSocketFactory;
import verge.instruments.link.Codec;
import verge.instruments.link.Connection;
import verge.instruments.link.Link;
import verge.instruments.link.Rules;
import verge.instruments.link.Runner;
import verge.instruments.link.Way;
import verge.instruments.port.Background;

/**
 * A call to a caster: broken off it is taken up again, soon the first time and more slowly the longer that does not help. Where trying
 * again could do harm, as a wrong password that locks an account, or help nothing, it stays as it is until it is opened anew.
 */
final class CasterCall implements Closeable {
    static final String AGENT = "NTRIP Verge/1.0";
    /** A base speaks every second or two. */
    static final Rules RULES = new Rules(Duration.ofSeconds(8), Duration.ofSeconds(10), Duration.ofSeconds(10), Duration.ofMillis(500),
            Duration.ofSeconds(30), Duration.ofSeconds(30), 64);

    private final Link<CorrectionLink.State, CorrectionLink.State> link;

    /** One connection, from the request to its end. */
    interface Once {
        /** @return how it ended @throws IOException if it broke off */
        CorrectionLink.State call(Connection<CorrectionLink.State> over) throws IOException;
    }

    /** @param tells how the link fares, from its own thread */
    CasterCall(String name, CasterSetting setting, SSLSocketFactory tls, Consumer<CorrectionLink.State> tells, Once once, Runner runner) {
        link = new Link<>(name, opener(setting, tls), new Speech(once, tells), CorrectionLink.State.CONNECTING, RULES, runner);
    }

    /** Begins to connect. */
    void open() {
        link.open();
    }

    CorrectionLink.State state() {
        return link.known();
    }

    /** A piece of a stream of which only the latest helps. @param written runs once it has gone */
    void sendFresh(byte[] bytes, Runnable written) {
        link.sendFresh(bytes, written);
    }

    private record Speech(Once once, Consumer<CorrectionLink.State> tells) implements Codec<CorrectionLink.State, CorrectionLink.State> {
        @Override
        public CorrectionLink.State reduce(CorrectionLink.State known, CorrectionLink.State event) {
            return event;
        }

        @Override
        public CorrectionLink.State connecting() {
            return CorrectionLink.State.CONNECTING;
        }

        @Override
        public CorrectionLink.State speak(Connection<CorrectionLink.State> over) throws IOException {
            return once.call(over);
        }

        @Override
        public CorrectionLink.State broken(IOException why) {
            return why instanceof SSLHandshakeException ? CorrectionLink.State.NOT_TRUSTED : CorrectionLink.State.LOST;
        }

        @Override
        public CorrectionLink.State closed() {
            return CorrectionLink.State.CLOSED;
        }

        @Override
        public boolean triesAgain(CorrectionLink.State ended) {
            return ended.triesAgain();
        }

        @Override
        public void changed(CorrectionLink.State known) {
            tells.accept(known);
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

    static Way.Opener opener(CasterSetting setting, SSLSocketFactory tls) {
        return setting.tls() ? rules -> secure(setting, tls, rules) : Way.tcp(setting.host(), setting.port());
    }

    private static Way secure(CasterSetting setting, SSLSocketFactory tls, Rules rules) throws IOException {
        Socket plain = Way.socket(setting.host(), setting.port(), rules);
        try {
            SSLSocket secure = (SSLSocket) tls.createSocket(plain, setting.host(), setting.port(), true);
            SSLParameters parameters = secure.getSSLParameters();
            parameters.setEndpointIdentificationAlgorithm("HTTPS");
            secure.setSSLParameters(parameters);
            secure.startHandshake();
            // the secure one would wait for a writer that is stuck before it closes
            return new Way(secure.getInputStream(), secure.getOutputStream(), plain);
        } catch (IOException | RuntimeException failed) {
            Background.close(plain);
            throw failed;
        }
    }

    static byte[] bytes(String text) {
        return text.getBytes(StandardCharsets.UTF_8);
    }

    /** The line that signs in; empty for whoever has no name there. */
    static String signIn(CasterSetting s) {
        return s.user().isEmpty() ? "" : "Authorization: Basic " + Base64.getEncoder()
                .encodeToString((s.user() + ":" + s.password()).getBytes(StandardCharsets.UTF_8)) + "\r\n";
    }

    @Override
    public void close() {
        link.close();
    }
}
