package verge.core.journal;

import java.util.List;

/**
 * What one entry came to when it was reckoned last.
 *
 * @param ordinal which of its kind it is
 * @param looked where it looked
 */
record Reckoned(int ordinal, Outcome outcome, List<Look> looked) {
    /** How something is looked at, and so, which entries' saying otherwise matters. */
    enum Manner { BEFORE, ALL, WHOLE }

    record Look(Manner manner, Key<?> key) {
    }
}
