package verge.core.setup;

import java.util.List;
import verge.core.coding.PointName;

/**
 * Something to know of a setup before accepting it; its words are the application's.
 *
 * @param about the marks concerned
 * @param figures particulars, in metres, radians or bare numbers as the kind says
 */
public record Notice(Kind kind, List<PointName> about, List<Double> figures) {
    public Notice {
        about = List.copyOf(about);
        figures = List.copyOf(figures);
    }

    static Notice of(Kind kind, List<PointName> about, Double... figures) {
        return new Notice(kind, about, List.of(figures));
    }

    /** How much it weighs. */
    public enum Weight { WRONG, DOUBTFUL, NOTE }

    /** What there is to know. */
    public enum Kind {
        /** Pointings at one mark are half a turn apart: one was stored under the wrong face. */
        FACE_WRONG(Weight.WRONG),
        /** Pointings at one mark are far apart; figure: the largest difference, radians. */
        POINTINGS_APART(Weight.WRONG),
        /** The residuals are larger than the instrument explains; figures: σ₀², its upper bound. */
        VARIANCE_HIGH(Weight.DOUBTFUL),
        /** The station lies near the circle through the marks; figures: its distance from it over the radius, the radius in metres. */
        DANGER_CIRCLE(Weight.DOUBTFUL),
        /** The station is known poorly; figures: longer half axis of its error ellipse and what usual geometry would give, metres. */
        GEOMETRY_WEAK(Weight.DOUBTFUL),
        /** The station lies on the line through both marks; figure: the angle between them, radians. */
        ON_THE_LINE(Weight.DOUBTFUL),
        /** Nothing controls the setup: as many observations as unknowns. */
        NOT_CONTROLLED(Weight.DOUBTFUL),
        /** No mark has a height that counts: points will have none. */
        NO_HEIGHTS(Weight.NOTE),
        /** Some marks have no height; they count in plan only. */
        MARKS_WITHOUT_HEIGHT(Weight.NOTE),
        /** The scale solved for is far from 1; figure: parts in a million. */
        SCALE_FAR(Weight.DOUBTFUL),
        /**
         * With both marks exchanged the readings fit as well, from another place: they cannot tell which it is. Figures: northing and
         * easting of the other place, its distance in metres.
         */
        SECOND_SOLUTION(Weight.DOUBTFUL),
        /** A mark was looked at in one face only, while the others were in both. */
        ONE_FACE(Weight.NOTE);

        private final Weight weight;

        Kind(Weight weight) {
            this.weight = weight;
        }

        public Weight weight() {
            return weight;
        }
    }
}
