package verge.formats.csv;

/**
 * One thing wrong in a file, with its place.
 *
 * @param line from 1
 * @param column from 1; 0 where the whole line is meant
 * @param meaning what the column was taken for, or null for the whole line
 * @param found what stands there, shortened
 */
public record Fault(Kind kind, long line, int column, Column meaning, String found) {
    private static final int LONGEST_SHOWN = 40;

    public Fault {
        found = found.length() <= LONGEST_SHOWN ? found : found.substring(0, LONGEST_SHOWN) + "…";
    }

    /** What can be wrong. */
    public enum Kind {
        NOT_A_NUMBER,
        DECIMAL_COMMA,
        NUMBER_TOO_LARGE,
        CELL_MISSING,
        CELL_EMPTY,
        CELL_EXTRA,
        NAME_UNFIT,
        NAME_TWICE,
        CODE_UNFIT,
        QUOTE_OPEN,
        LINE_TOO_LONG,
        TOO_MANY_POINTS,
        NO_POINTS
    }
}
