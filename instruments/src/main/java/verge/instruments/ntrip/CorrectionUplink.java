package verge.instruments.ntrip;

import java.io.BufferedInputStream;
import java.io.Closeable;
import java.io.IOException;
import java.net.Socket;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import javax.net.ssl.SSLSocketFactory;

/**
 * A base's own stream on its way up to a caster (NTRIP 1 and 2), which keeps itself as {@link CorrectionLink} does. What could not be sent while the link was down is dropped: old
 * corrections help nobody.
 */
public final class CorrectionUplink implements Closeable {
    /** Some seconds of a base; a link that is so far behind sends nothing of use. */
    private static final int MOST_WAITING = 64;

    private final CasterSetting setting;
    private final SourceTable.Stream stream;
    private final BlockingQueue<byte[]> waiting = new LinkedBlockingQueue<>(MOST_WAITING);
    private final AtomicLong sent = new AtomicLong();
    private final Consumer<CorrectionLink.State> tells;
    private final KeptCall call;
    private volatile CorrectionLink.State state = CorrectionLink.State.CONNECTING;

    /** @param setting with the mountpoint that it is to feed @param stream what the caster's table shall say of it @param tells how the link fares, from its own thread */
    public CorrectionUplink(CasterSetting setting, SourceTable.Stream stream, Consumer<CorrectionLink.State> tells) {
        this.setting = setting;
        this.stream = stream;
        this.tells = tells;
        call = new KeptCall("base's stream to " + setting, setting, (SSLSocketFactory) SSLSocketFactory.getDefault(), this::state, this::once);
    }

    private void state(CorrectionLink.State other) {
        state = other;
        tells.accept(other);
    }

    public CorrectionLink.State state() {
        return state;
    }

    /** How many bytes went. */
    public long sent() {
        return sent.get();
    }

    /** Takes what is to go. Never waits. */
    public void take(byte[] bytes) {
        while (state == CorrectionLink.State.UP && !waiting.offer(bytes)) {
            waiting.poll();
        }
    }

    private CorrectionLink.State once(Socket open, BooleanSupplier closed) throws IOException {
        KeptCall.send(open, request(setting, stream));
        CasterAnswer answer = CasterAnswer.read(new BufferedInputStream(open.getInputStream()));
        if (answer.kind() != CasterAnswer.Kind.STREAM && answer.kind() != CasterAnswer.Kind.TAKES) {
            return KeptCall.refused(answer.kind());
        }
        waiting.clear();
        state(CorrectionLink.State.UP);
        while (!closed.getAsBoolean()) {
            byte[] bytes = next();
            if (bytes.length > 0) {
                if (setting.version() == CasterSetting.Version.TWO) {
                    KeptCall.send(open, Integer.toHexString(bytes.length) + "\r\n");
                }
                KeptCall.send(open, bytes);
                KeptCall.send(open, setting.version() == CasterSetting.Version.TWO ? "\r\n" : "");
                sent.addAndGet(bytes.length);
            }
        }
        return CorrectionLink.State.LOST;
    }

    private byte[] next() throws IOException {
        try {
            byte[] bytes = waiting.poll(1, TimeUnit.SECONDS);
            return bytes == null ? new byte[0] : bytes;
        } catch (InterruptedException closing) {
            Thread.currentThread().interrupt();
            throw new IOException(closing);
        }
    }

    /** The first version knows a password for each mountpoint and no user. */
    static String request(CasterSetting s, SourceTable.Stream stream) {
        if (s.version() == CasterSetting.Version.ONE) {
            return "SOURCE " + s.password() + " /" + s.mountpoint() + "\r\nSource-Agent: " + KeptCall.AGENT + "\r\n" + stream.line().replaceFirst("^STR;[^;]*", "STR: ") + "\r\n\r\n";
        }
        return "POST /" + s.mountpoint() + " HTTP/1.1\r\nHost: " + s.host() + ":" + s.port() + "\r\nNtrip-Version: Ntrip/2.0\r\nNtrip-STR: " + stream.line() + "\r\nContent-Type: gnss/data\r\nTransfer-Encoding: chunked\r\nConnection: close\r\nUser-Agent: "
                + KeptCall.AGENT + "\r\n" + KeptCall.signIn(s) + "\r\n";
    }

    @Override
    public void close() {
        call.close();
    }
}
