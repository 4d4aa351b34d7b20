package verge.core.reduction;

import java.util.function.UnaryOperator;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.units.Angle;
import verge.core.units.Length;

/** From one pointing to a face-1 direction, a grid distance and a height difference, step by step. */
public final class ShotReduction {
    private ShotReduction() {
    }

    /**
     * What one pointing amounts to.
     *
     * @param direction as face 1 of an instrument without errors would read it, from the circle's zero
     * @param zenith in [0, π]
     * @param grid horizontal distance in the grid, with the steps it took from the raw slope distance
     * @param groundDistance horizontal distance at the level of the station mark
     * @param rise of the target's mark above the station's mark
     */
    public record Result(Angle direction, Angle zenith, Reduced grid, Length slope, Length groundDistance, Length rise) {
    }

    /**
     * @param radiusMetres of the earth at the station mark, in the direction of the sight
     * @param toGrid a horizontal distance at the level of the station mark, in the direction of the sight, as it is in the grid
     */
    public static Result reduce(TotalStationReading reading, InstrumentErrors errors, Target target, Length instrumentHeight,
            Atmosphere air, DistanceMeter meter, double refraction, double radiusMetres, UnaryOperator<Length> toGrid) {
        Angle zenith = errors.zenith(reading);
        Reduced slope = slope(reading.slopeDistance(), target, air, meter);
        SlopeReduction.Result level = SlopeReduction.reduce(slope.value(), zenith, instrumentHeight, refraction, radiusMetres);
        Reduced grid = slope.then(Step.Kind.HORIZONTAL, d -> level.horizontal()).then(Step.Kind.GRID_SCALE, toGrid);
        Length rise = level.heightDifference().plus(instrumentHeight).minus(target.height());
        return new Result(errors.direction(reading), zenith, grid, slope.value(), level.horizontal(), rise);
    }

    /** A slope distance freed of prism and air, with its steps. */
    public static Reduced slope(Length raw, Target target, Atmosphere air, DistanceMeter meter) {
        double ppm = FirstVelocity.ppm(meter, air);
        return Reduced.of(raw).then(Step.Kind.PRISM_CONSTANT, d -> d.plus(target.prismConstant()))
                .then(Step.Kind.ATMOSPHERE, d -> d.times(1 + ppm * 1e-6));
    }
}
