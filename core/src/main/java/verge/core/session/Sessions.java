package verge.core.session;

import verge.core.journal.Key;

/** All sessions of a job. */
public record Sessions() implements Key<Session> {
}
