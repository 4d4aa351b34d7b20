package verge.core.setup;

import java.util.Optional;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.reduction.ShotReduction;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * An occupation that knows where north is.
 *
 * @param orientation ω: azimuth = face-1 direction + ω
 * @param sigmaOrientation standard deviation of ω
 */
public record OrientedStation(Occupation occupation, Angle orientation, Angle sigmaOrientation) {

    /**
     * Where the aimed-at mark is. Without an elevation of the station the point has none either.
     *
     * <p>The standard deviations hold reading, orientation, centring and tape; the known points count as exact.
     */
    public ObservedPoint observe(TotalStationReading reading, Target target) {
        ShotReduction.Result shot = occupation.reduce(reading, target, direction -> direction.plus(orientation));
        Angle azimuth = shot.direction().plus(orientation);
        double d = shot.grid().value().metres();
        GridPoint plan = occupation.station().plan().plus(d * azimuth.cos(), d * azimuth.sin());
        Optional<Elevation> elevation = occupation.station().elevation().map(e -> e.plus(shot.rise()));
        return new ObservedPoint(new Position(plan, elevation), sigma(shot, azimuth), shot);
    }

    private Uncertainty sigma(ShotReduction.Result shot, Angle azimuth) {
        InstrumentPrecision p = occupation.precision();
        double slope = shot.slope().metres();
        double sigmaSlope = p.distanceMeter().sigma(shot.slope()).metres();
        double sinZ = shot.zenith().sin();
        double cosZ = shot.zenith().cos();
        double level = slope * sinZ;
        double along = square(sinZ * sigmaSlope) + square(slope * cosZ * p.sigmaZenith().radians());
        double across = square(level) * (square(p.sigmaDirection().radians()) + square(sigmaOrientation.radians()));
        double centring = square(p.sigmaStationCentring().metres()) + square(p.sigmaTargetCentring().metres());
        double north = square(azimuth.cos()) * along + square(azimuth.sin()) * across + centring;
        double east = square(azimuth.sin()) * along + square(azimuth.cos()) * across + centring;
        double up = square(cosZ * sigmaSlope) + square(level * p.sigmaZenith().radians()) + 2 * square(p.sigmaHeight().metres());
        return new Uncertainty(root(north), root(east), root(up));
    }

    private static double square(double x) {
        return x * x;
    }

    private static Length root(double variance) {
        return new Length(Math.sqrt(variance));
    }
}
