package verge.core.occupation;

import java.util.Optional;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthCovariance;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.Position;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.geodesy.Uncertainty;
import verge.core.satellite.PoleTilt;
import verge.core.settings.JobGeodesy;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * Where the foot of a pole is, from where its antenna is.
 *
 * @param earth on the ellipsoid of satellites
 * @param position in the job's grid; its elevation is absent without a geoid
 * @param sigma along the grid's axes
 */
public record OccupiedPlace(EarthPlace earth, Position position, Uncertainty sigma) {
    /** How well a person reads a pole or a tape. */
    private static final double SIGMA_HEIGHT_METRES = 0.001;

    /**
     * The foot of a pole below its antenna, on the ellipsoid of satellites.
     *
     * @param height of the reference point over the foot, along the pole
     */
    public static EarthPlace foot(EarthCentred reference, Length height, Optional<PoleTilt> tilt) {
        Geographic at = reference.place(ReferenceEllipsoid.WGS84).position();
        return reference.minus(tilt.map(t -> t.upwards(height, at)).orElseGet(() -> EarthCentred.ofNorthEastUp(0, 0, height.metres(), at)))
                .place(ReferenceEllipsoid.WGS84);
    }

    /**
     * Below an antenna.
     *
     * @param reference where its reference point is @param spread of that @param height of it over the foot, along the pole
     * @param tilt absent for an upright pole
     * @return empty where the job's system is not known on the earth
     */
    public static Optional<OccupiedPlace> below(EarthCentred reference, EarthCovariance spread, Length height, Optional<PoleTilt> tilt,
            JobGeodesy geodesy) {
        Geographic at = reference.place(ReferenceEllipsoid.WGS84).position();
        EarthCovariance all = spread.plus(EarthCovariance.ofNorthEastUp(0, 0, SIGMA_HEIGHT_METRES, at));
        EarthPlace foot = foot(reference, height, tilt);
        EarthCovariance whole = tilt.map(t -> all.plus(t.spread(height, at))).orElse(all);
        return geodesy.position(foot).map(p ->
                new OccupiedPlace(foot, p, sigma(whole, at, geodesy.convergence(p.plan()).orElse(new Angle(0)))));
    }

    /** Grid north lies γ clockwise from true north. */
    private static Uncertainty sigma(EarthCovariance spread, Geographic at, Angle convergence) {
        EarthCentred north = EarthCentred.ofNorthEastUp(convergence.cos(), convergence.sin(), 0, at);
        EarthCentred east = EarthCentred.ofNorthEastUp(-convergence.sin(), convergence.cos(), 0, at);
        EarthCentred up = EarthCentred.ofNorthEastUp(0, 0, 1, at);
        return new Uncertainty(along(spread, north), along(spread, east), along(spread, up));
    }

    private static Length along(EarthCovariance spread, EarthCentred d) {
        return new Length(spread.along(d.x(), d.y(), d.z()));
    }
}
