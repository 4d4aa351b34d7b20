package verge.core.measure;

import java.util.Optional;
import verge.core.leaf.Leaf;
import verge.core.setup.ObservedPoint;
import verge.core.units.Angle;

/**
 * A sight as it was reduced.
 *
 * @param azimuth in the grid, without the arc-to-chord correction where no distance was read
 * @param foot where the target stood; absent where only the circles were read
 */
public record Sight(Leaf leaf, Angle azimuth, Optional<ObservedPoint> foot) {
    static Sight of(Leaf leaf, SightTaken taken) {
        Angle direction = leaf.station().occupation().conditions().errors().direction(taken.reading());
        return new Sight(leaf, leaf.station().azimuth(direction), taken.reading().shot()
                .map(shot -> leaf.station().observe(shot, taken.target())));
    }
}
