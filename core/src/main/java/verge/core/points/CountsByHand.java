package verge.core.points;

import java.util.Optional;
import java.util.UUID;
import verge.core.coding.PointName;
import verge.core.journal.Key;

/** The entry whose position of a name was chosen to count; empty for the usual order. */
record CountsByHand(PointName name) implements Key<Optional<UUID>> {
}
