package verge.core.setup;

import java.util.Optional;
import verge.core.cogo.GridInverse;
import verge.core.geodesy.Position;
import verge.core.problem.SurveyException;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.reduction.ShotReduction;
import verge.core.units.Angle;
import verge.core.units.Length;

/**
 * Setup over a known point with one backsight to another: orientation from the coordinates, and what the measured distance and
 * height say of both marks.
 *
 * <p>The misfits are free checks, not part of the solution: a wrong mark, a wrong target height, a wrong prism or a disturbed point
 * shows here before anything is built on it.
 */
public final class KnownPointSetup {
    /** Misfits beyond this many standard deviations are taken for mistakes: 1 in 370 by chance. */
    public static final double LIMIT_IN_SIGMAS = 3;

    private KnownPointSetup() {
    }

    /**
     * A misfit with what it may be.
     *
     * @param difference measured minus from coordinates
     * @param sigma standard deviation of the difference
     */
    public record Check(Length difference, Length sigma) {
        public Length limit() {
            return sigma.times(LIMIT_IN_SIGMAS);
        }

        public boolean within() {
            return difference.abs().compareTo(limit()) <= 0;
        }
    }

    /**
     * @param height absent if either mark has no elevation
     */
    public record Result(OrientedStation station, Angle azimuth, ShotReduction.Result shot, Check distance, Optional<Check> height) {
        public boolean within() {
            return distance.within() && height.map(Check::within).orElse(true);
        }
    }

    /** @throws SurveyException COINCIDENT_POINTS if station and backsight have one position */
    public static Result solve(Occupation occupation, Position backsight, TotalStationReading reading, Target target) {
        GridInverse.Result known = GridInverse.between(occupation.station().plan(), backsight.plan());
        ShotReduction.Result shot = occupation.reduce(reading, target, direction -> known.azimuth());
        Angle orientation = known.azimuth().minus(shot.direction()).wholeCircle();
        OrientedStation station = new OrientedStation(occupation, orientation, sigmaOrientation(occupation, known.distance()));
        return new Result(station, known.azimuth(), shot, distanceCheck(occupation, known.distance(), shot),
                heightCheck(occupation, backsight, shot));
    }

    private static Angle sigmaOrientation(Occupation occupation, Length distance) {
        InstrumentPrecision p = occupation.precision();
        double centring = Math.hypot(p.sigmaStationCentring().metres(), p.sigmaTargetCentring().metres());
        return new Angle(Math.hypot(p.sigmaDirection().radians(), centring / distance.metres()));
    }

    private static Check distanceCheck(Occupation occupation, Length known, ShotReduction.Result shot) {
        InstrumentPrecision p = occupation.precision();
        double zenithPart = shot.slope().metres() * shot.zenith().cos() * p.sigmaZenith().radians();
        double sigma = Math.sqrt(square(p.distanceMeter().sigma(shot.slope()).metres()) + square(zenithPart)
                + square(p.sigmaStationCentring().metres()) + square(p.sigmaTargetCentring().metres()));
        return new Check(shot.grid().value().minus(known), new Length(sigma));
    }

    private static Optional<Check> heightCheck(Occupation occupation, Position backsight, ShotReduction.Result shot) {
        InstrumentPrecision p = occupation.precision();
        double sigma = Math.sqrt(square(shot.groundDistance().metres() * p.sigmaZenith().radians())
                + square(shot.zenith().cos() * p.distanceMeter().sigma(shot.slope()).metres()) + 2 * square(p.sigmaHeight().metres()));
        return occupation.station().elevation().flatMap(here -> backsight.elevation().map(
                there -> new Check(shot.rise().minus(there.minus(here)), new Length(sigma))));
    }

    private static double square(double x) {
        return x * x;
    }
}
