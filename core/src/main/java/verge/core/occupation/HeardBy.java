package verge.core.occupation;

import verge.core.journal.Key;
import verge.core.satellite.BaseHeard;

/** The base that a stream carried when points were measured by it last. */
public record HeardBy(String stream) implements Key<BaseHeard> {
}
