package verge.core.strings;

import verge.core.coding.Code;
import verge.core.journal.Key;

/** Numbers that strings of a code have: of each entry the highest. */
public record NumbersOf(Code code) implements Key<Integer> {
}
