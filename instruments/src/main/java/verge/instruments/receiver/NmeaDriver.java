package verge.instruments.receiver;

import java.util.List;
import verge.instruments.link.Runner;
import verge.instruments.port.LinkKind;
import verge.instruments.port.LinkSetting;

/** Receivers that send NMEA 0183. */
public final class NmeaDriver implements ReceiverDriver {
    public static final String ID = "nmea";

    @Override
    public String id() {
        return ID;
    }

    @Override
    public String title() {
        return "Satellite receiver, NMEA 0183";
    }

    @Override
    public List<LinkKind> links() {
        return List.of(LinkKind.CABLE);
    }

    @Override
    public Receiver open(LinkSetting setting, Runner runner) {
        return new StreamReceiver(setting, runner);
    }
}
