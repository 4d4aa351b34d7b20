package verge.core.points;

import java.util.Optional;
import verge.core.geodesy.Position;
import verge.core.units.Length;

/** What a stake came out as, minus what it should be. */
public record AsStaked(Length north, Length east, Optional<Length> up) {
    public static AsStaked of(Position design, Position staked) {
        return new AsStaked(new Length(staked.plan().northing() - design.plan().northing()),
                new Length(staked.plan().easting() - design.plan().easting()),
                staked.elevation().flatMap(is -> design.elevation().map(is::minus)));
    }
}
