package verge.core.setup;

import java.util.Optional;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Position;
import verge.core.reading.InstrumentPrecision;
import verge.core.reduction.ShotReduction;
import verge.core.reduction.SlopeReduction;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * One mark as the solution sees it: where it is, what was read to it on the mean, and how well.
 *
 * @param mark absent where only an azimuth to it is known
 * @param slopeMetres freed of prism and air; NaN where none was read
 * @param horizontalMetres at the station's level, from slope and zenith; NaN likewise
 * @param riseMetres of the mark above the station's mark, from slope and zenith; NaN likewise
 */
record FitSight(Sighting sighting, Optional<Position> mark, MeanSight mean, double slopeMetres, double horizontalMetres, double riseMetres) {

    static FitSight of(Sighting sighting, Optional<Position> mark, Arrangement arrangement, Conditions conditions) {
        MeanSight mean = MeanSight.of(sighting.pointings(), conditions.errors());
        if (mean.slope().isEmpty()) {
            return new FitSight(sighting, mark, mean, Double.NaN, Double.NaN, Double.NaN);
        }
        var slope = ShotReduction.slope(mean.slope().get(), sighting.target(), conditions.air(), conditions.precision().distanceMeter()).value();
        SlopeReduction.Result level = SlopeReduction.reduce(slope, mean.zenith(), arrangement.instrumentHeight(), conditions.refraction());
        double rise = level.heightDifference().plus(arrangement.instrumentHeight()).minus(sighting.target().height()).metres();
        return new FitSight(sighting, mark, mean, slope.metres(), level.horizontal().metres(), rise);
    }

    boolean ranged() {
        return !Double.isNaN(slopeMetres);
    }

    /** With an azimuth of its own a mark gives a direction, whatever its coordinates are. */
    Optional<Angle> azimuth() {
        return sighting.azimuth();
    }

    boolean inPlan() {
        return sighting.use().plan() && (mark.isPresent() || azimuth().isPresent());
    }

    boolean distanceCounts() {
        return sighting.use().plan() && sighting.use().distance() && ranged() && mark.isPresent() && azimuth().isEmpty();
    }

    boolean inHeight() {
        return sighting.use().height() && elevation().isPresent() && (ranged() || sighting.use().plan());
    }

    Optional<Elevation> elevation() {
        return mark.flatMap(Position::elevation);
    }

    double sigmaDirection(InstrumentPrecision p, double groundMetres) {
        return Math.hypot(p.sigmaDirection().radians() / Math.sqrt(mean.pointings()), p.sigmaTargetCentring().metres() / groundMetres);
    }

    double sigmaZenith(InstrumentPrecision p, double metres) {
        double reading = p.sigmaZenith().radians() / Math.sqrt(mean.pointings());
        double plan = mean.zenith().cos() * p.sigmaTargetCentring().metres() / metres;
        double up = mean.zenith().sin() * p.sigmaHeight().metres() / metres;
        return Math.sqrt(reading * reading + plan * plan + up * up);
    }

    double sigmaSlope(InstrumentPrecision p) {
        double reading = p.distanceMeter().sigma(new Length(slopeMetres)).metres() / Math.sqrt(Math.max(1, mean.distances()));
        double plan = mean.zenith().sin() * p.sigmaTargetCentring().metres();
        double up = mean.zenith().cos() * p.sigmaHeight().metres();
        return Math.sqrt(reading * reading + plan * plan + up * up);
    }

    /** Of the horizontal distance alone, where the mark's height does not count. */
    double sigmaHorizontal(InstrumentPrecision p) {
        double reading = p.distanceMeter().sigma(new Length(slopeMetres)).metres() / Math.sqrt(Math.max(1, mean.distances()));
        double tilt = slopeMetres * mean.zenith().cos() * p.sigmaZenith().radians() / Math.sqrt(mean.pointings());
        return Math.sqrt(square(mean.zenith().sin() * reading) + tilt * tilt + square(p.sigmaTargetCentring().metres()));
    }

    /** Of the height difference alone, where the mark's place does not count. */
    double sigmaRise(InstrumentPrecision p) {
        double reading = p.distanceMeter().sigma(new Length(slopeMetres)).metres() / Math.sqrt(Math.max(1, mean.distances()));
        double tilt = slopeMetres * mean.zenith().sin() * p.sigmaZenith().radians() / Math.sqrt(mean.pointings());
        return Math.sqrt(square(mean.zenith().cos() * reading) + tilt * tilt + square(p.sigmaHeight().metres()));
    }

    private static double square(double x) {
        return x * x;
    }
}
