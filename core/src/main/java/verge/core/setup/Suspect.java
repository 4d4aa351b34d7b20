package verge.core.setup;

import java.util.List;
import java.util.Optional;
import verge.core.coding.PointName;

/**
 * One mistake that would explain a setup's residuals.
 *
 * @param about the marks concerned; none where it concerns all sights
 * @param instead the point that it really was, where it was another
 * @param amount how large the mistake would be: metres, or parts in a million for a scale; NaN where there is no amount
 * @param before weighted squares as it is
 * @param after weighted squares if it were so
 */
public record Suspect(Kind kind, List<PointName> about, Optional<PointName> instead, double amount, double before, double after) {
    public Suspect {
        about = List.copyOf(about);
    }

    /** The mistakes that are known. */
    public enum Kind {
        /** Two marks were named one for the other. */
        SWAPPED,
        /** A mark is another known point. */
        OTHER_MARK,
        /** The target over a mark, or the mark's own elevation, is wrong by the amount. */
        TARGET_HEIGHT,
        /** The prism at a mark has another constant than was set; the amount fits one of those in use. */
        PRISM,
        /** All distances are wrong by one amount: another prism than was set. */
        PRISM_ALL,
        /** A mark is not where its coordinates say. */
        DISTURBED,
        /** A reading of face 2 was stored as face 1, or the other way. */
        FACE,
        /** All distances are wrong in proportion: air, or the ground for the grid. */
        SCALE,
        /** Every height is off by one amount: the instrument's height, or the station's elevation. */
        INSTRUMENT_HEIGHT,
        /** The instrument does not stand on the mark that was named; if another known point is there, it is given. */
        OTHER_STATION
    }
}
