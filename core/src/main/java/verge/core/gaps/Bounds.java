package verge.core.gaps;

import verge.core.journal.Key;

/** What is to be measured, as it was said last. */
public record Bounds() implements Key<WorkBounded> {
}
