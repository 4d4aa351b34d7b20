package verge.core.sets;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.setup.ObservedPoint;
import verge.core.setup.OrientedStation;
import verge.core.units.Angle;

/** A new mark from the means of sets: oriented by the known marks that were in the sets, else by the setup. */
public final class CarriedMark {
    private CarriedMark() {
    }

    /**
     * @param known coordinates of the marks that orient
     * @return empty if the mark has no mean, or no distance
     */
    public static Optional<ObservedPoint> of(OrientedStation station, SetReduction.Result means, PointName mark, Target target,
            Function<PointName, Optional<Position>> known) {
        OrientedStation turned = oriented(station, means, mark, known);
        return means.means().stream().filter(m -> m.mark().equals(mark)).findFirst().flatMap(m -> m.slope().map(slope ->
                turned.observe(new TotalStationReading(m.direction(), m.zenith(), slope, ""), target, 2 * m.sets())));
    }

    /** The station with its circle's zero at the first mark of the sets. */
    private static OrientedStation oriented(OrientedStation station, SetReduction.Result means, PointName mark,
            Function<PointName, Optional<Position>> known) {
        GridPoint here = station.occupation().station().plan();
        List<Angle> turns = means.means().stream().filter(m -> !m.mark().equals(mark)).flatMap(m -> known.apply(m.mark())
                .filter(k -> !k.plan().equals(here)).map(k -> azimuth(station, here, k.plan()).minus(m.direction())).stream()).toList();
        Angle by = turns.isEmpty() ? station.orientation().plus(means.zero()) : mean(turns);
        return new OrientedStation(station.occupation().withoutErrors(), by.wholeCircle(), station.covariance());
    }

    private static Angle azimuth(OrientedStation station, GridPoint from, GridPoint to) {
        return new Angle(Math.atan2(to.easting() - from.easting(), to.northing() - from.northing()) - station.occupation().plane()
                .arcToChordRadians(from, to));
    }

    private static Angle mean(List<Angle> angles) {
        Angle first = angles.get(0);
        return first.plus(new Angle(angles.stream().mapToDouble(a -> a.minus(first).halfCircle().radians()).average().orElse(0)));
    }
}
