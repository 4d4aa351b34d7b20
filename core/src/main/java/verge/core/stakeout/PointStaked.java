package verge.core.stakeout;

import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import verge.core.coding.Naming;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.reading.Reading;
import verge.core.reading.Sighted;
import verge.core.reading.Target;
import verge.core.reading.Targeted;
import verge.core.reading.TotalStationReading;

/**
 * @param design where the stake should be, as it was known at that moment
 * @param reason why it was stored although outside a tolerance; else empty
 */
public record PointStaked(UUID setup, PointName name, Position design, TotalStationReading reading, Target target,
        Tolerance tolerance, String reason) implements Sighted, Targeted, Naming {
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
    public PointStaked withTargets(UnaryOperator<Target> other) {
        return new PointStaked(setup, name, design, reading, other.apply(target), tolerance, reason);
    }

    @Override
    public Stream<PointName> names() {
        return Stream.of(name);
    }

    @Override
    public PointStaked renamed(UnaryOperator<PointName> other) {
        return new PointStaked(setup, other.apply(name), design, reading, target, tolerance, reason);
    }

    public PointStaked with(TotalStationReading other) {
        return new PointStaked(setup, name, design, other, target, tolerance, reason);
    }
}
