package verge.core.geodesy;

import net.sf.geographiclib.Geodesic;
import net.sf.geographiclib.GeodesicData;
import verge.core.units.Angle;

/**
 * Shortest lines on an ellipsoid, over any distance. Source: C. F. F. Karney, 'Algorithms for geodesics', Journal of Geodesy 87 (2013),
 * good to 15 nm.
 */
public final class Geodesics {
    private Geodesics() {
    }

    /**
     * The shortest line between two places.
     *
     * @param metres on the ellipsoid
     * @param there azimuth at its begin, from true north, in [0, 2π)
     * @param onwards azimuth at its end, in the direction in which it arrives
     */
    public record Line(double metres, Angle there, Angle onwards) {
    }

    public static Line inverse(Geographic from, Geographic to, ReferenceEllipsoid e) {
        return line(of(e).Inverse(from.latitude().degrees(), from.longitude().degrees(), to.latitude().degrees(),
                to.longitude().degrees()));
    }

    /** Where such a line ends. */
    public record End(Geographic place, Angle onwards) {
    }

    /** @param metres negative for backwards */
    public static End direct(Geographic from, Angle azimuth, double metres, ReferenceEllipsoid e) {
        GeodesicData data = of(e).Direct(from.latitude().degrees(), from.longitude().degrees(), azimuth.degrees(), metres);
        return new End(Geographic.ofDegrees(data.lat2, data.lon2), Angle.ofDegrees(data.azi2).wholeCircle());
    }

    private static Line line(GeodesicData data) {
        return new Line(data.s12, Angle.ofDegrees(data.azi1).wholeCircle(), Angle.ofDegrees(data.azi2).wholeCircle());
    }

    private static Geodesic of(ReferenceEllipsoid e) {
        return new Geodesic(e.semiMajor(), 1 / e.inverseFlattening());
    }
}
