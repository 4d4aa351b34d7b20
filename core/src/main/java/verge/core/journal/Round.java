package verge.core.journal;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import verge.core.coding.PointName;
import verge.core.reading.Face;
import verge.core.reading.Pointing;
import verge.core.sets.SetReduction;

/**
 * Sets of directions under way or done: what was planned, what has been read, what was taken out.
 *
 * @param entry of the plan
 */
public record Round(UUID entry, Payload.SetsPlanned plan, List<Shot> shots) {
    public Round {
        shots = List.copyOf(shots);
    }

    /** One pointing. @param takenOut why it does not count; empty while it does */
    public record Shot(UUID entry, int set, PointName mark, Pointing pointing, Optional<String> takenOut) {
    }

    /** What is to be read next. */
    public record Step(int set, PointName mark, Face face) {
    }

    Round with(UUID entry, Payload.SetPointing read) {
        List<Shot> more = new ArrayList<>(shots);
        more.add(new Shot(entry, read.set(), named(read.mark()), read.pointing(), Optional.empty()));
        return new Round(this.entry, plan, more);
    }

    Round without(Payload.SetTakenOut out) {
        return new Round(entry, plan, shots.stream().map(s -> s.set() == out.set() && out.mark().map(this::named).map(s.mark()::equals).orElse(true)
                ? new Shot(s.entry(), s.set(), s.mark(), s.pointing(), Optional.of(out.reason())) : s).toList());
    }

    /**
     * The first pointing that is missing: each set in face 1 along the marks and in face 2 back again, so that what the tripod turns by
     * drops out. Whatever interrupted a set, it goes on here.
     */
    public Optional<Step> next() {
        return steps().stream().filter(step -> shots.stream().noneMatch(s -> s.set() == step.set() && s.mark().equals(step.mark()) && s.pointing().face() == step.face()))
                .findFirst();
    }

    /** All pointings of the plan, in their order. */
    public List<Step> steps() {
        List<Step> steps = new ArrayList<>();
        List<PointName> there = plan.marks().stream().map(Payload.SetMark::name).toList();
        List<PointName> back = new ArrayList<>(there);
        Collections.reverse(back);
        for (int set = 1; set <= plan.sets(); set++) {
            int number = set;
            there.forEach(mark -> steps.add(new Step(number, mark, Face.ONE)));
            back.forEach(mark -> steps.add(new Step(number, mark, Face.TWO)));
        }
        return steps;
    }

    /** The means of what counts. */
    public SetReduction.Result reduced() {
        return SetReduction.reduce(shots.stream().filter(s -> s.takenOut().isEmpty()).map(s -> new SetReduction.SetShot(s.set(), s.mark(), s.pointing())).toList(),
                plan.marks().stream().map(Payload.SetMark::name).toList());
    }

    /** The name that a mark has now. @param filed what its pointings are written under */
    public PointName named(PointName filed) {
        return plan.marks().stream().filter(m -> m.filed().equals(filed)).map(Payload.SetMark::name).findFirst().orElse(filed);
    }

    /** The name that a mark's pointings are written under. */
    public PointName filed(PointName name) {
        return mark(name).map(Payload.SetMark::filed).orElse(name);
    }

    public Optional<Payload.SetMark> mark(PointName name) {
        return plan.marks().stream().filter(m -> m.name().equals(name)).findFirst();
    }
}
