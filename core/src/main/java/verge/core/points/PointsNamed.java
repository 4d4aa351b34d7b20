package verge.core.points;

import java.util.List;
import verge.core.coding.PointName;
import verge.core.journal.Key;

/** The points of a name; an entry may give several. */
public record PointsNamed(PointName name) implements Key<List<StoredPoint>> {
}
