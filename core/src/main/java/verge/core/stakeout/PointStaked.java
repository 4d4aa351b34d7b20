package verge.core.stakeout;

import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.journal.Payload;
import verge.core.reading.Reading;
import verge.core.reading.Sighted;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;

/**
 * @param design where the stake should be, as it was known at that moment
 * @param reason why it was stored although outside a tolerance; else empty
 */
public record PointStaked(UUID setup, PointName name, Position design, TotalStationReading reading, Target target,
        Tolerance tolerance, String reason) implements Payload, Sighted {
    @Override
    public Optional<UUID> under() {
        return Optional.of(setup);
    }

    @Override
    public Stream<? extends Reading> readings() {
        return Stream.of(reading);
    }
}
