package verge.core.geodesy;

import java.util.List;
import java.util.Optional;

/**
 * What turns a ground distance into a grid distance at one place: the projection's scale there and the height of the ground.
 *
 * @param pointScale k: grid over ellipsoid
 * @param elevationFactor ellipsoid over ground: R / (R + h), with Gauss' mean radius
 */
public record CombinedFactor(double pointScale, double elevationFactor) {

    /** At a point of the grid. @param elevation absent for the site's reference height */
    public static CombinedFactor at(ProjectedPlane plane, GridPoint point, Optional<Elevation> elevation) {
        Geographic place = plane.projection().geographic(point);
        return at(plane, place, new EllipsoidHeight(plane.heights().forScale(place, elevation)));
    }

    /** At a position as satellites give it. */
    public static CombinedFactor at(ProjectedPlane plane, Geographic place, EllipsoidHeight height) {
        double radius = plane.projection().ellipsoid().meanRadius(place.latitude());
        return new CombinedFactor(plane.projection().scale(place).point(), radius / (radius + height.metres()));
    }

    /** The plain mean of several. @throws IllegalArgumentException if there is none */
    public static CombinedFactor mean(List<CombinedFactor> factors) {
        return new CombinedFactor(factors.stream().mapToDouble(CombinedFactor::pointScale).average()
                .orElseThrow(IllegalArgumentException::new),
                factors.stream().mapToDouble(CombinedFactor::elevationFactor).average().orElseThrow(IllegalArgumentException::new));
    }

    /** End, middle, end of a line, weighted 1 : 4 : 1. */
    public static CombinedFactor simpson(CombinedFactor from, CombinedFactor middle, CombinedFactor to) {
        return new CombinedFactor((from.pointScale + 4 * middle.pointScale + to.pointScale) / 6,
                (from.elevationFactor + 4 * middle.elevationFactor + to.elevationFactor) / 6);
    }

    /** Grid over ground. */
    public double gridPerGround() {
        return pointScale * elevationFactor;
    }

    /** Ground over grid: what a grid distance is multiplied by. */
    public double groundPerGrid() {
        return 1 / gridPerGround();
    }

    /**
     * Standard deviation of the factor, from that of the height and of the place.
     *
     * @param scalePerMetre how fast the point scale changes with the place
     */
    public double sigma(double sigmaHeightMetres, double sigmaPlaceMetres, double scalePerMetre, double radiusMetres) {
        return groundPerGrid() * Math.hypot(sigmaHeightMetres / radiusMetres, sigmaPlaceMetres * scalePerMetre);
    }
}
