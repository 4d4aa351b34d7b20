package verge.instruments.line;

import java.util.List;
import verge.instruments.link.Runner;
import verge.instruments.driver.InstrumentDriver;
import verge.instruments.port.LinkKind;
import verge.instruments.port.LinkSetting;
import verge.instruments.port.TotalStation;

/** Instruments that speak the line protocol. */
public final class LineDriver implements InstrumentDriver {
    public static final String ID = "line";

    @Override
    public String id() {
        return ID;
    }

    @Override
    public String title() {
        return "Total station, line protocol";
    }

    @Override
    public List<LinkKind> links() {
        return List.of(LinkKind.values());
    }

    @Override
    public TotalStation open(LinkSetting setting, Runner runner) {
        return new LineTotalStation(setting, Framing.LINES, runner);
    }
}
