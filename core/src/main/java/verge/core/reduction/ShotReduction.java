package verge.core.reduction;

import java.util.function.UnaryOperator;
import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
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
     * @param direction as face 1 would read it, from the circle's zero
     * @param zenith in [0, π]
     * @param grid horizontal distance in the grid, with the steps it took from the raw slope distance
     * @param groundDistance horizontal distance at the level of the station mark
     * @param rise of the target's mark above the station's mark
     */
    public record Result(Angle direction, Angle zenith, Reduced grid, Length slope, Length groundDistance, Length rise) {
    }

    /** @param toGrid a horizontal distance at the level of the station mark, in the direction of the sight, as it is in the grid */
    public static Result reduce(TotalStationReading reading, Target target, Length instrumentHeight, Atmosphere air,
            DistanceMeter meter, double refraction, UnaryOperator<Length> toGrid) {
        double ppm = FirstVelocity.ppm(meter, air);
        Reduced slope = Reduced.of(reading.slopeDistance())
                .then(Step.Kind.PRISM_CONSTANT, d -> d.plus(target.prismConstant()))
                .then(Step.Kind.ATMOSPHERE, d -> d.times(1 + ppm * 1e-6));
        SlopeReduction.Result level = SlopeReduction.reduce(slope.value(), reading.faceOneZenith(), instrumentHeight, refraction);
        Reduced grid = slope.then(Step.Kind.HORIZONTAL, d -> level.horizontal()).then(Step.Kind.GRID_SCALE, toGrid);
        Length rise = level.heightDifference().plus(instrumentHeight).minus(target.height());
        return new Result(reading.faceOneDirection(), reading.faceOneZenith(), grid, slope.value(), level.horizontal(), rise);
    }
}
