package verge.instruments.ntrip;

import java.io.BufferedInputStream;
import java.io.ByteArrayOutputStream;
import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.net.SocketTimeoutException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import javax.net.ssl.SSLSocketFactory;
import verge.instruments.link.Connection;
import verge.instruments.link.Runner;

/**
 * A base's own stream on its way up to a caster (NTRIP 1 and 2), which keeps itself as {@link CorrectionLink} does. What could not be sent
 * while the link was down is dropped: old corrections help nobody.
 */
public final class CorrectionUplink implements Closeable {
    private final CasterSetting setting;
    private final SourceTable.Stream stream;
    private final AtomicLong sent = new AtomicLong();
    private final CasterCall call;

    /**
     * @param setting with the mountpoint that it is to feed
     * @param stream what the caster's table shall say of it
     * @param tells how the link fares, from its own thread
     */
    public CorrectionUplink(CasterSetting setting, SourceTable.Stream stream, Consumer<CorrectionLink.State> tells, Runner runner) {
        this.setting = setting;
        this.stream = stream;
        call = new CasterCall("base's stream to " + setting, setting, (SSLSocketFactory) SSLSocketFactory.getDefault(), tells, this::once,
                runner);
        call.open();
    }

    public CorrectionLink.State state() {
        return call.state();
    }

    /** How many bytes went. */
    public long sent() {
        return sent.get();
    }

    /** Takes what is to go. Never waits. */
    public void take(byte[] bytes) {
        if (bytes.length > 0 && call.state() == CorrectionLink.State.UP) {
            call.sendFresh(setting.version() == CasterSetting.Version.TWO ? chunk(bytes) : bytes, () -> sent.addAndGet(bytes.length));
        }
    }

    /** In one piece, so that none goes without its length. */
    private static byte[] chunk(byte[] bytes) {
        ByteArrayOutputStream chunk = new ByteArrayOutputStream(bytes.length + 12);
        chunk.writeBytes(CasterCall.bytes(Integer.toHexString(bytes.length) + "\r\n"));
        chunk.writeBytes(bytes);
        chunk.writeBytes(CasterCall.bytes("\r\n"));
        return chunk.toByteArray();
    }

    private CorrectionLink.State once(Connection<CorrectionLink.State> over) throws IOException {
        over.send(CasterCall.bytes(request(setting, stream)));
        InputStream in = new BufferedInputStream(over.in());
        CasterAnswer answer = CasterAnswer.read(in);
        if (answer.kind() != CasterAnswer.Kind.STREAM && answer.kind() != CasterAnswer.Kind.TAKES) {
            return CasterCall.refused(answer.kind());
        }
        over.tell(CorrectionLink.State.UP);
        while (over.stands() && !hasEnded(in)) {
            // a caster that takes a stream has nothing more to say
        }
        return CorrectionLink.State.LOST;
    }

    private static boolean hasEnded(InputStream in) throws IOException {
        try {
            return in.read() < 0;
        } catch (SocketTimeoutException silent) {
            return false;
        }
    }

    /** The first version knows a password for each mountpoint and no user. */
    static String request(CasterSetting s, SourceTable.Stream stream) {
        if (s.version() == CasterSetting.Version.ONE) {
            return "SOURCE " + s.password() + " /" + s.mountpoint() + "\r\nSource-Agent: " + CasterCall.AGENT + "\r\n" + stream.line()
                    .replaceFirst("^STR;[^;]*", "STR: ") + "\r\n\r\n";
        }
        return "POST /" + s.mountpoint() + " HTTP/1.1\r\nHost: " + s.host() + ":" + s.port() + "\r\nNtrip-Version: Ntrip/2.0\r\nNtrip-STR: "
                + stream.line() + "\r\nContent-Type: gnss/data\r\nTransfer-Encoding: chunked\r\nConnection: close\r\nUser-Agent: "
                + CasterCall.AGENT + "\r\n" + CasterCall.signIn(s) + "\r\n";
    }

    @Override
    public void close() {
        call.close();
    }
}
