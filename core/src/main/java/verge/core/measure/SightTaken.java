package verge.core.measure;

import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import verge.core.reading.Pointing;
import verge.core.reading.Reading;
import verge.core.reading.Sighted;
import verge.core.reading.Target;
import verge.core.reading.Targeted;

/**
 * One of several sights that a point is found by; by itself it gives none.
 *
 * @param setup the entry of the leaf it belongs to
 * @param point the entry that the sights come together in, whether it is written already or not
 */
public record SightTaken(UUID setup, UUID point, Pointing reading, Target target) implements Sighted, Targeted {
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
    public SightTaken withTargets(UnaryOperator<Target> other) {
        return with(other.apply(target));
    }

    public SightTaken with(Target other) {
        return new SightTaken(setup, point, reading, other);
    }

    public SightTaken with(Pointing other) {
        return new SightTaken(setup, point, other, target);
    }
}
