package verge.core.occupation;

/** A limit that something is beyond. @param value as it is: a length, a number, a kind of solution @param limit blank where there is none */
public record Breach(Kind kind, Object value, Object limit) {
    /** Of what: the standard deviations in metres, age in seconds, the lean in degrees. */
    public enum Kind { NOT_FIXED, PLAN, HEIGHT, AGE, PDOP, TILT }
}
