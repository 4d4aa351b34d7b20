package verge.core.sets;

import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import verge.core.coding.PointName;
import verge.core.journal.Payload;
import verge.core.reading.Pointing;
import verge.core.reading.Reading;
import verge.core.reading.Sighted;

/** One pointing within sets. @param mark by the name that the plan's mark is filed under */
public record SetPointing(UUID plan, int set, PointName mark, Pointing pointing) implements Payload, Sighted {
    @Override
    public Optional<UUID> under() {
        return Optional.of(plan);
    }

    @Override
    public Stream<? extends Reading> readings() {
        return Stream.of(pointing);
    }
}
