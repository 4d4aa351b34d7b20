package verge.core.geodesy.method;

import verge.core.geodesy.Kernel;

/**
 * The double stereographic projection: Gauss' sphere, then from its far side onto a plane. Source: IOGP guidance note 7-2, 'Oblique
 * Stereographic'.
 */
public final class ObliqueStereographicKernel implements Kernel {
    private final GaussSphere sphere;
    private final double originLongitude;
    private final double diameter;
    private final double falseEast;
    private final double falseNorth;
    private final double sin;
    private final double cos;

    /** Radians and metres. */
    public ObliqueStereographicKernel(double semiMajor, double e2, double latitude, double longitude, double scale, double falseEast,
            double falseNorth) {
        this.sphere = new GaussSphere(semiMajor, e2, latitude);
        this.originLongitude = longitude;
        this.diameter = 2 * scale * sphere.radius();
        this.falseEast = falseEast;
        this.falseNorth = falseNorth;
        this.sin = Math.sin(sphere.originLatitude());
        this.cos = Math.cos(sphere.originLatitude());
    }

    @Override
    public double[] grid(double longitude, double latitude) {
        double u = sphere.latitude(latitude);
        double v = sphere.longitude(Turns.difference(longitude, originLongitude));
        double sinU = Math.sin(u);
        double cosU = Math.cos(u);
        double cosV = Math.cos(v);
        double factor = diameter / (1 + sin * sinU + cos * cosU * cosV);
        return new double[] {falseEast + factor * cosU * Math.sin(v), falseNorth + factor * (cos * sinU - sin * cosU * cosV)};
    }

    @Override
    public double[] geographic(double east, double north) {
        double x = (east - falseEast) / diameter;
        double y = (north - falseNorth) / diameter;
        double square = x * x + y * y;
        // the vector on the sphere from the vector in the plane: tan(c/2) = √(x² + y²)
        double up = (1 - square) / (1 + square);
        double out = 2 / (1 + square);
        double z = sin * up + cos * out * y;
        double toward = cos * up - sin * out * y;
        double u = Math.atan2(z, Math.sqrt(toward * toward + out * out * x * x));
        return new double[] {originLongitude + sphere.ellipsoidLongitude(Math.atan2(out * x, toward)), sphere.ellipsoidLatitude(u)};
    }
}
