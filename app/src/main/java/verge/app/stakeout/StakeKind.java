package verge.app.stakeout;

import java.util.List;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryKind;
import verge.app.journal.InBook;
import verge.app.journal.TraceStep;
import verge.app.journal.Value;
import verge.app.journal.Values;
import verge.app.leaf.ReductionSteps;
import verge.core.points.StoredPoint;
import verge.core.stakeout.PointStaked;

/** Stakes, in journals and in the book. */
@Component
final class StakeKind extends EntryKind<PointStaked> {
    StakeKind() {
        super(PointStaked.class, "staked", 1, "stake");
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
        return point(in).map(p -> super.result(says, in) + off(p, in) + (says.reason().isEmpty() ? "" : "; kept because: " + says.reason())).orElse("");
    }

    private static String off(StoredPoint p, InBook in) {
        return p.staked().map(s -> "  off " + in.state().settings().offset(s.north(), s.east()) + s.up().map(u -> " H " + in.figures().difference(u)).orElse("")).orElse("");
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
                .target("targetHeight", "prismConstant", "", PointStaked::target, (was, target) -> was.withTargets(t -> target)).reading(PointStaked::reading, PointStaked::with).all();
    }
}
