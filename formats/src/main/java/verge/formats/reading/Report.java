package verge.formats.reading;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What was read of a file, and what was not.
 *
 * @param read how many of each kind of thing, as the format calls them
 * @param leftOut what was passed over, grouped by kind and reason
 * @param passed the same one by one, in the order of the file, up to {@value #MOST_PASSED}
 */
public record Report(Map<String, Integer> read, List<LeftOut> leftOut, List<Passed> passed) {
    public static final int MOST_PASSED = 10_000;

    public Report {
        read = Collections.unmodifiableMap(new LinkedHashMap<>(read));
        leftOut = List.copyOf(leftOut);
        passed = List.copyOf(passed);
    }

    public Report(Map<String, Integer> read, List<LeftOut> leftOut) {
        this(read, leftOut, List.of());
    }

    /**
     * One thing that was passed over, or read only in part.
     *
     * @param row of a table, where it is one
     */
    public record Passed(String kind, Why why, String where, Optional<Row> row) {
    }

    /**
     * A row of a table with what is wrong in it.
     *
     * @param fault what, as the reader of tables calls it
     * @param column from 1; 0 for the whole row
     * @param meaning of the column, or empty
     * @param text the row itself
     */
    public record Row(String fault, long line, int column, String meaning, String found, String text) {
    }

    /**
     * @param kind of thing, as the format calls it
     * @param where the first of them is: a line, a name, a number in the file
     */
    public record LeftOut(String kind, Why why, int count, String where) {
    }

    /** Why something was passed over, or read only in part. */
    public enum Why {
        /** Verge does not read this kind of thing. */
        NOT_READ,
        /** A coordinate that is missing or is no number. */
        NOT_A_NUMBER,
        /** A coordinate no grid on earth has. */
        TOO_FAR,
        /** Too few vertices, no length, a radius that does not fit. */
        NO_SHAPE,
        /** The file names a thing that it does not have. */
        NOT_IN_FILE,
        /** A block that contains itself. */
        CYCLE,
        /** Drawn only on a sheet for printing. */
        ON_SHEET,
        /** Made invisible by who drew it. */
        INVISIBLE,
        /** Read, but a name or words are longer than what is kept. */
        SHORTENED,
        /** Read, but its row ends before all columns. */
        ROW_PARTIAL,
        /** Read, but there are words or figures about it that are not taken. */
        ATTRIBUTE_NOT_TAKEN,
        /** Read, but its name cannot be a point's name here. */
        NAME_UNFIT,
        /** Read, but the file has the name before. */
        NAME_TWICE,
        /** Read without its heights: the format says that they do not count. */
        HEIGHT_NOT_MEANT,
        /** Read without its height: rows of nines, or 0 where all others are far from it, stand for none. */
        HEIGHT_NONE,
        /** Read, but another name differs from it only by capitals or by noughts in front. */
        NAME_ALIKE,
        /** A column of a table that nothing is read from. */
        COLUMN_NOT_TAKEN,
        /** A row of a table that is no point. */
        ROW_UNFIT,
        /** Something far from all else of the file. */
        STRAY,
        /** Heights above the ground, which this file does not know. */
        ABOVE_GROUND,
        /** Read, but the file has something of this id before. */
        ID_TWICE,
        /** A face of a surface that has not three corners, or no area. */
        FACE_UNFIT,
        /** Read, but its pieces do not follow one another in one direction. */
        KINK,
        /** Read, but the vertical curve there reaches over the next point or into the next curve: no heights along it. */
        CURVE_WITHOUT_ROOM,
        /** Read, but its length is not the one that the file states. */
        LENGTH_DIFFERS
    }
}
