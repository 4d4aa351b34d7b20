package verge.core.check;

import verge.core.journal.Key;

/** Why a finding of the walk-round was accepted. */
public record Accepted(String kind, String about) implements Key<String> {
}
