package verge.formats.csv;

/** What stands between the whole and the fraction. */
public enum DecimalMark { POINT, COMMA }
