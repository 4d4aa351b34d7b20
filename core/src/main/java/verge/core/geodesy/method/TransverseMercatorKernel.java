package verge.core.geodesy.method;

import verge.core.geodesy.Kernel;

/**
 * Transverse Mercator by Krüger's series to n⁶: nanometres within 30° of the central meridian.
 *
 * <p>Source: C. F. F. Karney, 'Transverse Mercator with an accuracy of a few nanometers', Journal of Geodesy 85 (2011), equations 7 to 11
 * with the coefficients 35 and 36.
 */
public final class TransverseMercatorKernel implements Kernel {
    private final double originLongitude;
    private final double unit;
    private final double falseEast;
    private final double falseNorth;
    private final double[] forth;
    private final double[] back;
    private final AuxiliaryLatitude latitudes;

    /** @param radius semi-major axis in metres; angles in radians */
    public TransverseMercatorKernel(double radius, double eccentricitySquared, double originLatitude, double originLongitude, double scale,
            double falseEast, double falseNorth) {
        double f = eccentricitySquared / (1 + Math.sqrt(1 - eccentricitySquared));
        double n = f / (2 - f);
        double n2 = n * n;
        double n3 = n2 * n;
        double n4 = n2 * n2;
        double n5 = n4 * n;
        double n6 = n3 * n3;
        forth = new double[] {
            n / 2 - 2.0 / 3 * n2 + 5.0 / 16 * n3 + 41.0 / 180 * n4 - 127.0 / 288 * n5 + 7891.0 / 37800 * n6,
            13.0 / 48 * n2 - 3.0 / 5 * n3 + 557.0 / 1440 * n4 + 281.0 / 630 * n5 - 1983433.0 / 1935360 * n6,
            61.0 / 240 * n3 - 103.0 / 140 * n4 + 15061.0 / 26880 * n5 + 167603.0 / 181440 * n6,
            49561.0 / 161280 * n4 - 179.0 / 168 * n5 + 6601661.0 / 7257600 * n6,
            34729.0 / 80640 * n5 - 3418889.0 / 1995840 * n6,
            212378941.0 / 319334400 * n6};
        back = new double[] {
            n / 2 - 2.0 / 3 * n2 + 37.0 / 96 * n3 - 1.0 / 360 * n4 - 81.0 / 512 * n5 + 96199.0 / 604800 * n6,
            1.0 / 48 * n2 + 1.0 / 15 * n3 - 437.0 / 1440 * n4 + 46.0 / 105 * n5 - 1118711.0 / 3870720 * n6,
            17.0 / 480 * n3 - 37.0 / 840 * n4 - 209.0 / 4480 * n5 + 5569.0 / 90720 * n6,
            4397.0 / 161280 * n4 - 11.0 / 504 * n5 - 830251.0 / 7257600 * n6,
            4583.0 / 161280 * n5 - 108847.0 / 3991680 * n6,
            20648693.0 / 638668800 * n6};
        latitudes = new AuxiliaryLatitude(n);
        unit = scale * radius / (1 + n) * (1 + n2 / 4 + n4 / 64 + n6 / 256);
        this.originLongitude = originLongitude;
        this.falseEast = falseEast;
        double[] origin = series(forth, latitudes.conformal(originLatitude), 0, Math.sin(2 * latitudes.conformal(originLatitude)),
                Math.cos(2 * latitudes.conformal(originLatitude)), 0, 1);
        this.falseNorth = falseNorth - unit * origin[0];
    }

    @Override
    public double[] grid(double longitude, double latitude) {
        double lambda = longitude - originLongitude;
        double sinPhi = Math.sin(latitude);
        double cosPhi = Math.cos(latitude);
        double d = latitudes.conformalLess(sinPhi, cosPhi);
        double sinChi = turnedSin(sinPhi, cosPhi, d);
        double cosChi = turnedSin(cosPhi, -sinPhi, d);
        double level = cosChi * Math.cos(lambda);
        double h = Math.sqrt(sinChi * sinChi + level * level);
        double sin = sinChi / h;
        double cos = level / h;
        double sinhEta = cosChi * Math.sin(lambda) / h;
        double coshEta = Math.sqrt(1 + sinhEta * sinhEta);
        double[] p = series(forth, Math.atan2(sinChi, level), Math.log(sinhEta + coshEta), 2 * sin * cos,
                cos * cos - sin * sin, 2 * sinhEta * coshEta, 1 + 2 * sinhEta * sinhEta);
        return new double[] {falseEast + unit * p[1], falseNorth + unit * p[0]};
    }

    /** sin(θ + d) from sin θ and cos θ, for the 12′ at most between two latitudes: the series is exact to 10⁻²⁰ there. */
    private static double turnedSin(double sin, double cos, double d) {
        double d2 = d * d;
        return sin * (1 - d2 / 2 * (1 - d2 / 12)) + cos * d * (1 - d2 / 6 * (1 - d2 / 20));
    }

    @Override
    public double[] geographic(double east, double north) {
        double xi = (north - falseNorth) / unit;
        double eta = (east - falseEast) / unit;
        double e = Math.exp(2 * eta);
        double[] change = series(back, 0, 0, Math.sin(2 * xi), Math.cos(2 * xi), (e - 1 / e) / 2, (e + 1 / e) / 2);
        double xiSphere = xi - change[0];
        double f = Math.exp(eta - change[1]);
        double sinhEta = (f - 1 / f) / 2;
        double cos = Math.cos(xiSphere);
        double chi = Math.atan2(Math.sin(xiSphere), Math.sqrt(sinhEta * sinhEta + cos * cos));
        return new double[] {originLongitude + Math.atan2(sinhEta, cos), latitudes.geodetic(chi)};
    }

    /** ξ + Σ cⱼ sin 2jξ cosh 2jη and η + Σ cⱼ cos 2jξ sinh 2jη, by Clenshaw's recurrence on the complex argument. */
    private static double[] series(double[] c, double xi, double eta, double sin2, double cos2, double sinh2, double cosh2) {
        double real = 2 * cos2 * cosh2;
        double imaginary = -2 * sin2 * sinh2;
        double nextR = 0;
        double nextI = 0;
        double afterR = 0;
        double afterI = 0;
        for (int j = c.length - 1; j >= 0; j--) {
            double nowR = real * nextR - imaginary * nextI - afterR + c[j];
            double nowI = real * nextI + imaginary * nextR - afterI;
            afterR = nextR;
            afterI = nextI;
            nextR = nowR;
            nextI = nowI;
        }
        double r = sin2 * cosh2;
        double i = cos2 * sinh2;
        return new double[] {xi + r * nextR - i * nextI, eta + r * nextI + i * nextR};
    }
}
