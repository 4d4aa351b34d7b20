package verge.app.journal;

import verge.core.journal.Payload;

/**
 * One value of an entry that can be corrected in its place.
 *
 * @param field under which it is typed
 * @param group what it belongs to within the entry: a mark, a pointing; empty for the entry itself
 * @param now as it would be typed to say what it says
 * @param unit beside the field, or empty
 * @param asked how it is asked for
 * @param optional whether leaving it blank says that there is none; else blank leaves it as it is
 */
public record Value<P extends Payload>(String field, String group, String label, String now, String unit, Asked asked, boolean optional,
        Setter<P> setter) {
    /** How a value is asked for. */
    public enum Asked { WORDS, FIGURE, TICK, RAW }

    /** Makes of an entry the same with one value as it was typed. */
    @FunctionalInterface
    public interface Setter<P> {
        P with(P says, String typed, Typed by);
    }
}
