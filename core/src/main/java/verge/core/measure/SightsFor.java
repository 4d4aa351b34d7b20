package verge.core.measure;

import java.util.UUID;
import verge.core.journal.Key;

/** The sights that a point is found by, in their order. @param point the entry of the point */
public record SightsFor(UUID point) implements Key<Sight> {
}
