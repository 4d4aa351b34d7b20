package verge.core.base;

import verge.core.journal.Key;

/** All bases of a job. */
public record Bases() implements Key<Base> {
}
