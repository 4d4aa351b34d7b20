package verge.core.geodesy.method;

import verge.core.geodesy.Kernel;

/** Lambert's conformal conic. Source: IOGP guidance note 7-2, 'Lambert Conic Conformal', written with the isometric latitude. */
public final class LambertKernel implements Kernel {
    private final AuxiliaryLatitude latitudes;
    private final double cone;
    private final double unit;
    private final double originRadius;
    private final double originLongitude;
    private final double falseEast;
    private final double falseNorth;

    private LambertKernel(AuxiliaryLatitude latitudes, double cone, double unit, double originLatitude, double originLongitude,
            double falseEast,
            double falseNorth) {
        this.latitudes = latitudes;
        this.cone = cone;
        this.unit = unit;
        this.originLongitude = originLongitude;
        this.falseEast = falseEast;
        this.falseNorth = falseNorth;
        this.originRadius = radius(originLatitude);
    }

    /** One parallel that is true to the scale given; it carries the origin. Radians and metres. */
    public static LambertKernel onOne(double semiMajor, double e2, double parallel, double longitude, double scale, double falseEast,
            double falseNorth) {
        AuxiliaryLatitude latitudes = AuxiliaryLatitude.ofEccentricitySquared(e2);
        double cone = Math.sin(parallel);
        double unit = scale * semiMajor * level(parallel, e2) / cone * Math.exp(cone * isometric(latitudes, parallel));
        return new LambertKernel(latitudes, cone, unit, parallel, longitude, falseEast, falseNorth);
    }

    /** Two parallels that are true to scale. */
    public static LambertKernel onTwo(double semiMajor, double e2, double first, double second, double originLatitude, double longitude,
            double falseEast,
            double falseNorth) {
        AuxiliaryLatitude latitudes = AuxiliaryLatitude.ofEccentricitySquared(e2);
        double cone = first == second ? Math.sin(first)
                : Math.log(level(first, e2) / level(second, e2)) / (isometric(latitudes, second) - isometric(latitudes, first));
        double unit = semiMajor * level(first, e2) / cone * Math.exp(cone * isometric(latitudes, first));
        return new LambertKernel(latitudes, cone, unit, originLatitude, longitude, falseEast, falseNorth);
    }

    /** Radius of the parallel over the semi-major axis. */
    private static double level(double latitude, double e2) {
        double sin = Math.sin(latitude);
        return Math.cos(latitude) / Math.sqrt(1 - e2 * sin * sin);
    }

    private static double isometric(AuxiliaryLatitude latitudes, double latitude) {
        return GaussSphere.isometric(latitudes.conformal(latitude));
    }

    private double radius(double latitude) {
        return unit * Math.exp(-cone * isometric(latitudes, latitude));
    }

    @Override
    public double[] grid(double longitude, double latitude) {
        double r = radius(latitude);
        double theta = cone * Turns.difference(longitude, originLongitude);
        return new double[] {falseEast + r * Math.sin(theta), falseNorth + originRadius - r * Math.cos(theta)};
    }

    @Override
    public double[] geographic(double east, double north) {
        double sign = Math.signum(cone);
        double x = sign * (east - falseEast);
        double y = sign * (originRadius - (north - falseNorth));
        double isometric = -Math.log(Math.sqrt(x * x + y * y) / (sign * unit)) / cone;
        return new double[] {originLongitude + Math.atan2(x, y) / cone, latitudes.geodetic(GaussSphere.fromIsometric(isometric))};
    }
}
