package verge.core.setup;

import java.util.Optional;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Plane;
import verge.core.geodesy.Position;
import verge.core.reading.InstrumentPrecision;
import verge.core.reduction.ShotReduction;
import verge.core.reduction.SlopeReduction;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * One mark as the solution sees it: where it is, what was read to it on the mean, and how well.
 *
 * @param known absent where only an azimuth to it is known
 * @param slopeMetres freed of prism and air; NaN where none was read
 * @param horizontalMetres at the station's level, from slope and zenith; NaN likewise
 * @param riseMetres of the mark above the station's mark, from slope and zenith; NaN likewise
 */
record FitSight(Sighting sighting, Optional<KnownMark> known, MeanSight mean, double slopeMetres, double horizontalMetres,
        double riseMetres) {

    /** Its lengths at the mean radius of the earth: good enough to begin with, the model reckons them anew where it stands. */
    static FitSight of(Sighting sighting, Optional<KnownMark> known, Arrangement arrangement, Conditions conditions) {
        MeanSight mean = MeanSight.of(sighting.pointings(), conditions.errors());
        if (mean.slope().isEmpty()) {
            return new FitSight(sighting, known, mean, Double.NaN, Double.NaN, Double.NaN);
        }
        var slope = ShotReduction.slope(mean.slope().get(), sighting.target(), conditions.air(), conditions.precision().distanceMeter())
                .value();
        SlopeReduction.Result level = SlopeReduction.reduce(slope, mean.zenith(), arrangement.instrumentHeight(), conditions.refraction(),
                Plane.MEAN_RADIUS_METRES);
        double rise = level.heightDifference().plus(arrangement.instrumentHeight()).minus(sighting.target().height()).metres();
        return new FitSight(sighting, known, mean, slope.metres(), level.horizontal().metres(), rise);
    }

    Optional<Position> mark() {
        return known.map(KnownMark::position);
    }

    FitSight with(Optional<KnownMark> other) {
        return new FitSight(sighting, other, mean, slopeMetres, horizontalMetres, riseMetres);
    }

    FitSight with(Sighting.Use use) {
        return new FitSight(sighting.with(use), known, mean, slopeMetres, horizontalMetres, riseMetres);
    }

    FitSight with(MeanSight other) {
        return new FitSight(sighting, known, other, slopeMetres, horizontalMetres, riseMetres);
    }

    boolean ranged() {
        return !Double.isNaN(slopeMetres);
    }

    /** With an azimuth of its own a mark gives a direction, whatever its coordinates are. */
    Optional<Angle> azimuth() {
        return sighting.azimuth();
    }

    boolean inPlan() {
        return sighting.use().plan() && (known.isPresent() || azimuth().isPresent());
    }

    boolean distanceCounts() {
        return sighting.use().plan() && sighting.use().distance() && ranged() && known.isPresent() && azimuth().isEmpty();
    }

    boolean inHeight() {
        return sighting.use().height() && elevation().isPresent() && (ranged() || sighting.use().plan());
    }

    Optional<Elevation> elevation() {
        return mark().flatMap(Position::elevation);
    }

    /** Of one reading of a circle, on the mean. */
    double sigmaDirection(InstrumentPrecision p) {
        return p.sigmaDirection().radians() / Math.sqrt(mean.pointings());
    }

    double sigmaZenith(InstrumentPrecision p) {
        return p.sigmaZenith().radians() / Math.sqrt(mean.pointings());
    }

    /** Of the distance meter, on the mean; 0 where none was read. */
    double sigmaMeter(InstrumentPrecision p) {
        return ranged() ? p.distanceMeter().sigma(new Length(slopeMetres)).metres() / Math.sqrt(Math.max(1, mean.distances())) : 0;
    }

    /** Of the horizontal distance alone, where the mark's height does not count. */
    double sigmaHorizontal(InstrumentPrecision p) {
        double reading = sigmaMeter(p);
        double tilt = slopeMetres * mean.zenith().cos() * sigmaZenith(p);
        return Math.sqrt(square(mean.zenith().sin() * reading) + tilt * tilt + square(p.sigmaTargetCentring().metres()));
    }

    /** Of the height difference alone, where the mark's place does not count. */
    double sigmaRise(InstrumentPrecision p) {
        double reading = sigmaMeter(p);
        double tilt = slopeMetres * mean.zenith().sin() * sigmaZenith(p);
        return Math.sqrt(square(mean.zenith().cos() * reading) + tilt * tilt + square(p.sigmaHeight().metres()));
    }

    private static double square(double x) {
        return x * x;
    }
}
