package verge.formats.reading;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What was read of a file, and what was not.
 *
 * @param read how many of each kind of thing, as the format calls them
 * @param leftOut what was passed over, grouped by kind and reason
 */
public record Report(Map<String, Integer> read, List<LeftOut> leftOut) {
    public Report {
        read = Collections.unmodifiableMap(new LinkedHashMap<>(read));
        leftOut = List.copyOf(leftOut);
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
        /** Read, but its name cannot be a point's name here. */
        NAME_UNFIT,
        /** Read, but the file has the name before. */
        NAME_TWICE,
        /** Read without its heights: the format says that they do not count. */
        HEIGHT_NOT_MEANT
    }
}
