package verge.core.geodesy;

import verge.core.units.Angle;

/**
 * An ellipsoid of revolution.
 *
 * @param semiMajor metres
 * @param inverseFlattening infinite for a sphere
 */
public record ReferenceEllipsoid(String name, double semiMajor, double inverseFlattening) {
    public static final ReferenceEllipsoid GRS80 = new ReferenceEllipsoid("GRS 1980", 6_378_137, 298.257222101);
    public static final ReferenceEllipsoid WGS84 = new ReferenceEllipsoid("WGS 84", 6_378_137, 298.257223563);

    public ReferenceEllipsoid {
        if (!(semiMajor > 0) || !(inverseFlattening > 1)) {
            throw new IllegalArgumentException("ellipsoid: " + semiMajor + ", 1/" + inverseFlattening);
        }
    }

    public double eccentricitySquared() {
        double f = 1 / inverseFlattening;
        return f * (2 - f);
    }

    /** M: radius of curvature along the meridian, metres. */
    public double meridianRadius(Angle latitude) {
        double w = w(latitude);
        return semiMajor * (1 - eccentricitySquared()) / (w * w * w);
    }

    /** N: radius of curvature across the meridian, metres. */
    public double primeVerticalRadius(Angle latitude) {
        return semiMajor / w(latitude);
    }

    /** Gauss' mean radius √(MN), the same in all directions, metres. */
    public double meanRadius(Angle latitude) {
        return Math.sqrt(meridianRadius(latitude) * primeVerticalRadius(latitude));
    }

    /** Euler's radius of the normal section in a true azimuth, metres. */
    public double radiusAlong(Angle latitude, Angle trueAzimuth) {
        double m = meridianRadius(latitude);
        double n = primeVerticalRadius(latitude);
        return m * n / (n * square(trueAzimuth.cos()) + m * square(trueAzimuth.sin()));
    }

    private double w(Angle latitude) {
        return Math.sqrt(1 - eccentricitySquared() * square(latitude.sin()));
    }

    private static double square(double x) {
        return x * x;
    }
}
