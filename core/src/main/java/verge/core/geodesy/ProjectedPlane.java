package verge.core.geodesy;

import java.util.Objects;
import java.util.Optional;
import verge.core.units.Angle;

/**
 * The grid of a map projection over ground of a known height.
 *
 * <p>Along a line the scale is the mean by Simpson's rule of both ends and the middle, and heights are brought down with the radius of
 * the line's own direction: 0.01 mm in 10 km against the geodesic.
 */
public final class ProjectedPlane implements Plane {
    /** At 200 km from a central meridian a line of this length is bent by 0.005″: two micrometres. */
    private static final double NOTHING_TO_CORRECT_METRES = 100;

    private final MapProjection projection;
    private final Heights heights;
    /** Sights of a whole leaf begin at one place. */
    private volatile Beginning last;

    public ProjectedPlane(MapProjection projection, Heights heights) {
        this.projection = Objects.requireNonNull(projection, "projection");
        this.heights = Objects.requireNonNull(heights, "heights");
    }

    public MapProjection projection() {
        return projection;
    }

    public Heights heights() {
        return heights;
    }

    /** Where a line begins. */
    private record Beginning(GridPoint at, Geographic place, LocalScale scale) {
    }

    private Beginning beginning(GridPoint at) {
        Beginning known = last;
        if (known == null || !known.at().equals(at)) {
            Geographic place = projection.geographic(at);
            known = new Beginning(at, place, projection.scale(place));
            last = known;
        }
        return known;
    }

    @Override
    public double gridPerGround(GridPoint from, GridPoint to, Optional<Elevation> level) {
        Beginning here = beginning(from);
        double radius = radiusAlong(here, azimuth(from, to));
        return gridPerEllipsoid(from, to) * radius / (radius + heights.forScale(here.place(), level));
    }

    @Override
    public double radiusMetres(GridPoint from, Angle azimuth, Optional<Elevation> level) {
        Beginning here = beginning(from);
        return radiusAlong(here, azimuth) + heights.forScale(here.place(), level);
    }

    @Override
    public double gridPerEllipsoid(GridPoint from, GridPoint to) {
        GridPoint middle = new GridPoint((from.northing() + to.northing()) / 2, (from.easting() + to.easting()) / 2);
        Angle azimuth = azimuth(from, to);
        // ellipsoid = ∫ dS/k
        double inverse = (1 / beginning(from).scale().along(azimuth) + 4 / scale(middle, azimuth) + 1 / scale(to, azimuth)) / 6;
        return 1 / inverse;
    }

    /**
     * From how the scale changes square to the line, at a third of the way: the geodesic's curvature in the grid. Holds for conformal
     * projections, whose scale is one in all directions. Source: any textbook on map projections under 'arc-to-chord correction'.
     */
    @Override
    public double arcToChordRadians(GridPoint from, GridPoint to) {
        double length = from.distanceMetres(to);
        if (length < NOTHING_TO_CORRECT_METRES) {
            return 0;
        }
        Angle azimuth = azimuth(from, to);
        double reach = SHORT_METRES;
        GridPoint third = from.plus((to.northing() - from.northing()) / 3, (to.easting() - from.easting()) / 3);
        double right = scale(third.plus(-reach * azimuth.sin(), reach * azimuth.cos()), azimuth);
        double left = scale(third.plus(reach * azimuth.sin(), -reach * azimuth.cos()), azimuth);
        double curvature = (right - left) / (2 * reach * scale(third, azimuth));
        return -curvature * length / 2;
    }

    private double scale(GridPoint point, Angle azimuth) {
        return projection.scale(point).along(azimuth);
    }

    private double radiusAlong(Beginning here, Angle gridAzimuth) {
        return projection.ellipsoid().radiusAlong(here.place().latitude(), gridAzimuth.plus(here.scale().convergence()));
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof ProjectedPlane p && projection.equals(p.projection) && heights.equals(p.heights);
    }

    @Override
    public int hashCode() {
        return Objects.hash(projection, heights);
    }

    private static Angle azimuth(GridPoint from, GridPoint to) {
        return new Angle(Math.atan2(to.easting() - from.easting(), to.northing() - from.northing()));
    }
}
