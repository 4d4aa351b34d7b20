package verge.core.leaf;

import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import verge.core.coding.Naming;
import verge.core.coding.PointName;
import verge.core.reading.Reading;
import verge.core.reading.Sighted;
import verge.core.reading.Target;
import verge.core.reading.Targeted;
import verge.core.reading.TotalStationReading;

/** A known mark read again to see whether the setup still holds; makes no point. */
public record CheckTaken(UUID setup, PointName mark, TotalStationReading reading, Target target) implements Sighted, Targeted, Naming {
    @Override
    public Optional<UUID> under() {
        return Optional.of(setup);
    }

    @Override
    public Stream<? extends Reading> readings() {
        return Stream.of(reading);
    }

    @Override
    public Stream<Target> targets() {
        return Stream.of(target);
    }

    @Override
    public CheckTaken withTargets(UnaryOperator<Target> other) {
        return new CheckTaken(setup, mark, reading, other.apply(target));
    }

    @Override
    public Stream<PointName> names() {
        return Stream.of(mark);
    }

    @Override
    public CheckTaken renamed(UnaryOperator<PointName> other) {
        return new CheckTaken(setup, other.apply(mark), reading, target);
    }

    public CheckTaken with(TotalStationReading other) {
        return new CheckTaken(setup, mark, other, target);
    }
}
