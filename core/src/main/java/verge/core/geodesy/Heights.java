package verge.core.geodesy;

import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * How elevations and ellipsoid heights of a job hang together.
 *
 * @param geoid absent if none is set: the two kinds of height cannot be told from each other then
 * @param siteElevation for points without a height of their own
 * @param siteEllipsoidHeight the same where that is what was given
 */
public record Heights(Optional<Geoid> geoid, Optional<Elevation> siteElevation, Optional<EllipsoidHeight> siteEllipsoidHeight) {
    public static final Heights UNKNOWN = new Heights(Optional.empty(), Optional.empty(), Optional.empty());

    public Heights {
        Objects.requireNonNull(geoid, "geoid");
        Objects.requireNonNull(siteElevation, "siteElevation");
        Objects.requireNonNull(siteEllipsoidHeight, "siteEllipsoidHeight");
    }

    /** N; empty without a geoid or outside it. */
    public OptionalDouble undulation(Geographic place) {
        return geoid.map(g -> g.undulation(place)).orElse(OptionalDouble.empty());
    }

    /**
     * The ellipsoid height that a scale is reckoned with: from the elevation and the geoid; without a geoid the elevation in its stead;
     * without an elevation the site's own height, else the ellipsoid itself.
     */
    public double forScale(Geographic place, Optional<Elevation> elevation) {
        return elevation.or(() -> siteElevation).map(e -> e.metres() + undulation(place).orElse(0))
                .orElseGet(() -> siteEllipsoidHeight.map(EllipsoidHeight::metres).orElse(0.0));
    }
}
