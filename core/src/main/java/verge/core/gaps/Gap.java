package verge.core.gaps;

import java.util.Optional;
import java.util.UUID;
import verge.core.geodesy.GridPoint;

/**
 * Something that may have been forgotten. It is a hint: nothing is wrong with what was measured.
 *
 * @param kind what of
 * @param about the string or the shot that it is about, by its id, or a code; empty for a place
 * @param other the other string by its id, or the code that is missed; empty for a place
 * @param at where to go; absent where it may be anywhere
 * @param metres how far it reaches: from a hole's middle to the nearest shot, between two ends, to where company usually lies; 0 for a code
 *     that is missed
 */
public record Gap(Kind kind, String about, String other, Optional<GridPoint> at, double metres) {
    private static final double LARGER = 1.1;

    /** What may be missing. */
    public enum Kind {
        /** Ground without a shot, within what was measured. */
        HOLE,
        /** A part of the area of interest that nobody came to. */
        NOT_REACHED,
        /** A string that ends near the end of another. */
        OPEN_END,
        /** Something that usually lies beside another. */
        COMPANY,
        /** Something that is nearly always met in such work. */
        EXPECTED
    }

    /** @throws IllegalArgumentException if it is about a string or a shot and names none: a journal may come from anywhere */
    public Gap {
        if (kind == Kind.OPEN_END || kind == Kind.COMPANY) {
            UUID.fromString(about);
        }
        if (kind == Kind.OPEN_END) {
            UUID.fromString(other);
        }
    }

    /** Whether this was meant when another was put away: the same thing, or a place within it that is not larger by much. */
    public boolean isWithin(Gap other) {
        boolean place = kind == Kind.HOLE || kind == Kind.NOT_REACHED;
        return place ? other.at.isPresent() && at.isPresent() && (other.kind == Kind.HOLE || other.kind == Kind.NOT_REACHED)
                && metres <= other.metres * LARGER && at.get().distanceMetres(other.at.get()) <= other.metres
                : kind == other.kind && about.equals(other.about) && this.other.equals(other.other);
    }
}
