package verge.core.leaf;

import java.util.UUID;
import verge.core.setup.OrientedStation;
import verge.core.setup.StationSolution;

/**
 * One occupation in the field book: what was written down and what it comes to.
 *
 * @param number counted from 1 through the job
 * @param written as it counts now, corrections included
 */
public record Leaf(UUID entry, int number, StationSetUp written, StationSolution solved) {
    public OrientedStation station() {
        return solved.station();
    }
}
