package verge.core.cogo;

import java.util.List;

/**
 * What a computation wants to be given.
 *
 * @param id of its own within the computation; it is written in journals and never changes
 * @param wanted whether nothing can be computed without it
 * @param least how many of several points there must be
 * @param choices of a word; the first is meant if none is given
 * @param seldom whether few want it: it is asked for apart
 */
public record Slot(String id, Kind kind, boolean wanted, int least, List<String> choices, boolean seldom) {
    public Slot {
        choices = List.copyOf(choices);
    }

    /** What stands in it. */
    public enum Kind {
        POINT,
        POINTS,
        /** A string, a line of a file, or points in a row. */
        LINE,
        /** Several of these. */
        LINES,
        /** An azimuth of the grid. */
        DIRECTION,
        /** Horizontal. */
        LENGTH,
        /** A difference of heights, positive upwards. */
        RISE,
        /** Rise over horizontal distance. */
        GRADE,
        COUNT,
        /** How far along what is possible, from 0 to 1, as something is slid. */
        PART,
        /** Several plain numbers, as weights. */
        NUMBERS,
        AREA,
        /** A moment, in seconds since the beginning of 1970 in universal time. */
        TIME,
        /** One of several ways. */
        WORD,
        /** Legs of a deed. */
        DEED
    }

    static Slot point(String id) {
        return new Slot(id, Kind.POINT, true, 1, List.of(), false);
    }

    static Slot points(String id, int least) {
        return new Slot(id, Kind.POINTS, true, least, List.of(), false);
    }

    static Slot line(String id, int least) {
        return new Slot(id, Kind.LINE, true, least, List.of(), false);
    }

    static Slot figure(String id, Kind kind) {
        return new Slot(id, kind, true, 1, List.of(), false);
    }

    static Slot maybe(String id, Kind kind) {
        return new Slot(id, kind, false, 1, List.of(), false);
    }

    static Slot seldom(String id, Kind kind) {
        return new Slot(id, kind, false, 1, List.of(), true);
    }

    static Slot word(String id, String... choices) {
        return new Slot(id, Kind.WORD, false, 1, List.of(choices), false);
    }
}
