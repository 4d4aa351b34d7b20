package verge.instruments.receiver;

import java.io.Closeable;
import java.util.Optional;
import verge.instruments.link.Runner;
import verge.instruments.ntrip.CasterSetting;
import verge.instruments.ntrip.CorrectionLink;
import verge.instruments.ntrip.CorrectionUplink;
import verge.instruments.ntrip.SourceTable;

/** A base's stream on its way from its receiver to a caster, and heard back from there as a rover would hear it. */
public final class BaseUplink implements Closeable {
    private final CasterSetting setting;
    private final Runner runner;
    private final CorrectionUplink up;
    private final Runnable end;
    private Optional<Corrections> back = Optional.empty();
    private boolean closed;

    /**
     * @param up how the way to the caster fares
     * @param sent bytes that went
     * @param back what comes back from it; absent before the first of it went
     */
    public record Heard(CasterSetting setting, CorrectionLink.State up, long sent, Optional<CorrectionsHeard> back) {
    }

    /** @param stream what the caster's table shall say of it @param receiver whose corrections go up */
    public BaseUplink(Receiver receiver, CasterSetting setting, SourceTable.Stream stream, Runner runner) {
        this.setting = setting;
        this.runner = runner;
        up = new CorrectionUplink(setting, stream, this::fares, runner);
        end = receiver.listenToFrames(up::take);
    }

    /** Before it feeds its stream there may be none to listen to. */
    private synchronized void fares(CorrectionLink.State state) {
        if (state == CorrectionLink.State.UP && !closed && back.filter(b -> b.heard().state().triesAgain()).isEmpty()) {
            back.ifPresent(Corrections::close);
            back = Optional.of(new Corrections(setting, (bytes, count) -> { }, () -> "", runner));
        }
    }

    public synchronized Heard heard() {
        return new Heard(setting, up.state(), up.sent(), back.map(Corrections::heard));
    }

    @Override
    public synchronized void close() {
        closed = true;
        end.run();
        up.close();
        back.ifPresent(Corrections::close);
    }
}
