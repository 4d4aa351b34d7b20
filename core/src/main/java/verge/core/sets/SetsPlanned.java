package verge.core.sets;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import verge.core.coding.Naming;
import verge.core.coding.PointName;
import verge.core.reading.Target;
import verge.core.reading.Targeted;

/**
 * Sets of directions to be read from a leaf.
 *
 * @param marks in the order in which they are turned to; the first is the zero of the directions
 */
public record SetsPlanned(UUID setup, List<SetMark> marks, int sets, SetLimits limits) implements Targeted, Naming {
    public SetsPlanned {
        marks = List.copyOf(marks);
    }

    @Override
    public Optional<UUID> under() {
        return Optional.of(setup);
    }

    private SetsPlanned with(UnaryOperator<SetMark> other) {
        return new SetsPlanned(setup, marks.stream().map(other).toList(), sets, limits);
    }

    /** The same with another mark in the place of one. */
    public SetsPlanned with(int place, SetMark other) {
        List<SetMark> all = new ArrayList<>(marks);
        all.set(place, other);
        return new SetsPlanned(setup, all, sets, limits);
    }

    @Override
    public Stream<Target> targets() {
        return marks.stream().map(SetMark::target);
    }

    @Override
    public SetsPlanned withTargets(UnaryOperator<Target> other) {
        return with(mark -> mark.with(other.apply(mark.target())));
    }

    @Override
    public Stream<PointName> names() {
        return marks.stream().map(SetMark::name);
    }

    @Override
    public SetsPlanned renamed(UnaryOperator<PointName> other) {
        return with(mark -> mark.with(other.apply(mark.name())));
    }
}
