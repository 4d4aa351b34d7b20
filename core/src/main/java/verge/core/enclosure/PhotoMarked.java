package verge.core.enclosure;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import verge.core.journal.Payload;

/**
 * What was drawn over a photo and said of it later, instead of what was before. The photo itself stays as it was taken.
 *
 * @param looking which way it looks, if somebody said so
 */
public record PhotoMarked(UUID photo, Optional<Looking> looking, List<Stroke> strokes) implements Payload {
    public PhotoMarked {
        strokes = List.copyOf(strokes);
    }

    @Override
    public Optional<UUID> under() {
        return Optional.of(photo);
    }
}
