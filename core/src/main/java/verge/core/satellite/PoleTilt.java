package verge.core.satellite;

import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthCovariance;
import verge.core.geodesy.Geographic;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * How a pole leans, as its receiver feels it.
 *
 * @param tilt from upright
 * @param azimuth true, of the way in which its top leans
 * @param sigmaTilt @param sigmaAzimuth standard deviations of both
 */
public record PoleTilt(Angle tilt, Angle azimuth, Angle sigmaTilt, Angle sigmaAzimuth) {
    private static final Angle MOST = Angle.ofDegrees(80);

    public PoleTilt {
        if (tilt.radians() < 0 || tilt.radians() > MOST.radians() || sigmaTilt.radians() < 0 || sigmaAzimuth.radians() < 0) {
            throw new IllegalArgumentException("tilt " + tilt + " ± " + sigmaTilt + ", " + sigmaAzimuth);
        }
    }

    /** From the pole's tip to what is so high on it. */
    public EarthCentred upwards(Length height, Geographic at) {
        double aside = height.metres() * tilt.sin();
        return EarthCentred.ofNorthEastUp(aside * azimuth.cos(), aside * azimuth.sin(), height.metres() * tilt.cos(), at);
    }

    /** What the errors of tilt and azimuth make of the tip: more the higher the antenna, and the more it leans. */
    public EarthCovariance spread(Length height, Geographic at) {
        double leaning = height.metres() * sigmaTilt.radians();
        double turning = height.metres() * tilt.sin() * sigmaAzimuth.radians();
        return EarthCovariance.along(EarthCentred.ofNorthEastUp(leaning * tilt.cos() * azimuth.cos(), leaning * tilt.cos() * azimuth.sin(),
                -leaning * tilt.sin(), at))
                .plus(EarthCovariance.along(EarthCentred.ofNorthEastUp(-turning * azimuth.sin(), turning * azimuth.cos(), 0, at)));
    }
}
