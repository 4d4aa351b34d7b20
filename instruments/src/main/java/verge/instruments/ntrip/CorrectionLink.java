package verge.instruments.ntrip;

import java.io.BufferedInputStream;
import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.net.SocketTimeoutException;
import java.nio.charset.StandardCharsets;
import java.util.function.Supplier;
import javax.net.ssl.SSLSocketFactory;
import verge.instruments.link.Connection;
import verge.instruments.link.Runner;
import verge.instruments.link.Way;

/**
 * A stream of corrections from a caster (NTRIP 1 and 2), which keeps itself as {@link CasterCall} says; one that is silent is as good as
 * broken off.
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
        SIGN_IN_REFUSED, NO_SUCH_STREAM, NO_CASTER, NOT_TRUSTED,
        /** Nobody wants it any more. */
        CLOSED;

        /** Whether it goes on by itself. */
        public boolean triesAgain() {
            return ordinal() <= BUSY.ordinal();
        }
    }

    /** Who takes what comes. Called from the link's own thread; the state also by whoever closes it. */
    public interface Listener {
        void bytes(byte[] bytes, int count);

        default void state(State state) {
        }
    }

    private final CasterSetting setting;
    private final Supplier<String> position;
    private final Listener listener;
    private final Runner runner;
    private final CasterCall call;

    /**
     * @param position a GGA sentence with its line end, to be sent where the stream wants it; empty while there is none, or if it is never
     *     to be sent
     */
    public CorrectionLink(CasterSetting setting, Supplier<String> position, Listener listener, Runner runner) {
        this(setting, position, listener, (SSLSocketFactory) SSLSocketFactory.getDefault(), runner);
    }

    /** @param tls what decides whom to trust */
    public CorrectionLink(CasterSetting setting, Supplier<String> position, Listener listener, SSLSocketFactory tls, Runner runner) {
        this.setting = setting;
        this.position = position;
        this.listener = listener;
        this.runner = runner;
        call = new CasterCall("corrections from " + setting, setting, tls, listener::state, this::once, runner);
        call.open();
    }

    public State state() {
        return call.state();
    }

    /** One connection from beginning to end. */
    private State once(Connection<State> over) throws IOException {
        over.send(CasterCall.bytes(request(setting, position.get())));
        InputStream in = new BufferedInputStream(over.in());
        CasterAnswer answer = CasterAnswer.read(in);
        if (answer.kind() == CasterAnswer.Kind.TABLE) {
            // Casters of the first version send their table where there is no such stream, and some where the user is none of theirs.
            boolean listed = table(answer.chunked() ? new ChunkedInput(in) : in).find(setting.mountpoint()).filter(s -> !s.open())
                    .isPresent();
            return listed ? State.SIGN_IN_REFUSED : State.NO_SUCH_STREAM;
        }
        if (answer.kind() != CasterAnswer.Kind.STREAM) {
            return CasterCall.refused(answer.kind());
        }
        over.tell(State.UP);
        stream(over, answer.chunked() ? new ChunkedInput(in) : new WithoutHeaders(in));
        return State.LOST;
    }

    private void stream(Connection<State> over, InputStream in) throws IOException {
        byte[] bytes = new byte[4_096];
        tellPosition(over);   // a base made for this place begins only when it knows the place
        long told = runner.nanos();
        for (int count = in.read(bytes); count >= 0 && over.stands(); count = in.read(bytes)) {
            listener.bytes(bytes, count);
            if (runner.nanos() - told >= POSITION_MILLIS * 1_000_000) {
                told = runner.nanos();
                tellPosition(over);
            }
        }
    }

    private void tellPosition(Connection<State> over) {
        String now = position.get();
        if (!now.isEmpty()) {
            over.send(CasterCall.bytes(now));
        }
    }

    /** The streams that a caster offers. @throws IOException if it cannot be reached, refuses, or is none */
    public static SourceTable table(CasterSetting caster) throws IOException {
        return table(caster, (SSLSocketFactory) SSLSocketFactory.getDefault());
    }

    static SourceTable table(CasterSetting caster, SSLSocketFactory tls) throws IOException {
        Way way = CasterCall.opener(caster, tls).open(CasterCall.RULES);
        try (Closeable end = way.end()) {
            way.out().write(CasterCall.bytes(request(caster.with(""), "")));
            way.out().flush();
            InputStream in = new BufferedInputStream(way.in());
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
            for (int count = content.read(bytes); count >= 0 && text.length() < LONGEST_TABLE;
                    count = text.indexOf("ENDSOURCETABLE", Math.max(0, text.length() - 5_000)) < 0 ? content.read(bytes) : -1) {
                text.append(new String(bytes, 0, count, StandardCharsets.UTF_8));
            }
        } catch (SocketTimeoutException noEnd) {
            // what came is a table all the same
        }
        return SourceTable.read(text.toString());
    }

    static String request(CasterSetting s, String gga) {
        StringBuilder text = new StringBuilder("GET /").append(s.mountpoint())
                .append(s.version() == CasterSetting.Version.ONE ? " HTTP/1.0\r\n" : " HTTP/1.1\r\n");
        if (s.version() == CasterSetting.Version.TWO) {
            text.append("Host: ").append(s.host()).append(':').append(s.port()).append("\r\nNtrip-Version: Ntrip/2.0\r\n");
            if (!gga.isEmpty()) {
                text.append("Ntrip-GGA: ").append(gga.strip()).append("\r\n");
            }
            text.append("Connection: close\r\n");
        }
        return text.append("User-Agent: ").append(CasterCall.AGENT).append("\r\n").append(CasterCall.signIn(s)).append("\r\n").toString();
    }

    @Override
    public void close() {
        call.close();
    }
}
