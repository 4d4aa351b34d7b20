package verge.core.geodesy.method;

/**
 * Gauss' conformal map of the ellipsoid onto a sphere that touches it along one parallel. Radians throughout.
 *
 * <p>Source: IOGP guidance note 7-2, section on the Krovak projection (constants A, B, γ₀, t₀). The map is conformal everywhere and
 * its scale departs from 1 only by the third power of the distance from the parallel.
 */
final class GaussSphere {
    private final AuxiliaryLatitude latitudes;
    private final double exponent;
    private final double logOrigin;
    private final double radius;
    private final double originLatitude;

    /**
     * @param semiMajor metres
     * @param latitude of the parallel that is true to scale
     */
    GaussSphere(double semiMajor, double eccentricitySquared, double latitude) {
        latitudes = AuxiliaryLatitude.ofEccentricitySquared(eccentricitySquared);
        double sin = Math.sin(latitude);
        exponent = Math.sqrt(1 + eccentricitySquared * Math.pow(Math.cos(latitude), 4) / (1 - eccentricitySquared));
        radius = semiMajor * Math.sqrt(1 - eccentricitySquared) / (1 - eccentricitySquared * sin * sin);
        originLatitude = Math.asin(sin / exponent);
        logOrigin = isometric(originLatitude) - exponent * isometric(latitudes.conformal(latitude));
    }

    /** Figures that no other such sphere has. */
    double[] constants() {
        return new double[] {exponent, logOrigin, radius};
    }

    /** Of the sphere, metres. */
    double radius() {
        return radius;
    }

    /** On the sphere, of the parallel that is true to scale. */
    double originLatitude() {
        return originLatitude;
    }

    double latitude(double ellipsoidLatitude) {
        return fromIsometric(exponent * isometric(latitudes.conformal(ellipsoidLatitude)) + logOrigin);
    }

    /** @param difference of longitude from the origin's on the ellipsoid */
    double longitude(double difference) {
        return exponent * difference;
    }

    double ellipsoidLatitude(double sphereLatitude) {
        return ellipsoidLatitudeOfSine(Math.sin(sphereLatitude));
    }

    /** @param sine of the latitude on the sphere */
    double ellipsoidLatitudeOfSine(double sine) {
        return latitudes.geodetic(fromIsometric((isometricOfSine(sine) - logOrigin) / exponent));
    }

    double ellipsoidLongitude(double sphereLongitude) {
        return sphereLongitude / exponent;
    }

    /** atanh sin φ: the isometric latitude on a sphere. */
    static double isometric(double latitude) {
        return isometricOfSine(Math.sin(latitude));
    }

    static double isometricOfSine(double sine) {
        return 0.5 * Math.log((1 + sine) / (1 - sine));
    }

    static double fromIsometric(double isometric) {
        return 2 * Math.atan(Math.exp(isometric)) - Math.PI / 2;
    }
}
