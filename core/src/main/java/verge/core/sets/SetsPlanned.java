package verge.core.sets;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import verge.core.journal.Payload;

/**
 * Sets of directions to be read from a leaf.
 *
 * @param marks in the order in which they are turned to; the first is the zero of the directions
 */
public record SetsPlanned(UUID setup, List<SetMark> marks, int sets, SetLimits limits) implements Payload {
    public SetsPlanned {
        marks = List.copyOf(marks);
    }

    @Override
    public Optional<UUID> under() {
        return Optional.of(setup);
    }
}
