package verge.core.geodesy.method;

/**
 * Gauss' conformal map of the ellipsoid onto a sphere that touches it along one parallel. Radians throughout.
 *
 * <p>Source: IOGP guidance note 7-2, section on the Krovak projection (constants A, B, γ₀, t₀). The map is conformal everywhere and
 * its scale departs from 1 only by the third power of the distance from the parallel.
 */
final class GaussSphere {
    private static final int MOST_STEPS = 20;
    private static final double RADIAN_STEP_THAT_IS_NOTHING = 1e-15;

    private final double eccentricity;
    private final double exponent;
    private final double logOrigin;
    private final double radius;
    private final double originLatitude;

    /**
     * @param semiMajor metres
     * @param latitude of the parallel that is true to scale
     */
    GaussSphere(double semiMajor, double eccentricitySquared, double latitude) {
        eccentricity = Math.sqrt(eccentricitySquared);
        double sin = Math.sin(latitude);
        exponent = Math.sqrt(1 + eccentricitySquared * Math.pow(Math.cos(latitude), 4) / (1 - eccentricitySquared));
        radius = semiMajor * Math.sqrt(1 - eccentricitySquared) / (1 - eccentricitySquared * sin * sin);
        originLatitude = Math.asin(sin / exponent);
        logOrigin = isometric(originLatitude, 0) - exponent * isometric(latitude, eccentricity);
    }

    /** Figures that no other such sphere has. */
    double[] constants() {
        return new double[] {eccentricity, exponent, logOrigin, radius};
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
        return fromIsometric(exponent * isometric(ellipsoidLatitude, eccentricity) + logOrigin);
    }

    /** @param difference of longitude from the origin's on the ellipsoid */
    double longitude(double difference) {
        return exponent * difference;
    }

    /** The inverse of {@link #latitude}: a fixed point that gains two figures and more a step. */
    double ellipsoidLatitude(double sphereLatitude) {
        double wanted = (isometric(sphereLatitude, 0) - logOrigin) / exponent;
        double latitude = fromIsometric(wanted);
        for (int i = 0; i < MOST_STEPS; i++) {
            double before = latitude;
            latitude = fromIsometric(wanted + eccentricity * atanh(eccentricity * Math.sin(before)));
            if (Math.abs(latitude - before) < RADIAN_STEP_THAT_IS_NOTHING) {
                break;
            }
        }
        return latitude;
    }

    double ellipsoidLongitude(double sphereLongitude) {
        return sphereLongitude / exponent;
    }

    static double isometric(double latitude, double eccentricity) {
        double sin = Math.sin(latitude);
        return atanh(sin) - eccentricity * atanh(eccentricity * sin);
    }

    static double fromIsometric(double isometric) {
        return Math.atan(Math.sinh(isometric));
    }

    private static double atanh(double x) {
        return 0.5 * (Math.log1p(x) - Math.log1p(-x));
    }
}
