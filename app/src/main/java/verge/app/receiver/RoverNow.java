package verge.app.receiver;

import java.time.Duration;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.core.base.Base;
import verge.core.base.BaseEntries;
import verge.core.base.BasesOf;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthCovariance;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.MapProjection;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.job.JobState;
import verge.core.occupation.OccupiedPlace;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.AntennaOverMark;
import verge.core.satellite.PoleTilt;
import verge.core.satellite.SolvedPosition;
import verge.core.units.Decimals;
import verge.instruments.receiver.ReceiverCondition;
import verge.instruments.receiver.ReceiverSnapshot;

/** Where the foot of a rover's pole is now. */
@Service
public class RoverNow {
    /** Work at the edge of a system's area is usual; beyond this it is a mistake. */
    private static final double MILLIS = 1_000;
    private static final double FAR_METRES = 100_000;
    private final ReceiverDesk desk;

    RoverNow(ReceiverDesk desk) {
        this.desk = desk;
    }

    /**
     * @param solved of the antenna
     * @param foot absent while the antenna's height has not been said, or the job's system is not known on the earth
     * @param late by how much it is later than is usual
     */
    public record Here(SolvedPosition solved, Optional<OccupiedPlace> foot, Optional<Duration> late) {
    }

    /** Empty without a fresh position. */
    public Optional<Here> of(UUID job, JobState state) {
        return desk.snapshot(Seat.rover(job)).flatMap(s -> of(s, desk.how(Seat.rover(job)).antenna(), state));
    }

    public static Optional<Here> of(ReceiverSnapshot now, Optional<AntennaOverMark> antenna, JobState state) {
        return now.now().filter(p -> p.place().isPresent()).map(p -> new Here(p, antenna.flatMap(a -> foot(now, p, a, state)), now.late()));
    }

    /** The base of the job's own that the receiver hears, if it is one. */
    public static Optional<Base> base(ReceiverSnapshot now, JobState state) {
        return now.base().flatMap(b -> BaseEntries.latest(state.all(new BasesOf(b.station())), b));
    }

    /** As points are placed that were measured: from where the base is known to be, whatever it still sends. */
    private static Optional<OccupiedPlace> foot(ReceiverSnapshot now, SolvedPosition solved, AntennaOverMark antenna, JobState state) {
        var place = solved.place().orElseThrow();
        EarthCovariance spread = solved.sigma().map(s -> EarthCovariance.ofNorthEastUp(s.north(), s.east(), s.up(), place.position()))
                .orElse(new EarthCovariance(0, 0, 0, 0, 0, 0));
        EarthCentred told = EarthCentred.of(place, ReferenceEllipsoid.WGS84);
        EarthCentred reference = solved.kind() == SolvedPosition.Kind.AUTONOMOUS ? told : base(now, state)
                .map(b -> told.plus(b.reference().minus(b.sent().place()))).orElse(told);
        return OccupiedPlace.below(reference, spread, antenna.reference(), lean(now), state.geodesy());
    }

    /** As the receiver feels it; empty for a pole that is held upright. */
    public static Optional<PoleTilt> lean(ReceiverSnapshot now) {
        return now.condition().map(ReceiverCondition::tilt).flatMap(ReceiverCondition.Leaning::by);
    }

    /** What its base says otherwise than when points were measured from it last, in a sentence. */
    public Optional<String> otherwise(UUID job, JobState state) {
        return desk.snapshot(Seat.rover(job)).flatMap(ReceiverSnapshot::base).flatMap(b -> ReceiverDoubts.changed(b, state));
    }

    /** The foot, or why there is none. @throws SurveyException as {@link #requiredAnywhere}, or SYSTEM_NOT_ON_EARTH */
    public Here required(UUID job, JobState state) {
        Here here = requiredAnywhere(job, state);
        if (here.foot().isEmpty()) {
            throw new SurveyException(Problem.SYSTEM_NOT_ON_EARTH);
        }
        return here;
    }

    /** Wherever a job's system is meant for. @throws SurveyException FAR_FROM_AREA */
    public void requireNear(UUID job, JobState state) {
        Optional<Geographic> at = desk.snapshot(Seat.rover(job)).flatMap(ReceiverSnapshot::now).flatMap(SolvedPosition::place)
                .map(EarthPlace::position);
        state.geodesy().projection().map(MapProjection::area).ifPresent(area -> at.filter(here -> !area.contains(here)).ifPresent(here -> {
            double away = ground(here).minus(ground(area.nearest(here))).length();
            if (away > FAR_METRES) {
                throw new SurveyException(Problem.FAR_FROM_AREA, Math.round(away / 1_000), area.words());
            }
        }));
    }

    private static EarthCentred ground(Geographic place) {
        return EarthCentred.of(new EarthPlace(place, new EllipsoidHeight(0)), ReferenceEllipsoid.WGS84);
    }

    /**
     * Where it is, whether the job's grid lies on the earth or not.
     *
     * @throws SurveyException as {@link ReceiverDesk#ready}, or ANTENNA_HEIGHT_MISSING, NO_GEOID_SEPARATION, EPOCHS_LATE,
     *     RECEIVER_CLOCK_BACK, RECEIVER_CLOCK_AHEAD, RECEIVERS_MIXED, NO_POSITION
     */
    public Here requiredAnywhere(UUID job, JobState state) {
        ReceiverSnapshot now = desk.ready(Seat.rover(job)).snapshot();
        AntennaOverMark antenna = desk.how(Seat.rover(job)).antenna()
                .orElseThrow(() -> new SurveyException(Problem.ANTENNA_HEIGHT_MISSING));
        int epochs = desk.how(Seat.rover(job)).manner().epochs();
        boolean heightless = now.now().filter(p -> p.place().isEmpty() && p.kind() != SolvedPosition.Kind.NONE).isPresent();
        return of(now, Optional.of(antenna), state).orElseThrow(() -> heightless ? new SurveyException(Problem.NO_GEOID_SEPARATION)
                : now.late().map(by -> late(by, 0, epochs)).or(() -> doubted(now))
                .orElseGet(() -> new SurveyException(Problem.NO_POSITION)));
    }

    /** What must not be passed over in its stream; empty for nothing. */
    public static Optional<SurveyException> doubted(ReceiverSnapshot now) {
        return now.doubt().map(d -> new SurveyException(switch (d) {
            case BACKWARDS -> Problem.RECEIVER_CLOCK_BACK;
            case TWO_SPEAKERS -> Problem.RECEIVERS_MIXED;
            case AHEAD -> Problem.RECEIVER_CLOCK_AHEAD;
        }));
    }

    /** What comes is late. @param by how much @param count of so many solutions so few counted */
    public static SurveyException late(Duration by, int count, int epochs) {
        return new SurveyException(Problem.EPOCHS_LATE, Decimals.show(by.toMillis() / MILLIS, 1), count, epochs);
    }
}
