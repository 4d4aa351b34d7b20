package verge.formats.csv;

/** Texts that somebody typed, on their way into tables that a spreadsheet may open. */
public final class PlainCells {
    private PlainCells() {
    }

    /**
     * A text that no spreadsheet takes for a formula: what begins like one gets an apostrophe in front, as spreadsheets themselves write
     * it.
     */
    public static String text(String typed) {
        return !typed.isEmpty() && "=+-@\t\r".indexOf(typed.charAt(0)) >= 0 ? "'" + typed : typed;
    }

    /** The same as a cell between commas, in quotes. */
    public static String cell(String typed) {
        return '"' + text(typed).replace("\"", "\"\"").replaceAll("\\R", " ") + '"';
    }
}
