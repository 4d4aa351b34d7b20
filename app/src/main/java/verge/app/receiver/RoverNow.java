package verge.app.receiver;

import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthCovariance;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.job.JobState;
import verge.core.occupation.OccupiedPlace;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.AntennaOverMark;
import verge.core.satellite.PoleTilt;
import verge.core.satellite.SolvedPosition;
import verge.core.settings.JobGeodesy;
import verge.instruments.receiver.ReceiverCondition;
import verge.instruments.receiver.ReceiverSnapshot;

/** Where the foot of a rover's pole is now. */
@Service
public class RoverNow {
    private final ReceiverDesk desk;

    RoverNow(ReceiverDesk desk) {
        this.desk = desk;
    }

    /** @param solved of the antenna @param foot absent while the antenna's height has not been said, or the job's system is not known on the earth */
    public record Here(SolvedPosition solved, Optional<OccupiedPlace> foot) {
    }

    /** Empty without a fresh position. */
    public Optional<Here> of(UUID job, JobGeodesy geodesy) {
        return desk.snapshot(job).flatMap(s -> of(s, desk.how(job).antenna(), geodesy));
    }

    public static Optional<Here> of(ReceiverSnapshot now, Optional<AntennaOverMark> antenna, JobGeodesy geodesy) {
        return now.now().filter(p -> p.place().isPresent()).map(p -> new Here(p, antenna.flatMap(a -> foot(now, p, a, geodesy))));
    }

    private static Optional<OccupiedPlace> foot(ReceiverSnapshot now, SolvedPosition solved, AntennaOverMark antenna, JobGeodesy geodesy) {
        var place = solved.place().orElseThrow();
        EarthCovariance spread = solved.sigma().map(s -> EarthCovariance.ofNorthEastUp(s.north(), s.east(), s.up(), place.position())).orElse(new EarthCovariance(0, 0, 0, 0, 0, 0));
        return OccupiedPlace.below(EarthCentred.of(place, ReferenceEllipsoid.WGS84), spread, antenna.reference(), lean(now), geodesy);
    }

    /** As the receiver feels it; empty for a pole that is held upright. */
    public static Optional<PoleTilt> lean(ReceiverSnapshot now) {
        return now.condition().map(ReceiverCondition::tilt).flatMap(ReceiverCondition.Leaning::by);
    }

    /** The foot, or why there is none. @throws SurveyException as {@link ReceiverDesk#ready}, or ANTENNA_HEIGHT_MISSING, NO_POSITION, SYSTEM_NOT_ON_EARTH */
    public Here required(UUID job, JobState state) {
        ReceiverSnapshot now = desk.ready(job).snapshot();
        AntennaOverMark antenna = desk.how(job).antenna().orElseThrow(() -> new SurveyException(Problem.ANTENNA_HEIGHT_MISSING));
        Here here = of(now, Optional.of(antenna), state.geodesy()).orElseThrow(() -> new SurveyException(Problem.NO_POSITION));
        if (here.foot().isEmpty()) {
            throw new SurveyException(Problem.SYSTEM_NOT_ON_EARTH);
        }
        return here;
    }
}
