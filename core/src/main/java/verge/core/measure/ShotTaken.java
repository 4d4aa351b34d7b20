package verge.core.measure;

import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.journal.Payload;
import verge.core.reading.Reading;
import verge.core.reading.Sighted;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;

/**
 * @param setup the entry of the leaf it belongs to
 * @param notes what was written into the job's own fields, by their names; blank ones are left out
 */
public record ShotTaken(UUID setup, PointName name, Code code, TotalStationReading reading, Target target, Map<String, String> notes)
        implements Payload, Sighted {
    public ShotTaken {
        notes = Map.copyOf(notes);
    }

    public ShotTaken(UUID setup, PointName name, Code code, TotalStationReading reading, Target target) {
        this(setup, name, code, reading, target, Map.of());
    }

    @Override
    public Optional<UUID> under() {
        return Optional.of(setup);
    }

    @Override
    public Stream<? extends Reading> readings() {
        return Stream.of(reading);
    }
}
