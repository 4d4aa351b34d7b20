package verge.core.pole;

import verge.core.journal.Key;

/** The prism on the pole from some entry on. */
public record TargetInUse() implements Key<TargetChosen> {
}
