package verge.core.geodesy;

import verge.core.units.Angle;

/**
 * A place by its distances from the earth's centre, in metres: x towards the equator at Greenwich, y towards the equator at 90° east, z
 * towards the north pole; or a vector in these directions. Turns with the earth.
 */
public record EarthCentred(double x, double y, double z) {
    private static final int LATITUDE_STEPS = 8;

    public EarthCentred {
        if (!Double.isFinite(x) || !Double.isFinite(y) || !Double.isFinite(z)) {
            throw new IllegalArgumentException("earth-centred: " + x + ", " + y + ", " + z);
        }
    }

    public static EarthCentred of(EarthPlace place, ReferenceEllipsoid e) {
        Angle latitude = place.position().latitude();
        Angle longitude = place.position().longitude();
        double n = e.primeVerticalRadius(latitude);
        double h = place.height().metres();
        return new EarthCentred((n + h) * latitude.cos() * longitude.cos(), (n + h) * latitude.cos() * longitude.sin(),
                (n * (1 - e.eccentricitySquared()) + h) * latitude.sin());
    }

    /** Fixed point on the latitude from Bowring's start: to the last bit in three or four steps anywhere near the surface. */
    public EarthPlace place(ReferenceEllipsoid e) {
        double p = Math.hypot(x, y);
        double e2 = e.eccentricitySquared();
        double b = e.semiMajor() * Math.sqrt(1 - e2);
        double theta = Math.atan2(z * e.semiMajor(), p * b);
        double latitude = Math.atan2(z + e2 / (1 - e2) * b * Math.pow(Math.sin(theta), 3),
                p - e2 * e.semiMajor() * Math.pow(Math.cos(theta), 3));
        for (int i = 0; i < LATITUDE_STEPS; i++) {
            double n = e.primeVerticalRadius(new Angle(latitude));
            latitude = Math.atan2(z + e2 * n * Math.sin(latitude), p);
        }
        double n = e.primeVerticalRadius(new Angle(latitude));
        double sin = Math.sin(latitude);
        double height = p * Math.cos(latitude) + z * sin - n * (1 - e2 * sin * sin);
        return new EarthPlace(new Geographic(new Angle(latitude), new Angle(Math.atan2(y, x))), new EllipsoidHeight(height));
    }

    public EarthCentred plus(EarthCentred vector) {
        return new EarthCentred(x + vector.x, y + vector.y, z + vector.z);
    }

    /** The vector from another place to this one. */
    public EarthCentred minus(EarthCentred from) {
        return new EarthCentred(x - from.x, y - from.y, z - from.z);
    }

    public double length() {
        return Math.sqrt(x * x + y * y + z * z);
    }

    /** This vector in the directions north, east and up at a place, in metres. */
    public double[] northEastUp(Geographic at) {
        double sinLat = at.latitude().sin();
        double cosLat = at.latitude().cos();
        double sinLon = at.longitude().sin();
        double cosLon = at.longitude().cos();
        double outwards = x * cosLon + y * sinLon;
        return new double[] {-sinLat * outwards + cosLat * z, -sinLon * x + cosLon * y, cosLat * outwards + sinLat * z};
    }

    /** The vector with such parts to north, east and up at a place. */
    public static EarthCentred ofNorthEastUp(double north, double east, double up, Geographic at) {
        double sinLat = at.latitude().sin();
        double cosLat = at.latitude().cos();
        double sinLon = at.longitude().sin();
        double cosLon = at.longitude().cos();
        double outwards = cosLat * up - sinLat * north;
        return new EarthCentred(cosLon * outwards - sinLon * east, sinLon * outwards + cosLon * east, sinLat * up + cosLat * north);
    }
}
