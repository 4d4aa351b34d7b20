package verge.core.geodesy.method;

/**
 * Geodetic to conformal latitude and back by series in the third flattening n, to n⁶: the first term left out is below 10⁻¹⁹ for any
 * ellipsoid of the earth. Summed by Clenshaw's recurrence.
 *
 * <p>Source: C. F. F. Karney, 'On auxiliary latitudes', 2022, the coefficients of χ − φ and φ − χ; the same as in L. Krüger, 1912.
 */
final class AuxiliaryLatitude {
    private final double[] toConformal;
    private final double[] toGeodetic;

    AuxiliaryLatitude(double thirdFlattening) {
        double n = thirdFlattening;
        double n2 = n * n;
        double n3 = n2 * n;
        double n4 = n2 * n2;
        double n5 = n4 * n;
        double n6 = n3 * n3;
        toConformal = new double[] {
            -2 * n + 2.0 / 3 * n2 + 4.0 / 3 * n3 - 82.0 / 45 * n4 + 32.0 / 45 * n5 + 4642.0 / 4725 * n6,
            5.0 / 3 * n2 - 16.0 / 15 * n3 - 13.0 / 9 * n4 + 904.0 / 315 * n5 - 1522.0 / 945 * n6,
            -26.0 / 15 * n3 + 34.0 / 21 * n4 + 8.0 / 5 * n5 - 12686.0 / 2835 * n6,
            1237.0 / 630 * n4 - 12.0 / 5 * n5 - 24832.0 / 14175 * n6,
            -734.0 / 315 * n5 + 109598.0 / 31185 * n6,
            444337.0 / 155925 * n6};
        toGeodetic = new double[] {
            2 * n - 2.0 / 3 * n2 - 2 * n3 + 116.0 / 45 * n4 + 26.0 / 45 * n5 - 2854.0 / 675 * n6,
            7.0 / 3 * n2 - 8.0 / 5 * n3 - 227.0 / 45 * n4 + 2704.0 / 315 * n5 + 2323.0 / 945 * n6,
            56.0 / 15 * n3 - 136.0 / 35 * n4 - 1262.0 / 105 * n5 + 73814.0 / 2835 * n6,
            4279.0 / 630 * n4 - 332.0 / 35 * n5 - 399572.0 / 14175 * n6,
            4174.0 / 315 * n5 - 144838.0 / 6237 * n6,
            601676.0 / 22275 * n6};
    }

    static AuxiliaryLatitude ofEccentricitySquared(double eccentricitySquared) {
        double f = eccentricitySquared / (1 + Math.sqrt(1 - eccentricitySquared));
        return new AuxiliaryLatitude(f / (2 - f));
    }

    double conformal(double geodetic) {
        return geodetic + conformalLess(Math.sin(geodetic), Math.cos(geodetic));
    }

    /** Conformal less geodetic latitude, from sine and cosine of the geodetic. */
    double conformalLess(double sin, double cos) {
        return sum(toConformal, 2 * sin * cos, cos * cos - sin * sin);
    }

    double geodetic(double conformal) {
        return conformal + sum(toGeodetic, Math.sin(2 * conformal), Math.cos(2 * conformal));
    }

    /** Σ cⱼ sin 2jθ. */
    private static double sum(double[] c, double sin, double cos) {
        double twice = 2 * cos;
        double next = 0;
        double after = 0;
        for (int j = c.length - 1; j >= 0; j--) {
            double now = twice * next - after + c[j];
            after = next;
            next = now;
        }
        return next * sin;
    }
}
