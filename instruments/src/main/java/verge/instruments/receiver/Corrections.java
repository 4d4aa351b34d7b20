package verge.instruments.receiver;

import java.io.Closeable;
import java.util.function.Supplier;
import verge.instruments.link.Runner;
import verge.instruments.ntrip.CasterSetting;
import verge.instruments.ntrip.CorrectionLink;

/** Corrections on their way from a caster to whoever wants them: passed on as they come, and looked at on the way. */
final class Corrections implements Closeable, CorrectionLink.Listener {
    private final CasterSetting setting;
    private final Taker taker;
    private final StreamReader reader;
    private final CorrectionLink link;

    /** Who gets what comes. */
    interface Taker {
        void take(byte[] bytes, int count);
    }

    /** @param position a GGA line to be sent where the stream wants one */
    Corrections(CasterSetting setting, Taker taker, Supplier<String> position, Runner runner) {
        this.setting = setting;
        this.taker = taker;
        reader = new StreamReader(setting.mountpoint());
        link = new CorrectionLink(setting, position, this, runner);
    }

    CorrectionsHeard heard() {
        return new CorrectionsHeard(setting, link.state(), reader.told());
    }

    @Override
    public void bytes(byte[] bytes, int count) {
        taker.take(bytes, count);
        reader.take(bytes, count);
    }

    @Override
    public void close() {
        link.close();
    }
}
