package verge.core.occupation;

import verge.core.coding.PointName;
import verge.core.journal.Key;

/** The times that receivers stood on points of a name, in the order of their entries. */
public record StoodOn(PointName name) implements Key<Stood> {
}
