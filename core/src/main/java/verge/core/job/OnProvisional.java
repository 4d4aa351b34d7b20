package verge.core.job;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import verge.core.base.Base;
import verge.core.base.BaseSetUp;
import verge.core.coding.PointName;
import verge.core.journal.Payload;
import verge.core.journal.Reworked;
import verge.core.points.StoredPoint;

/**
 * Which points rest on bases of which only the sky has said where they stand: measured from them, sighted from over or by such points,
 * computed from them. It is tried out: they are those that another place of the bases would move.
 */
public final class OnProvisional {
    private final JobState state;
    private final List<Base> bases;
    private final Set<Of> moved;
    private final Set<PointName> gone;

    private record Of(UUID entry, PointName name) {
    }

    private OnProvisional(JobState state, List<Base> bases, Set<Of> moved, Set<PointName> gone) {
        this.state = state;
        this.bases = bases;
        this.moved = moved;
        this.gone = gone;
    }

    public static OnProvisional of(Journal journal) {
        List<Base> bases = journal.state().bases().stream().filter(Base::provisional).toList();
        List<Payload> elsewhere = bases.stream().flatMap(b -> elsewhere(journal, b).stream()).toList();
        if (elsewhere.isEmpty()) {
            return new OnProvisional(journal.state(), bases, Set.of(), Set.of());
        }
        Moves moves = Moves.between(journal.state(), journal.tried(elsewhere).state());
        return new OnProvisional(journal.state(), bases, moves.moved().stream().map(m -> of(m.before())).collect(Collectors.toSet()),
                new HashSet<>(moves.gone()));
    }

    /** The base a metre or so away; empty for one over a mark, which follows. */
    private static Optional<Payload> elsewhere(Journal journal, Base base) {
        return journal.entry(base.entry()).map(journal::counting).filter(BaseSetUp.class::isInstance).map(BaseSetUp.class::cast)
                .filter(s -> s.held() == BaseSetUp.Held.SKY).map(s -> new Reworked(base.entry(), s.elsewhere(), ""));
    }

    private static Of of(StoredPoint point) {
        return new Of(point.entry(), point.name());
    }

    /** The bases in question, in their order. */
    public List<Base> bases() {
        return bases;
    }

    public boolean has(StoredPoint point) {
        return moved.contains(of(point)) || gone.contains(point.name()) || state.base(point.entry()).filter(Base::provisional).isPresent();
    }
}
