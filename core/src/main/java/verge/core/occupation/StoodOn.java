package verge.core.occupation;

import verge.core.journal.Key;

/** All points that receivers stood on, in the order of their entries. */
public record StoodOn() implements Key<Stood> {
}
