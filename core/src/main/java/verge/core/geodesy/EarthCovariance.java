package verge.core.geodesy;

/** How well an earth-centred place or vector is known: variances and covariances along its axes, in square metres. */
public record EarthCovariance(double xx, double xy, double xz, double yy, double yz, double zz) {
    public EarthCovariance {
        if (!(xx >= 0 && yy >= 0 && zz >= 0) || !Double.isFinite(xx + xy + xz + yy + yz + zz)) {
            throw new IllegalArgumentException("covariance: " + xx + ", " + xy + ", " + xz + ", " + yy + ", " + yz + ", " + zz);
        }
    }

    /** Of independent errors to north, east and up at a place, by their standard deviations in metres. */
    public static EarthCovariance ofNorthEastUp(double north, double east, double up, Geographic at) {
        EarthCentred n = EarthCentred.ofNorthEastUp(north, 0, 0, at);
        EarthCentred e = EarthCentred.ofNorthEastUp(0, east, 0, at);
        EarthCentred u = EarthCentred.ofNorthEastUp(0, 0, up, at);
        return along(n).plus(along(e)).plus(along(u));
    }

    /** Of an error along one vector, whose length is its standard deviation. */
    public static EarthCovariance along(EarthCentred v) {
        return new EarthCovariance(v.x() * v.x(), v.x() * v.y(), v.x() * v.z(), v.y() * v.y(), v.y() * v.z(), v.z() * v.z());
    }

    /** With an independent error beside it. */
    public EarthCovariance plus(EarthCovariance o) {
        return new EarthCovariance(xx + o.xx, xy + o.xy, xz + o.xz, yy + o.yy, yz + o.yz, zz + o.zz);
    }

    public EarthCovariance times(double factor) {
        return new EarthCovariance(xx * factor, xy * factor, xz * factor, yy * factor, yz * factor, zz * factor);
    }

    /** Standard deviation in a direction, in metres. @param d of length one */
    public double along(double... d) {
        double variance = d[0] * (xx * d[0] + 2 * xy * d[1] + 2 * xz * d[2]) + d[1] * (yy * d[1] + 2 * yz * d[2]) + d[2] * zz * d[2];
        return Math.sqrt(Math.max(0, variance));
    }

    /** Standard deviations to north, east and up at a place, in metres. */
    public double[] northEastUp(Geographic at) {
        return new double[] {in(EarthCentred.ofNorthEastUp(1, 0, 0, at)), in(EarthCentred.ofNorthEastUp(0, 1, 0, at)),
                in(EarthCentred.ofNorthEastUp(0, 0, 1, at))};
    }

    private double in(EarthCentred d) {
        return along(d.x(), d.y(), d.z());
    }
}
