package verge.core.floor;

import java.util.Optional;
import verge.core.geodesy.Elevation;
import verge.core.plan.Vertices;

/**
 * A floor with all that is reached from it. It begins half a slab below its surface, so that a mark let into it is still its own, and
 * ends half a slab below the surface of the next: what is set in its ceiling is its own too.
 *
 * @param next the floor above, if there is one
 */
public record Storey(Floor floor, Optional<Floor> next) {
    public static final double HALF_SLAB_METRES = 0.3;

    /** The lowest elevation that belongs to it. */
    public Elevation from() {
        return below(floor);
    }

    /** The elevation from which on things are the next floor's; empty if it is the highest. */
    public Optional<Elevation> to() {
        return next.map(Storey::below);
    }

    private static Elevation below(Floor floor) {
        return new Elevation(floor.level().metres() - HALF_SLAB_METRES);
    }

    /** Whether something belongs to it; what has no height belongs to every floor. */
    public boolean holds(Optional<Elevation> elevation) {
        return elevation.map(e -> crosses(e.metres(), e.metres())).orElse(true);
    }

    /**
     * Whether any of a row of places may lie on it: its heights, taken together, reach into it. A row without heights lies on every floor,
     * and so does one whose heights are all exactly 0: that is how drawings of plans are written.
     */
    public boolean holds(Vertices places) {
        double lowest = Double.POSITIVE_INFINITY;
        double highest = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < places.size(); i++) {
            if (places.height(i).isPresent()) {
                lowest = Math.min(lowest, places.height(i).getAsDouble());
                highest = Math.max(highest, places.height(i).getAsDouble());
            }
        }
        return lowest > highest || lowest == 0 && highest == 0 || crosses(lowest, highest);
    }

    private boolean crosses(double lowest, double highest) {
        return highest >= from().metres() && to().map(e -> lowest < e.metres()).orElse(true);
    }
}
