package verge.core.occupation;

import verge.core.journal.Key;
import verge.core.satellite.BaseHeard;

/** The base of a number, as points were measured from it last. */
public record HeardAs(int station) implements Key<BaseHeard> {
}
