package verge.core.strings;

/** The two ends of a string. */
public enum End { FIRST, LAST }
