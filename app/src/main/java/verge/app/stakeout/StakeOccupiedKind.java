package verge.app.stakeout;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.TraceStep;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.app.journal.Wire;
import verge.app.journal.Wires;
import verge.app.measure.OccupationKind;
import verge.app.receiver.SatelliteWords;
import verge.core.occupation.PointOccupied;
import verge.core.stakeout.StakeOccupied;

/** Stakes on which a receiver stood, in journals and in the book. */
@Component
final class StakeOccupiedKind extends EntryKind<StakeOccupied> {
    private static final Wire<StakeOccupied> WIRE = wire(OccupationKind.WIRE);

    private static Wire<StakeOccupied> wire(Wire<PointOccupied> stoodWire) {
        return Wire.object(o -> {
            var stood = o.field("stood", stoodWire, StakeOccupied::stood);
            var design = o.field("design", Wires.POSITION, StakeOccupied::design);
            var tolerance = o.field("tolerance", StakeKind.WITHIN, StakeOccupied::tolerance);
            return row -> new StakeOccupied(row.get(stood), row.get(design), row.get(tolerance));
        });
    }

    StakeOccupiedKind() {
        super(StakeOccupied.class, "stake-occupied", 2, "stake");
    }

    @Override
    public Wire<StakeOccupied> wire() {
        return WIRE;
    }

    @Override
    public Map<Integer, Wire<StakeOccupied>> earlier() {
        return Map.of(1, wire(OccupationKind.WITHOUT_FRAME));
    }

    @Override
    public String text(StakeOccupied says, InBook in) {
        return says.name() + "  " + OccupationKind.solution(says.stood(), in.figures()) + "  antenna "
                + SatelliteWords.antenna(says.antenna(), in.figures());
    }

    @Override
    public String brief(StakeOccupied says, InBook in) {
        return "staked " + says.name();
    }

    @Override
    public String spoken(StakeOccupied says, InBook in) {
        return says.name() + " staked";
    }

    @Override
    public String result(StakeOccupied says, InBook in) {
        return point(in).map(p -> super.result(says, in) + StakeKind.off(p, in)
                + (says.stood().reason().isEmpty() ? "" : "; kept because: " + says.stood().reason())).orElse("");
    }

    @Override
    public List<TraceStep> steps(StakeOccupied says, InBook in) {
        return OccupationKind.stepsOf(says.stood(), in);
    }

    @Override
    public Stream<Value<StakeOccupied>> values(StakeOccupied says, InBook in) {
        return new Values<>(says, in).name("name", "", "Name", says.name(), (was, name) -> was.renamed(n -> name))
                .length("antennaHeight", "Antenna height as measured", says.antenna().height().measured(),
                (was, height) -> was.with(SatelliteWords.measured(was.antenna(), height)))
                .words("antennaTo", "Measured to: mount, reference point or rim", SatelliteWords.word(says.antenna().height().to()),
                (was, to) -> was.with(SatelliteWords.measuredTo(was.antenna(), to))).all();
    }
}
