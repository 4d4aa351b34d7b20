package verge.core.base;

import verge.core.journal.Key;

/** The bases that were set up under a number. */
public record BasesOf(int station) implements Key<Base> {
}
