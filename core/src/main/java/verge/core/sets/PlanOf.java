package verge.core.sets;

import java.util.UUID;
import verge.core.journal.Key;

/** A plan of sets, by its entry. */
public record PlanOf(UUID plan) implements Key<SetsPlanned> {
}
