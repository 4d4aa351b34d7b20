package verge.core.units;

/** How angles are shown and, unless typed with marks of their own, read. */
public enum AngleUnit {
    /** Sexagesimal: degrees, minutes, seconds. */
    DEGREES,
    /** 400 to the turn. */
    GON
}
