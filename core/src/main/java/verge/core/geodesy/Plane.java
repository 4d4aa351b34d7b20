package verge.core.geodesy;

import java.util.Optional;
import verge.core.units.Angle;
import verge.core.units.Length;

/** The plane that a job's coordinates lie in, and what a distance on the ground is in it. */
public sealed interface Plane permits FlatSite, ProjectedPlane {
    /** Scales change by 4·10⁻⁹ a metre at most, four degrees from a central meridian: 10⁻⁹ of such a line is a micrometre. */
    double SHORT_METRES = 500;
    /** IUGG mean radius R₁ of the GRS80 ellipsoid, rounded to 10 m: where no place is known that could tell a better one. */
    double MEAN_RADIUS_METRES = 6_371_010;

    /**
     * Grid distance over ground distance, along a line.
     *
     * @param level elevation of the ground that the distance is measured at; absent for the site's reference height
     */
    double gridPerGround(GridPoint from, GridPoint to, Optional<Elevation> level);

    /** Grid distance over distance on the ellipsoid, along a line; 1 on a flat site. */
    double gridPerEllipsoid(GridPoint from, GridPoint to);

    /**
     * Arc-to-chord correction: what a direction along the line as it is observed is turned by to point along the straight line between
     * both coordinates; 0 on a flat site. Under 0.1″ to 1 km, some seconds to 10 km.
     */
    double arcToChordRadians(GridPoint from, GridPoint to);

    /**
     * Radius of the earth's curvature at a mark along an azimuth of the grid: of the ellipsoid's normal section, and the mark's height
     * upon it. At 57° it is 13 km more than the mean, which changes a height by 1 mm at 2 km.
     */
    double radiusMetres(GridPoint from, Angle azimuth, Optional<Elevation> level);

    /** A ground distance measured from a mark at its level, as the distance between coordinates. */
    default Length toGrid(Position from, Angle azimuth, Length ground) {
        // The target is first placed a thousandth of the distance wrong: on a short line a metre, which changes no scale by 10⁻⁹.
        double first = gridPerGround(from.plan(), ahead(from, azimuth, ground.metres()), from.elevation());
        if (ground.metres() < SHORT_METRES) {
            return ground.times(first);
        }
        return ground.times(gridPerGround(from.plan(), ahead(from, azimuth, ground.metres() * first), from.elevation()));
    }

    private static GridPoint ahead(Position from, Angle azimuth, double metres) {
        return from.plan().plus(metres * azimuth.cos(), metres * azimuth.sin());
    }
}
