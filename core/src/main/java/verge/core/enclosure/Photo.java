package verge.core.enclosure;

import java.util.List;
import java.util.Optional;
import java.util.UUID;

/**
 * A photo as it stands.
 *
 * @param id the entry that brought it
 * @param looking as somebody said, else as the camera did
 * @param strokes drawn over it
 */
public record Photo(UUID id, PhotoTaken taken, Optional<Looking> looking, List<Stroke> strokes) {
    /** @param marked what was said of it last */
    public static Photo of(Photos.Taken photo, Optional<PhotoMarked> marked) {
        return new Photo(photo.id(), photo.says(), marked.flatMap(PhotoMarked::looking).or(photo.says()::looking),
                marked.map(PhotoMarked::strokes).orElse(List.of()));
    }
}
