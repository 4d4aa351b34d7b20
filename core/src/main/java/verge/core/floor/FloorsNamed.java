package verge.core.floor;

import verge.core.journal.Payload;

/** The floors of the building that is worked in, in place of those named before. */
public record FloorsNamed(Floors floors) implements Payload {
}
