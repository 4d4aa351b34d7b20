package verge.core.geodesy;

/**
 * The formulas of one conformal projection with its constants: radians from Greenwich in, metres out and back. What lies outside, units,
 * axes, prime meridian, is not its business.
 */
public interface Kernel {
    /** Easting and northing in metres. */
    double[] grid(double longitude, double latitude);

    /** Longitude and latitude in radians. */
    double[] geographic(double east, double north);
}
