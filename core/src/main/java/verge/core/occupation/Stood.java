package verge.core.occupation;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import verge.core.base.Base;
import verge.core.coding.PointName;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.SolvedPosition;

/**
 * A point that a receiver stood on, in brief.
 *
 * @param own the base of the job's own that it was measured from
 * @param earth the ground below, on WGS 84; absent where no height follows from the antenna's
 * @param solved how well the receiver knew its antenna's place
 * @param place as it is now; absent where it has none in the job's grid
 * @param sigma as the place
 */
public record Stood(UUID entry, PointName name, Instant at, Optional<BaseHeard> base, Optional<Base> own, Optional<EarthPlace> earth,
        SolvedPosition.Sigma solved, Optional<Position> place, Optional<Uncertainty> sigma) {
}
