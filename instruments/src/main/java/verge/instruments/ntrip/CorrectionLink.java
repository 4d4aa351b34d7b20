package verge.instruments.ntrip;

import java.io.BufferedInputStream;
import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.nio.charset.StandardCharsets;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import javax.net.ssl.SSLSocketFactory;

/**
 * A stream of corrections from a caster (NTRIP 1 and 2), which keeps itself as {@link KeptCall} says; one that is silent is as good as broken off.
 */
public final class CorrectionLink implements Closeable {
    private static final long POSITION_MILLIS = 10_000;
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
    private final KeptCall call;

    /** @param position a GGA sentence with its line end, to be sent where the stream wants it; empty while there is none, or if it is never to be sent */
    public CorrectionLink(CasterSetting setting, Supplier<String> position, Listener listener) {
        this(setting, position, listener, (SSLSocketFactory) SSLSocketFactory.getDefault());
    }

    /** @param tls what decides whom to trust */
    public CorrectionLink(CasterSetting setting, Supplier<String> position, Listener listener, SSLSocketFactory tls) {
        this.setting = setting;
        this.position = position;
        this.listener = listener;
        call = new KeptCall("corrections from " + setting, setting, tls, listener::state, this::once);
    }

    /** One connection from beginning to end. */
    private State once(Socket open, BooleanSupplier closed) throws IOException {
        KeptCall.send(open, request(setting, position.get()));
        InputStream in = new BufferedInputStream(open.getInputStream());
        CasterAnswer answer = CasterAnswer.read(in);
        if (answer.kind() == CasterAnswer.Kind.TABLE) {
            // Casters of the first version send their table where there is no such stream, and some where the user is none of theirs.
            boolean listed = table(answer.chunked() ? new ChunkedInput(in) : in).find(setting.mountpoint()).filter(s -> !s.open()).isPresent();
            return listed ? State.SIGN_IN_REFUSED : State.NO_SUCH_STREAM;
        }
        if (answer.kind() != CasterAnswer.Kind.STREAM) {
            return KeptCall.refused(answer.kind());
        }
        listener.state(State.UP);
        stream(open, closed, answer.chunked() ? new ChunkedInput(in) : new WithoutHeaders(in));
        return State.LOST;
    }

    private void stream(Socket open, BooleanSupplier closed, InputStream in) throws IOException {
        byte[] bytes = new byte[4_096];
        KeptCall.send(open, position.get());   // a base made for this place begins only when it knows the place
        long told = System.nanoTime();
        for (int count = in.read(bytes); count >= 0 && !closed.getAsBoolean(); count = in.read(bytes)) {
            listener.bytes(bytes, count);
            if (System.nanoTime() - told >= POSITION_MILLIS * 1_000_000) {
                told = System.nanoTime();
                KeptCall.send(open, position.get());
            }
        }
    }

    /** The streams that a caster offers. @throws IOException if it cannot be reached, refuses, or is none */
    public static SourceTable table(CasterSetting caster) throws IOException {
        return table(caster, (SSLSocketFactory) SSLSocketFactory.getDefault());
    }

    static SourceTable table(CasterSetting caster, SSLSocketFactory tls) throws IOException {
        try (Socket open = KeptCall.connected(caster, tls)) {
            KeptCall.send(open, request(caster.with(""), ""));
            InputStream in = new BufferedInputStream(open.getInputStream());
            CasterAnswer answer = CasterAnswer.read(in);
            if (answer.kind() != CasterAnswer.Kind.TABLE) {
                throw new IOException("no table: " + answer.kind());
            }
            return table(answer.chunked() ? new ChunkedInput(in) : in);
        }
    }

    private static SourceTable table(InputStream content) throws IOException {
        StringBuilder text = new StringBuilder();
        byte[] bytes = new byte[4_096];
        try {
            for (int count = content.read(bytes); count >= 0 && text.length() < LONGEST_TABLE; count = text.indexOf("ENDSOURCETABLE", Math.max(0, text.length() - 5_000)) < 0 ? content.read(bytes) : -1) {
                text.append(new String(bytes, 0, count, StandardCharsets.UTF_8));
            }
        } catch (SocketTimeoutException noEnd) {
            // what came is a table all the same
        }
        return SourceTable.read(text.toString());
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
        return text.append("User-Agent: ").append(KeptCall.AGENT).append("\r\n").append(KeptCall.signIn(s)).append("\r\n").toString();
    }

    @Override
    public void close() {
        call.close();
    }
}
