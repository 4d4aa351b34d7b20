package verge.core.geodesy;

import java.util.Optional;
import verge.core.units.Angle;

/**
 * A flat site: one plane grid with one scale for the whole of it.
 *
 * <p>The scale is grid over ground: a horizontal distance on the ground times the scale is the distance between the two points'
 * coordinates. It holds for the level of the station mark, so a point is a millionth off for every 6.4 m it lies above or below.
 *
 * @param gridPerGround between 0.9 and 1.1; outside that a typing slip is far likelier than a real site
 */
public record FlatSite(double gridPerGround) implements Plane {
    public static final double LOWEST_SCALE = 0.9;
    public static final double HIGHEST_SCALE = 1.1;

    public FlatSite {
        if (!(gridPerGround >= LOWEST_SCALE && gridPerGround <= HIGHEST_SCALE)) {
            throw new IllegalArgumentException("scale: " + gridPerGround);
        }
    }

    @Override
    public double gridPerGround(GridPoint from, GridPoint to, Optional<Elevation> level) {
        return gridPerGround;
    }

    @Override
    public double gridPerEllipsoid(GridPoint from, GridPoint to) {
        return 1;
    }

    @Override
    public double radiusMetres(GridPoint from, Angle azimuth, Optional<Elevation> level) {
        return MEAN_RADIUS_METRES + level.map(Elevation::metres).orElse(0.0);
    }

    @Override
    public double arcToChordRadians(GridPoint from, GridPoint to) {
        return 0;
    }
}
