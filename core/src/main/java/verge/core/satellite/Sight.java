package verge.core.satellite;

import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.units.Angle;

/** Where a satellite stands. @param azimuth clockwise from true north @param elevation above the horizon */
public record Sight(Angle azimuth, Angle elevation) {
    /** As seen from a place on WGS 84. */
    public static Sight of(EarthCentred satellite, EarthPlace from) {
        Geographic at = from.position();
        double[] v = satellite.minus(EarthCentred.of(from, ReferenceEllipsoid.WGS84)).northEastUp(at);
        return new Sight(new Angle(Math.atan2(v[1], v[0])).wholeCircle(), new Angle(Math.atan2(v[2], Math.hypot(v[0], v[1]))));
    }

    /** Towards it, of length one, to north, east and up. */
    public double[] direction() {
        return new double[] {elevation.cos() * azimuth.cos(), elevation.cos() * azimuth.sin(), elevation.sin()};
    }
}
