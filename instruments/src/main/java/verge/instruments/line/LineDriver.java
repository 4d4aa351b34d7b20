package verge.instruments.line;

import java.util.List;
import verge.instruments.port.InstrumentDriver;
import verge.instruments.port.LinkKind;
import verge.instruments.port.LinkSetting;
import verge.instruments.port.TotalStation;

/** Instruments that speak the line protocol. */
public final class LineDriver implements InstrumentDriver {
    @Override
    public String id() {
        return "line";
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
    public TotalStation open(LinkSetting setting) {
        return new LineTotalStation(setting);
    }
}
