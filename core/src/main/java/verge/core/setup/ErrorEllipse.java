package verge.core.setup;

import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * A standard error ellipse in plan.
 *
 * @param azimuth of the longer half axis, [0, π)
 */
public record ErrorEllipse(Length longer, Length shorter, Angle azimuth) {
    static ErrorEllipse of(double north, double east, double both) {
        double mean = (north + east) / 2;
        double half = Math.hypot((north - east) / 2, both);
        double azimuth = Math.atan2(2 * both, north - east) / 2;
        return new ErrorEllipse(new Length(Math.sqrt(Math.max(0, mean + half))), new Length(Math.sqrt(Math.max(0, mean - half))),
                new Angle(azimuth < 0 ? azimuth + Math.PI : azimuth));
    }
}
