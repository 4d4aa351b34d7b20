package verge.core.reduction;

import verge.core.reading.Atmosphere;
import verge.core.reading.DistanceMeter;
import verge.core.units.Length;

/**
 * What the air is worth: its correction, and what a slip in temperature or pressure does to one distance.
 *
 * @param ppm to be added to measured distances
 * @param perDegree change of the distance for one degree Celsius more
 * @param perHectopascal change of the distance for one hectopascal more
 */
public record AirEffect(double ppm, Length perDegree, Length perHectopascal) {
    public static AirEffect of(DistanceMeter meter, Atmosphere air, Length distance) {
        double ppm = FirstVelocity.ppm(meter, air);
        double step = air.temperatureCelsius() < 50 ? 1 : -1;   // stays within what air can be
        double degree = (FirstVelocity.ppm(meter,
        new Atmosphere(air.temperatureCelsius() + step, air.pressureHectopascals(), air.relativeHumidityPercent())) - ppm) / step;
        double down = air.pressureHectopascals() < 1000 ? 1 : -1;
        double hectopascal = (FirstVelocity.ppm(meter,
                new Atmosphere(air.temperatureCelsius(), air.pressureHectopascals() + down, air.relativeHumidityPercent())) - ppm) / down;
        return new AirEffect(ppm, distance.times(degree * 1e-6), distance.times(hectopascal * 1e-6));
    }
}
