package verge.app.pole;

import java.util.Map;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.Value;
import verge.app.journal.Wire;
import verge.app.journal.Wires;
import verge.core.pole.TargetChosen;
import verge.core.units.Figures;

/** The prism on the pole, in journals and in the book. */
@Component
final class PrismKind extends EntryKind<TargetChosen> {
    private static final Wire<TargetChosen> WIRE = Wire.object(o -> {
        var target = o.field("target", Wires.TARGET, TargetChosen::target);
        var prism = o.field("prism", Wire.TEXT, TargetChosen::prism);
        return row -> new TargetChosen(row.get(target), row.get(prism));
    });
    private static final Wire<TargetChosen> BEFORE_PRISMS_HAD_NAMES = Wire.object(o -> {
        var target = o.field("target", Wires.TARGET);
        return row -> new TargetChosen(row.get(target));
    });

    PrismKind() {
        super(TargetChosen.class, "target", 2, "prism");
    }

    @Override
    public Wire<TargetChosen> wire() {
        return WIRE;
    }

    @Override
    public Map<Integer, Wire<TargetChosen>> earlier() {
        return Map.of(1, BEFORE_PRISMS_HAD_NAMES);
    }

    @Override
    public String text(TargetChosen says, InBook in) {
        return "pole " + in.figures().length(says.target().height()) + ", prism "
                + (says.prism() + " " + Figures.metric().small(says.target().prismConstant())).strip();
    }

    @Override
    public Stream<Value<TargetChosen>> values(TargetChosen says, InBook in) {
        return Stream.empty();
    }

    @Override
    public String saidAnew() {
        return "rework";
    }
}
