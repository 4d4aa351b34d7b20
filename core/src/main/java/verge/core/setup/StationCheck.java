package verge.core.setup;

import java.util.Optional;
import verge.core.geodesy.GridInverse;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * A known mark read from a setup that stands: whether it still fits.
 *
 * @param turned how much the circle has turned since, as the mark tells it
 * @param across square to the sight, to the right positive
 * @param distance in the grid
 * @param height absent where station or mark has none
 */
public record StationCheck(Angle turned, Misfit across, Misfit distance, Optional<Misfit> height) {

    public static StationCheck of(OrientedStation station, TotalStationReading reading, Target target, KnownMark mark) {
        Position known = mark.position();
        ObservedPoint seen = station.observe(reading, target);
        GridPoint here = station.occupation().station().plan();
        GridInverse.Result there = GridInverse.between(here, known.plan());
        double north = seen.position().plan().northing() - known.plan().northing();
        double east = seen.position().plan().easting() - known.plan().easting();
        double sin = there.azimuth().sin();
        double cos = there.azimuth().cos();
        OrientedStation.AlongSight sigma = station.alongSight(seen.reduction());
        Uncertainty own = mark.sigma().orElse(Uncertainty.NONE);
        double across = -north * sin + east * cos;
        Optional<Misfit> height = seen.position().elevation()
                .flatMap(s -> known.elevation().map(k -> new Misfit(s.minus(k), own.withUp(sigma.up()))));
        return new StationCheck(new Angle(across / there.distance().metres()),
                new Misfit(new Length(across), own.with(sigma.across(), -sin, cos)),
                new Misfit(new Length(north * cos + east * sin), own.with(sigma.along(), cos, sin)), height);
    }

    public boolean within() {
        return across.within() && distance.within() && height.map(Misfit::within).orElse(true);
    }
}
