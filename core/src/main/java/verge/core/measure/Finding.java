package verge.core.measure;

import java.util.Optional;
import verge.core.points.PointSeen;
import verge.core.units.Length;

/** How a point is found on which no prism can stand. */
public sealed interface Finding {
    /** How many sights it takes. */
    int sights();

    /**
     * Straight on beyond two sights: the tip of a pole with two prisms, or a corner in a line with two places that can be seen.
     *
     * @param beyond from the second place to the point, along the line in space
     * @param between as the pole has it between its prisms, to check the sights by; absent where nobody knows
     */
    record Beyond(Length beyond, Optional<Length> between) implements Finding {
        @Override
        public int sights() {
            return 2;
        }
    }

    /** The middle of something round and upright: directions to both of its edges, then a distance to its face between them. */
    record Edges() implements Finding {
        @Override
        public int sights() {
            return 3;
        }
    }

    /** The middle of something round by three places on its rim. */
    record Rim() implements Finding {
        @Override
        public int sights() {
            return 3;
        }
    }

    /**
     * Taped from two points.
     *
     * @param from horizontal, on the ground, from the first
     * @param fromOther from the other
     * @param left whether it lies left of the way from the first to the other
     */
    record Taped(PointSeen first, PointSeen other, Length from, Length fromOther, boolean left) implements Finding {
        @Override
        public int sights() {
            return 0;
        }
    }

    /**
     * Along a line of two points from the first, and square to it; on the ground and level.
     *
     * @param right negative to the left
     */
    record Square(PointSeen first, PointSeen other, Length along, Length right) implements Finding {
        @Override
        public int sights() {
            return 0;
        }
    }
}
