package verge.core.search;

/**
 * Something of a journal that can be found, in its plain form.
 *
 * @param kind what it is
 * @param ordinal its place among what its entry has of the kind
 * @param name it is called
 * @param more that is said of it, or empty
 */
public record Findable(Kind kind, int ordinal, String name, String more) {

    /** What kinds of things a journal has that are looked for. */
    public enum Kind {
        POINT, NOTE, LINE;

        private static final Kind[] ALL = values();

        static Kind of(int ordinal) {
            return ALL[ordinal];
        }
    }

    /** @param name as it is written. @param more as it is written, or empty */
    public static Findable of(Kind kind, int ordinal, String name, String more) {
        return new Findable(kind, ordinal, Plain.of(name), Plain.of(more));
    }
}
