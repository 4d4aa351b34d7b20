package verge.core.leaf;

import verge.core.journal.Key;

/** All leaves. */
public record Leaves() implements Key<Leaf> {
}
