package verge.formats.csv;

/**
 * One thing wrong in a file, or decided about it, with its place.
 *
 * @param line from 1; 0 where the whole file is meant
 * @param column from 1; 0 where the whole line is meant
 * @param meaning what the column was taken for, or null for the whole line
 * @param found what stands there, shortened
 * @param text the whole row, shortened
 */
public record Fault(Kind kind, long line, int column, Column meaning, String found, String text) {
    private static final int LONGEST_SHOWN = 40;
    private static final int LONGEST_TEXT = 300;

    public Fault {
        found = shortened(found, LONGEST_SHOWN);
        text = shortened(text, LONGEST_TEXT);
    }

    private static String shortened(String text, int longest) {
        return text.length() <= longest ? text : text.substring(0, longest) + "\u2026";
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
        QUOTE_OPEN,
        LINE_TOO_LONG,
        TOO_MANY_POINTS,
        TOO_MANY_FAULTS,
        NO_POINTS,
        /** The row comes, without the height that stands for none. */
        HEIGHT_NONE,
        /** The row comes, but ends before all columns that are read. */
        ROW_PARTIAL;

        /** Whether the row does not come. */
        public boolean leavesOut() {
            return this != HEIGHT_NONE && this != ROW_PARTIAL;
        }
    }
}
