package verge.app.stakeout;

import java.util.List;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.TraceStep;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.app.journal.Wire;
import verge.app.journal.Wires;
import verge.app.leaf.ReductionSteps;
import verge.core.points.StoredPoint;
import verge.core.stakeout.PointStaked;
import verge.core.stakeout.Tolerance;

/** Stakes, in journals and in the book. */
@Component
final class StakeKind extends EntryKind<PointStaked> {
    static final Wire<Tolerance> WITHIN = Wire.object(t -> {
        var plan = t.field("plan", Wires.LENGTH, Tolerance::plan);
        var height = t.field("height", Wires.LENGTH, Tolerance::height);
        return row -> new Tolerance(row.get(plan), row.get(height));
    });
    private static final Wire<PointStaked> WIRE = Wire.object(o -> {
        var setup = o.field("setup", Wire.ID, PointStaked::setup);
        var name = o.field("name", Wires.NAME, PointStaked::name);
        var design = o.field("design", Wires.POSITION, PointStaked::design);
        var reading = o.field("reading", Wires.READING, PointStaked::reading);
        var target = o.field("target", Wires.TARGET, PointStaked::target);
        var tolerance = o.field("tolerance", WITHIN, PointStaked::tolerance);
        var reason = o.field("reason", Wire.TEXT, PointStaked::reason);
        return row -> new PointStaked(row.get(setup), row.get(name), row.get(design), row.get(reading), row.get(target), row.get(tolerance),
                row.get(reason));
    });

    StakeKind() {
        super(PointStaked.class, "staked", 1, "stake");
    }

    @Override
    public Wire<PointStaked> wire() {
        return WIRE;
    }

    @Override
    public String text(PointStaked says, InBook in) {
        return says.name() + "  " + in.circle(says.reading());
    }

    @Override
    public String brief(PointStaked says, InBook in) {
        return "staked " + says.name() + "  " + in.sight(says.reading());
    }

    @Override
    public String spoken(PointStaked says, InBook in) {
        return says.name() + " staked";
    }

    @Override
    public String result(PointStaked says, InBook in) {
        return point(in).map(p -> super.result(says, in) + off(p, in) + (says.reason().isEmpty() ? "" : "; kept because: " + says.reason()))
                .orElse("");
    }

    static String off(StoredPoint p, InBook in) {
        return p.staked().map(s -> "  off " + in.state().settings().offset(s.north(), s.east()) + s.up()
                .map(u -> " H " + in.figures().difference(u)).orElse("")).orElse("");
    }

    @Override
    public List<TraceStep> steps(PointStaked says, InBook in) {
        return ReductionSteps.of(in, says.setup(), says.reading(), says.target());
    }

    @Override
    public String corrected(PointStaked was, PointStaked says, InBook in) {
        return text(says, in) + otherTarget(was.target(), says.target(), in);
    }
    @Override
    public Stream<Value<PointStaked>> values(PointStaked says, InBook in) {
        return new Values<>(says, in).name("name", "", "Name", says.name(), (was, name) -> was.renamed(n -> name))
                .target("targetHeight", "prismConstant", "", PointStaked::target, (was, target) -> was.withTargets(t -> target))
                .reading(PointStaked::reading, PointStaked::with).all();
    }
}
