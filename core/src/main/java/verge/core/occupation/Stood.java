package verge.core.occupation;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.satellite.BaseHeard;

/**
 * A point that a receiver stood on, in brief.
 *
 * @param place as it is now; absent where it has none in the job's grid
 * @param sigma as the place
 */
public record Stood(UUID entry, PointName name, Instant at, Optional<BaseHeard> base, Optional<Position> place, Optional<Uncertainty> sigma) {
}
