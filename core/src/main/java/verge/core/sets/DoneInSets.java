package verge.core.sets;

import java.util.UUID;
import verge.core.journal.Key;

/** What was read in sets, and what taken out again. */
public record DoneInSets(UUID plan) implements Key<Round.Done> {
}
