package verge.core.stakeout;

import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import verge.core.coding.Naming;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.occupation.OnPole;
import verge.core.occupation.PointOccupied;
import verge.core.satellite.AntennaOverMark;

/**
 * A stake on which a satellite receiver stood.
 *
 * @param stood under the name of what was staked, with the reason why it was stored although something spoke against it
 * @param design where the stake should be, as it was known at that moment
 */
public record StakeOccupied(PointOccupied stood, Position design, Tolerance tolerance) implements OnPole, Naming {
    public PointName name() {
        return stood.name();
    }

    @Override
    public AntennaOverMark antenna() {
        return stood.antenna();
    }

    @Override
    public StakeOccupied with(AntennaOverMark other) {
        return new StakeOccupied(stood.with(other), design, tolerance);
    }

    @Override
    public Stream<PointName> names() {
        return Stream.of(name());
    }

    @Override
    public StakeOccupied renamed(UnaryOperator<PointName> other) {
        return new StakeOccupied(stood.renamed(other), design, tolerance);
    }
}
