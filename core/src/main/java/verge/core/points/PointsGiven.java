package verge.core.points;

import java.util.List;
import verge.core.coding.PointName;
import verge.core.journal.Key;

/** The points of a name that were given, by a file or typed, however late. */
public record PointsGiven(PointName name) implements Key<List<StoredPoint>> {
}
