package verge.core.base;

import java.util.UUID;
import verge.core.journal.Key;

/** The base that the points of an entry rest on: the one they were measured from, or the one that the entry set up. */
public record BaseUnder(UUID entry) implements Key<Base> {
}
