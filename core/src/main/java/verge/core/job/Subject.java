package verge.core.job;

import java.util.Optional;
import java.util.UUID;
import verge.core.geodesy.Position;

/**
 * Something that can be said more of: a point, a string or a leaf.
 *
 * @param title how people call it
 * @param place where it lies; of a string, where that begins
 */
public record Subject(UUID id, String title, Optional<Position> place) {
}
