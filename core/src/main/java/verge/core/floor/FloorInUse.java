package verge.core.floor;

import verge.core.journal.Key;

/** The floors of the building, and which of them is worked on. */
public record FloorInUse() implements Key<WorkFloor> {
}
