package verge.core.sets;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.journal.Chapter;
import verge.core.journal.Line;
import verge.core.journal.Looks;
import verge.core.journal.Outcome;
import verge.core.leaf.LeafOf;
import verge.core.points.Origin;
import verge.core.points.Points;
import verge.core.points.PointsNamed;
import verge.core.points.StoredPoint;

/** What sets of directions come to. */
public final class SetEntries {
    private SetEntries() {
    }

    public static List<Chapter<?>> chapters() {
        return List.of(Chapter.of(SetsPlanned.class, (line, looks) -> Outcome.of(new PlanOf(line.id()), line.says())
                .and(new Plans(), line.id())),
                Chapter.of(SetPointing.class, (line, looks) ->
                Outcome.of(new DoneInSets(line.says().plan()), new Round.Read(line.id(), line.says()))),
                Chapter.of(SetTakenOut.class, (line, looks) -> Outcome.of(new DoneInSets(line.says().plan()), new Round.Out(line.says()))),
                Chapter.of(MarkCarried.class, SetEntries::carried));
    }

    /** The means as they were then, and not what is read or taken out later: the mark was approved as it was seen. */
    private static Outcome carried(Line<MarkCarried> line, Looks looks) {
        UUID plan = line.says().plan();
        Optional<Round> round = looks.before(new PlanOf(plan)).map(planned -> Round.of(plan, planned, looks.all(new DoneInSets(plan))));
        return round.flatMap(r -> point(line, r, looks)).map(Points::outcome).orElse(Outcome.NOTHING);
    }

    private static Optional<StoredPoint> point(Line<MarkCarried> line, Round round, Looks looks) {
        UUID setup = round.plan().setup();
        PointName name = round.named(line.says().mark());
        return looks.before(new LeafOf(setup))
                .flatMap(leaf -> round.carried(leaf, name, known -> Points.latest(looks.all(new PointsNamed(known)), Origin.CONTROL)
                .map(StoredPoint::position)))
                .map(o -> new StoredPoint(line.id(), name, Code.NONE, Origin.CONTROL, o.position(), Optional.of(o.sigma()),
                Optional.empty(), Optional.of(setup)));
    }
}
