package verge.core.leaf;

import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import verge.core.coding.PointName;
import verge.core.journal.Payload;
import verge.core.reading.Reading;
import verge.core.reading.Sighted;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;

/** A known mark read again to see whether the setup still holds; makes no point. */
public record CheckTaken(UUID setup, PointName mark, TotalStationReading reading, Target target) implements Payload, Sighted {
    @Override
    public Optional<UUID> under() {
        return Optional.of(setup);
    }

    @Override
    public Stream<? extends Reading> readings() {
        return Stream.of(reading);
    }
}
