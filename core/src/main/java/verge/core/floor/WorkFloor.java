package verge.core.floor;

import java.util.Optional;
import verge.core.geodesy.Elevation;
import verge.core.plan.Vertices;

/**
 * Which floors there are and which is worked on.
 *
 * @param chosen the floor's name; empty while all are. A name that the floors no longer have counts as none
 */
public record WorkFloor(Floors floors, Optional<String> chosen) {
    public static final WorkFloor ANYWHERE = new WorkFloor(Floors.NONE, Optional.empty());

    public WorkFloor with(Floors others) {
        return new WorkFloor(others, chosen);
    }

    public WorkFloor on(Optional<String> floor) {
        return new WorkFloor(floors, floor);
    }

    /** The floor worked on; empty while all are. */
    public Optional<Storey> here() {
        return chosen.flatMap(floors::named);
    }

    /** Whether something belongs to the floor that is worked on; all does while none is chosen. */
    public boolean holds(Optional<Elevation> elevation) {
        return here().map(storey -> storey.holds(elevation)).orElse(true);
    }

    /** The same of a row of places, as {@link Storey#holds(Vertices)}. */
    public boolean holds(Vertices places) {
        return here().map(storey -> storey.holds(places)).orElse(true);
    }
}
