package verge.app.measure;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.springframework.stereotype.Service;
import verge.app.journal.Author;
import verge.app.device.Drivers;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.app.journal.UnderWay;
import verge.app.points.SitePoints;
import verge.app.receiver.KnownReceiver;
import verge.app.receiver.ReceiverDesk;
import verge.app.receiver.RoverNow;
import verge.app.receiver.Seat;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.occupation.Manner;
import verge.core.occupation.Occupying;
import verge.core.occupation.PointOccupied;
import verge.core.points.Origin;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.AntennaOverMark;
import verge.core.satellite.SolvedPosition;
import verge.core.strings.Joining;
import verge.instruments.port.LinkState;
import verge.instruments.receiver.ReceiverCondition;
import verge.instruments.receiver.ReceiverSnapshot;
import verge.instruments.receiver.Receiver;

/** Measures points with a satellite receiver: so many solutions of a pole that stands still. */
@Service
public class OccupationService {
    /** A receiver of one solution a second still has time. */
    private static final Duration PATIENCE = Duration.ofSeconds(4);
    /** For solutions that are good enough. */
    private static final Duration WAITS = Duration.ofSeconds(60);
    private static final double MILLIS = 1_000;
    private static final Duration OF_EACH = Duration.ofMillis(1_500);

    private final JournalService journals;
    private final UnderWay underWay;
    private final SitePoints points;
    private final ReceiverDesk desk;
    private final RoverNow rover;
    private final Drivers drivers;

    OccupationService(JournalService journals, UnderWay underWay, SitePoints points, ReceiverDesk desk, RoverNow rover, Drivers drivers) {
        this.journals = journals;
        this.underWay = underWay;
        this.points = points;
        this.desk = desk;
        this.rover = rover;
        this.drivers = drivers;
    }

    /**
     * Measures and stores one point. All that can be refused is refused before the first solution is waited for.
     *
     * @param notes by the names of the job's own fields
     * @param armed the strings that it is to join
     * @param again whether a point may be of the name: both are kept
     * @param reason to keep what is beyond its limits; blank without one
     * @param id made by the asker; asking again with it measures nothing and gives what was stored
     * @return fails with a SurveyException as {@link MeasureService#measure}, {@link RoverNow#required} and {@link Occupying#take}, with
     *     TILT_NOT_READY, RECEIVERS_MIXED, BASE_NOT_AS_BEFORE, FAR_FROM_AREA, EPOCHS_LATE or EPOCHS_MISSING
     */
    public CompletableFuture<Kept> measure(UUID job, UUID id, String typedName, String typedCode, Map<String, String> notes,
            List<Armed> armed, boolean again, String reason, String person) {
        return underWay.once(job, id, () -> {
            JobState now = journals.state(job);
            PointName name = PointName.parse(typedName);
            Code code = Code.parse(typedCode);
            boolean known = now.points().find(name, Origin.CONTROL).isPresent() || points.state(job).points().seen().known(name)
                    .isPresent();
            boolean free = again || known;   // a known mark is stood on as often as one likes
            MeasureService.requireFree(now, name, free);
            Armed.joinings(now, id, armed);
            if (!known) {
                rover.required(job, now);   // a known mark is what a job is localised by that has no place on the earth yet
            }
            points.takeOn(job, Origin.CONTROL, person, typedName);
            return stand(job, now, reason).thenApply(stood -> journals.append(job, new Author(id, person, stood.receiver()), state -> {
                MeasureService.requireFree(state, name, free);
                return stood.as(name, code, MeasureService.kept(state, notes), Armed.joinings(state, id, armed));
            }));
        });
    }

    /** What came of standing still, before it is said of what. */
    public record Stood(Occupying.Mean mean, AntennaOverMark antenna, String receiver, String reason) {
        public PointOccupied as(PointName name, Code code, Map<String, String> notes, List<Joining> joins) {
            return new PointOccupied(name, code, mean.base(), mean.vector(), mean.spread(), mean.epochs(), antenna, mean.tilt(), receiver,
                    reason, notes, joins);
        }
    }

    /**
     * Takes solutions as the job makes points of them; nothing is stored.
     *
     * @param reason to keep what is beyond its limits; blank without one
     * @return fails as {@link #measure}
     */
    public CompletableFuture<Stood> stand(UUID job, JobState now, String reason) {
        long asked = System.nanoTime();
        rover.requiredAnywhere(job, now);
        ReceiverDesk.HowMeasured how = desk.how(Seat.rover(job));
        AntennaOverMark antenna = how.antenna().orElseThrow();
        String called = desk.receiver(Seat.rover(job)).map(KnownReceiver::title).orElse("");
        requireBaseAsBefore(job, now, reason);
        if (reason.isBlank()) {
            rover.requireNear(job, now);
        }
        return occupy(desk.ready(Seat.rover(job)), new Occupying(antenna.reference(), how.manner(), !reason.isBlank()), how.manner(), asked)
                .thenApply(mean -> new Stood(mean, antenna, called, reason.strip()));
    }

    private void requireBaseAsBefore(UUID job, JobState state, String reason) {
        rover.otherwise(job, state).filter(words -> reason.isBlank()).ifPresent(words -> {
            throw new SurveyException(Problem.BASE_NOT_AS_BEFORE, words);
        });
    }

    /** The mean of the next solutions. Their first fault ends it: whatever is kept must be of one place and one base. */
    private CompletableFuture<Occupying.Mean> occupy(Receiver receiver, Occupying occupying, Manner manner, long asked) {
        CompletableFuture<Occupying.Mean> done = new CompletableFuture<>();
        Runnable end = receiver.listen(epoch -> {
            try {
                if (epoch.isAfter(asked)) {
                    take(occupying, receiver.snapshot(), epoch.position(), done);
                }
            } catch (RuntimeException refused) {
                done.completeExceptionally(refused);
            }
        });
        Duration longest = PATIENCE.plus(OF_EACH.multipliedBy(manner.epochs())).plus(manner.waits() ? WAITS : Duration.ZERO);
        CompletableFuture.delayedExecutor(longest.toMillis(), TimeUnit.MILLISECONDS)
                .execute(() -> done.completeExceptionally(late(receiver.snapshot(), longest, occupying.count(), manner.epochs())));
        // beside the receiver's thread: what follows waits for the database, and it must go on listening
        return done.whenCompleteAsync((mean, failed) -> end.run(), drivers.beside());
    }

    private static SurveyException late(ReceiverSnapshot now, Duration longest, int count, int epochs) {
        if (now.link() != LinkState.UP) {
            return new SurveyException(Problem.LINK_LOST, now.address());
        }
        return RoverNow.doubted(now).or(() -> now.late().map(d -> RoverNow.late(d, count, epochs)))
                .orElseGet(() -> new SurveyException(Problem.EPOCHS_MISSING, longest.toSeconds(), count, epochs));
    }

    /** On the receiver's own thread, one solution after another. */
    private static void take(Occupying occupying, ReceiverSnapshot now, SolvedPosition solved, CompletableFuture<Occupying.Mean> done) {
        if (done.isDone()) {
            return;
        }
        if (now.condition().map(ReceiverCondition::tilt).filter(t -> t.state() == ReceiverCondition.TiltState.WALK).isPresent()) {
            throw new SurveyException(Problem.TILT_NOT_READY);
        }
        OptionalDouble silent = now.silent(Instant.now()).map(d -> OptionalDouble.of(d.toMillis() / MILLIS)).orElse(OptionalDouble.empty());
        occupying.take(solved, new Occupying.Heard(now.base(), silent), RoverNow.lean(now));
        if (occupying.done()) {
            done.complete(occupying.mean());
        }
    }
}
