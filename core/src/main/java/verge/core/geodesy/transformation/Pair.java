package verge.core.geodesy.transformation;

import java.util.Optional;
import verge.core.geodesy.Elevation;

/**
 * A computed mark and the found one that it is to be.
 *
 * @param inPlan whether it counts for the plan
 * @param inHeight whether it counts for the height; without both heights it does not
 */
public record Pair(Mark computed, Mark found, boolean inPlan, boolean inHeight) {
    public Pair(Mark computed, Mark found) {
        this(computed, found, true, true);
    }

    public boolean hasHeights() {
        return computed.position().elevation().isPresent() && found.position().elevation().isPresent();
    }

    public boolean countsInHeight() {
        return inHeight && hasHeights();
    }

    /** Found over computed, in metres; empty without both heights. */
    Optional<Double> rise() {
        return computed.position().elevation().map(Elevation::metres).flatMap(low -> found.position().elevation().map(high -> high.metres() - low));
    }
}
