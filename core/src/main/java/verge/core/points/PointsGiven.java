package verge.core.points;

import java.util.List;
import verge.core.coding.PointName;
import verge.core.journal.WholeKey;

/** The points of a name that were given, by a file or typed, however late. */
public record PointsGiven(PointName name) implements WholeKey<List<StoredPoint>> {
}
