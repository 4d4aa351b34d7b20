package verge.core.gaps;

import verge.core.journal.Key;

/** All gaps that somebody means to stay. */
public record GapsPutAway() implements Key<Gap> {
}
