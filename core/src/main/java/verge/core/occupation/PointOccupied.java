package verge.core.occupation;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthCovariance;
import verge.core.measure.Measured;
import verge.core.satellite.AntennaOverMark;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.Epochs;
import verge.core.satellite.PoleTilt;
import verge.core.strings.Joining;

/**
 * A point that a satellite receiver stood on.
 *
 * @param base from which the vector leads; absent if the receiver worked without one, or did not say which: the vector then leads from the
 *     earth's centre
 * @param vector to the antenna's reference point
 * @param spread of the vector; what the antenna's height and the tilt add comes later
 * @param tilt absent if the pole was held upright
 * @param receiver as it is called
 * @param reason why it was accepted although something spoke against it; else empty
 */
public record PointOccupied(PointName name, Code code, Optional<BaseHeard> base, EarthCentred vector, EarthCovariance spread, Epochs epochs,
        AntennaOverMark antenna, Optional<PoleTilt> tilt, String receiver,
        String reason, Map<String, String> notes, List<Joining> joins) implements Measured, OnPole {
    /** From the earth's centre to whatever is on the earth. */
    private static final double LEAST_METRES = 6_300_000;
    private static final double MOST_METRES = 6_450_000;

    public PointOccupied {
        double away = base.map(b -> b.place().plus(vector)).orElse(vector).length();
        if (!(away > LEAST_METRES && away < MOST_METRES)) {
            throw new IllegalArgumentException("not on the earth: " + away + " m from its centre");
        }
        notes = Map.copyOf(notes);
        joins = Measured.each(joins);
    }

    /** Where the antenna's reference point was. */
    public EarthCentred reference() {
        return base.map(b -> b.place().plus(vector)).orElse(vector);
    }

    @Override
    public PointOccupied renamed(UnaryOperator<PointName> other) {
        return new PointOccupied(other.apply(name), code, base, vector, spread, epochs, antenna, tilt, receiver, reason, notes, joins);
    }

    @Override
    public PointOccupied with(Code other) {
        return new PointOccupied(name, other, base, vector, spread, epochs, antenna, tilt, receiver, reason, notes, joins);
    }

    @Override
    public PointOccupied with(AntennaOverMark other) {
        return new PointOccupied(name, code, base, vector, spread, epochs, other, tilt, receiver, reason, notes, joins);
    }
}
