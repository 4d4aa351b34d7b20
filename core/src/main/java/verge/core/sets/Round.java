package verge.core.sets;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.leaf.Leaf;
import verge.core.reading.Face;
import verge.core.reading.Pointing;
import verge.core.setup.ObservedPoint;

/**
 * Sets of directions under way or done: what was planned, what has been read, what was taken out.
 *
 * @param entry of the plan
 */
public record Round(UUID entry, SetsPlanned plan, List<Shot> shots) {
    public Round {
        shots = List.copyOf(shots);
    }

    /** One pointing. @param takenOut why it does not count; empty while it does */
    public record Shot(UUID entry, int set, PointName mark, Pointing pointing, Optional<String> takenOut) {
    }

    /** What is to be read next. */
    public record Step(int set, PointName mark, Face face) {
    }

    /** What happens in sets after they are planned. */
    public sealed interface Done permits Read, Out {
    }

    /** A pointing. */
    public record Read(UUID entry, SetPointing pointing) implements Done {
    }

    /** One mark of a set, or the whole set, taken out. */
    public record Out(SetTakenOut out) implements Done {
    }

    /** @param done in its order: taking out concerns what was read before */
    public static Round of(UUID entry, SetsPlanned plan, List<Done> done) {
        Round named = new Round(entry, plan, List.of());
        List<Shot> shots = new ArrayList<>();
        for (Done each : done) {
            if (each instanceof Read read) {
                shots.add(new Shot(read.entry(), read.pointing().set(), named.named(read.pointing().mark()), read.pointing().pointing(),
                        Optional.empty()));
            } else if (each instanceof Out out) {
                shots.replaceAll(s -> s.set() == out.out().set() && out.out().mark().map(named::named).map(s.mark()::equals).orElse(true)
                        ? new Shot(s.entry(), s.set(), s.mark(), s.pointing(), Optional.of(out.out().reason())) : s);
            }
        }
        return new Round(entry, plan, shots);
    }

    /** A mark as the means give it; empty while it lacks a face or a distance. @param known coordinates of the marks that orient */
    public Optional<ObservedPoint> carried(Leaf leaf, PointName name, Function<PointName, Optional<Position>> known) {
        return mark(name).flatMap(m -> CarriedMark.of(leaf.station(), reduced(), name, m.target(), known));
    }

    /**
     * The first pointing that is missing: each set in face 1 along the marks and in face 2 back again, so that what the tripod turns by
     * drops out. Whatever interrupted a set, it goes on here.
     */
    public Optional<Step> next() {
        return steps().stream().filter(step -> shots.stream()
                .noneMatch(s -> s.set() == step.set() && s.mark().equals(step.mark()) && s.pointing().face() == step.face()))
                .findFirst();
    }

    /** All pointings of the plan, in their order. */
    public List<Step> steps() {
        List<Step> steps = new ArrayList<>();
        List<PointName> there = plan.marks().stream().map(SetMark::name).toList();
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
        return SetReduction.reduce(shots.stream().filter(s -> s.takenOut().isEmpty())
                .map(s -> new SetReduction.SetShot(s.set(), s.mark(), s.pointing())).toList(),
                plan.marks().stream().map(SetMark::name).toList());
    }

    /** The name that a mark has now. @param filed what its pointings are written under */
    public PointName named(PointName filed) {
        return plan.marks().stream().filter(m -> m.filed().equals(filed)).map(SetMark::name).findFirst().orElse(filed);
    }

    /** The name that a mark's pointings are written under. */
    public PointName filed(PointName name) {
        return mark(name).map(SetMark::filed).orElse(name);
    }

    public Optional<SetMark> mark(PointName name) {
        return plan.marks().stream().filter(m -> m.name().equals(name)).findFirst();
    }
}
