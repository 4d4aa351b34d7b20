package verge.instruments.sky;

import verge.core.geodesy.EarthCentred;
import verge.core.satellite.GpsTime;

/**
 * A satellite's way by the elements that it would broadcast itself. Angles in radians.
 *
 * <p>Source: the user algorithm for the ephemeris in IS-GPS-200, without the harmonic corrections, which are nought here.
 *
 * @param reference of the elements
 * @param semiMajor in metres
 * @param node longitude of the ascending node at the beginning of the reference's week
 * @param nodeRate in radians a second
 * @param perigee argument of perigee
 * @param anomaly mean anomaly at the reference
 * @param clockOffset of its clock at the reference, in seconds @param clockDrift in seconds a second
 */
public record Orbit(GpsTime reference, double semiMajor, double eccentricity, double inclination, double node, double nodeRate,
        double perigee, double anomaly, double clockOffset, double clockDrift) {
    /** Of the earth and all on it, as WGS 84 has it: m³/s². */
    static final double GRAVITY = 3.986005e14;
    /** How fast the earth turns, in radians a second. */
    static final double EARTH_RATE = 7.2921151467e-5;
    private static final int KEPLER_STEPS = 12;

    /** Where it is, in the earth's own axes at that moment. */
    public EarthCentred at(GpsTime time) {
        double since = time.secondsSince(reference);
        double mean = anomaly + Math.sqrt(GRAVITY / (semiMajor * semiMajor * semiMajor)) * since;
        double eccentric = mean;
        for (int i = 0; i < KEPLER_STEPS; i++) {
            eccentric = mean + eccentricity * Math.sin(eccentric);
        }
        double truly = Math.atan2(Math.sqrt(1 - eccentricity * eccentricity) * Math.sin(eccentric), Math.cos(eccentric) - eccentricity);
        double latitude = truly + perigee;
        double radius = semiMajor * (1 - eccentricity * Math.cos(eccentric));
        double along = radius * Math.cos(latitude);
        double across = radius * Math.sin(latitude);
        double longitude = node + (nodeRate - EARTH_RATE) * since - EARTH_RATE * reference.secondsOfWeek();
        return new EarthCentred(along * Math.cos(longitude) - across * Math.cos(inclination) * Math.sin(longitude),
                along * Math.sin(longitude) + across * Math.cos(inclination) * Math.cos(longitude), across * Math.sin(inclination));
    }

    /** By how many seconds its clock is ahead. */
    public double clock(GpsTime time) {
        return clockOffset + clockDrift * time.secondsSince(reference);
    }
}
