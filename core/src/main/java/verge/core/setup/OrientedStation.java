package verge.core.setup;

import java.util.Optional;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.reduction.ShotReduction;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * An occupation that knows where north is.
 *
 * @param orientation ω: azimuth = face-1 direction + ω
 */
public record OrientedStation(Occupation occupation, Angle orientation, StationCovariance covariance) {

    public Angle sigmaOrientation() {
        return covariance.orientation();
    }

    /** Azimuth in the grid of a direction as observed, in [0, 2π), up to the arc-to-chord correction. */
    public Angle azimuth(Angle direction) {
        return direction.plus(orientation).wholeCircle();
    }

    /**
     * Where the aimed-at mark is. Without an elevation of the station the point has none either.
     *
     * <p>The standard deviations hold reading, station, orientation, centring and tape; the known points count as exact.
     */
    public ObservedPoint observe(TotalStationReading reading, Target target) {
        return observe(reading, target, 1);
    }

    /** The same for the mean of several pointings. */
    public ObservedPoint observe(TotalStationReading mean, Target target, int pointings) {
        ShotReduction.Result shot = occupation.reduce(mean, target, direction -> direction.plus(orientation));
        Angle observed = shot.direction().plus(orientation);
        double d = shot.grid().value().metres();
        GridPoint from = occupation.station().plan();
        GridPoint near = from.plus(d * observed.cos(), d * observed.sin());
        Angle azimuth = new Angle(observed.radians() + occupation.plane().arcToChordRadians(from, near));
        GridPoint plan = from.plus(d * azimuth.cos(), d * azimuth.sin());
        Optional<Elevation> elevation = occupation.station().elevation().map(e -> e.plus(shot.rise()));
        return new ObservedPoint(new Position(plan, elevation), sigma(shot.slope(), shot.zenith(), azimuth, pointings), shot);
    }

    /** Where to turn to for a mark whose place is known: circle readings of face 1, level where either has no elevation. */
    public Pointing wayTo(Position mark, Length targetHeight) {
        Position here = occupation.station();
        double distance = here.plan().distanceMetres(mark.plan());
        double azimuth = Math.atan2(mark.plan().easting() - here.plan().easting(), mark.plan().northing() - here.plan().northing());
        double rise = mark.elevation().flatMap(m -> here.elevation()
                .map(h -> m.metres() + targetHeight.metres() - h.metres() - occupation.instrumentHeight().metres())).orElse(0.0);
        return new Pointing(new Angle(azimuth - orientation.radians()).wholeCircle(), new Angle(Math.atan2(distance, rise)),
                Optional.of(new Length(Math.hypot(distance, rise))), "");
    }

    /** What a point observed along a sight of this length and direction would be known to, without observing it. */
    public Uncertainty expected(Length slope, Angle zenith, Angle azimuth) {
        return sigma(slope, zenith, azimuth, 1);
    }

    /** Standard deviations of an observed point along its sight, across it and upwards. */
    public record AlongSight(Length along, Length across, Length up) {
    }

    /** How well a single reading places its point, told by the sight's own directions; the known points count as exact. */
    public AlongSight alongSight(ShotReduction.Result shot) {
        Angle azimuth = azimuth(shot.direction());
        InstrumentPrecision p = occupation.conditions().precision();
        double slope = shot.slope().metres();
        double level = slope * shot.zenith().sin();
        double sin = azimuth.sin();
        double cos = azimuth.cos();
        double centring = square(p.sigmaTargetCentring().metres());
        double along = square(shot.zenith().sin() * p.distanceMeter().sigma(shot.slope()).metres())
                + square(slope * shot.zenith().cos() * p.sigmaZenith().radians()) + centring
                + covariance.of(cos, sin, 0, 0, level);
        double across = square(level * p.sigmaDirection().radians()) + centring + covariance.of(-sin, cos, level, 0, 0);
        return new AlongSight(root(along), root(across), sigma(shot.slope(), shot.zenith(), azimuth, 1).up());
    }

    /**
     * Standard deviations of a single reading on its way to coordinates.
     *
     * @param horizontal of the horizontal distance, from distance and zenith angle
     * @param azimuth of direction and orientation
     * @param rise of zenith angle, distance and the tape at the target
     */
    public record OnTheWay(Length slope, Length horizontal, Angle azimuth, Length rise) {
    }

    public OnTheWay onTheWay(ShotReduction.Result shot) {
        InstrumentPrecision p = occupation.conditions().precision();
        double slope = shot.slope().metres();
        double sigmaSlope = p.distanceMeter().sigma(shot.slope()).metres();
        double sin = shot.zenith().sin();
        double cos = shot.zenith().cos();
        double zenith = slope * p.sigmaZenith().radians();
        return new OnTheWay(new Length(sigmaSlope), root(square(sin * sigmaSlope) + square(cos * zenith)),
                new Angle(Math.hypot(p.sigmaDirection().radians(), sigmaOrientation().radians())),
                root(square(cos * sigmaSlope) + square(sin * zenith) + square(p.sigmaHeight().metres())));
    }

    private Uncertainty sigma(Length slopeDistance, Angle zenith, Angle azimuth, int pointings) {
        InstrumentPrecision p = occupation.conditions().precision();
        double slope = slopeDistance.metres();
        double sigmaSlope = p.distanceMeter().sigma(slopeDistance).metres();
        double sinZ = zenith.sin();
        double cosZ = zenith.cos();
        double level = slope * sinZ;
        double along = (square(sinZ * sigmaSlope) + square(slope * cosZ * p.sigmaZenith().radians())) / pointings;
        double across = square(level) * square(p.sigmaDirection().radians()) / pointings;
        double centring = square(p.sigmaTargetCentring().metres());
        double sin = azimuth.sin();
        double cos = azimuth.cos();
        double north = cos * cos * along + sin * sin * across + centring + covariance.of(1, 0, -level * sin, 0, level * cos);
        double east = sin * sin * along + cos * cos * across + centring + covariance.of(0, 1, level * cos, 0, level * sin);
        double up = (square(cosZ * sigmaSlope) + square(level * p.sigmaZenith().radians())) / pointings + square(p.sigmaHeight().metres())
                + covariance.of(0, 0, 0, 1, 0);
        return new Uncertainty(root(north), root(east), root(up));
    }

    private static double square(double x) {
        return x * x;
    }

    private static Length root(double variance) {
        return new Length(Math.sqrt(variance));
    }
}
