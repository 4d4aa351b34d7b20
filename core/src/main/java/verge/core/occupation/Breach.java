package verge.core.occupation;

/**
 * A limit that something is beyond.
 *
 * @param value as it is: a length, a number, a kind of solution
 * @param limit blank where there is none
 */
public record Breach(Kind kind, Object value, Object limit) {
    /** Of what: the standard deviations in metres, age in seconds, the lean in degrees; and what cannot be so with what else is said. */
    public enum Kind {
        NOT_FIXED, PLAN, HEIGHT, AGE, PDOP, TILT,
        /** Fewer than fix a place. */
        SATELLITES,
        /** Its base has another number than the stream's. */
        OTHER_BASE,
        /** In kilometres. */
        FAR_BASE,
        /** For so many seconds nothing came, of which it says nothing. */
        SILENT_STREAM,
        /** It stands on the mark itself. */
        ANTENNA
    }
}
