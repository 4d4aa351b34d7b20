package verge.app.stakeout;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.springframework.stereotype.Service;
import verge.app.device.InstrumentWatch;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.app.journal.UnderWay;
import verge.app.measure.OccupationService;
import verge.app.points.SitePoints;
import verge.app.receiver.RoverNow;
import verge.core.base.BaseEntries;
import verge.core.base.BasesOf;
import verge.core.coding.Code;
import verge.core.geodesy.Position;
import verge.core.occupation.OccupationEntries;
import verge.core.occupation.PointOccupied;
import verge.core.points.Origin;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.stakeout.Facing;
import verge.core.stakeout.Guidance;
import verge.core.stakeout.PointStaked;
import verge.core.stakeout.StakeOccupied;

/** Stores stakes with their differences to the design. */
@Service
public class StakeoutService {
    private final JournalService journals;
    private final SitePoints sitePoints;
    private final InstrumentWatch watch;
    private final UnderWay underWay;
    private final OccupationService occupying;
    private final RoverNow rover;

    StakeoutService(JournalService journals, UnderWay underWay, SitePoints sitePoints, InstrumentWatch watch, OccupationService occupying,
            RoverNow rover) {
        this.journals = journals;
        this.underWay = underWay;
        this.sitePoints = sitePoints;
        this.watch = watch;
        this.occupying = occupying;
        this.rover = rover;
    }

    /**
     * Measures the stake as it stands and stores it.
     *
     * @param id made by the asker; asking again with it stores nothing more
     * @param reason needed if the stake is outside a limit in force; kept with it
     */
    public CompletableFuture<Kept> store(UUID job, UUID id, StakeoutAim aim, String reason, String person) {
        return underWay.once(job, id, () -> {
            InstrumentWatch.Ready ready = watch.ready(job);
            sitePoints.takeOn(job, Origin.DESIGN, person, aim.design().name().text());
            return watch.shoot(ready).thenApply(reading -> journals.append(job, new Author(id, person, ready.device()), state -> {
                requireWithin(aim, ready.leaf().station().observe(reading, ready.target()).position(), aim.facing(state), reason);
                return new PointStaked(ready.leaf().entry(), aim.design().name(), aim.design().position(), reading,
                        ready.target(), aim.tolerance(), reason.strip());
            }));
        });
    }

    /** The same with a satellite receiver on the pole. @param reason also for what is beyond the receiver's own limits */
    public CompletableFuture<Kept> storeByReceiver(UUID job, UUID id, StakeoutAim aim, String reason, String person) {
        return underWay.once(job, id, () -> {
            rover.required(job, journals.state(job));
            sitePoints.takeOn(job, Origin.DESIGN, person, aim.design().name().text());
            return occupying.stand(job, journals.state(job), reason)
                    .thenApply(stood -> journals.append(job, new Author(id, person, stood.receiver()), state -> {
                PointOccupied point = stood.as(aim.design().name(), Code.NONE, Map.of(), List.of());
                Position here = OccupationEntries.place(point, point.base()
                        .flatMap(b -> BaseEntries.latest(state.all(new BasesOf(b.station())), b)), state.geodesy())
                        .orElseThrow(() -> new SurveyException(Problem.SYSTEM_NOT_ON_EARTH)).position();
                requireWithin(aim, here, aim.facing(state), reason);
                return new StakeOccupied(point, aim.design().position(), aim.tolerance());
            }));
        });
    }

    private static void requireWithin(StakeoutAim aim, Position here, Facing facing, String reason) {
        if (!Guidance.towards(aim.design().position(), here, facing, aim.tolerance()).done() && reason.isBlank()) {
            throw new SurveyException(Problem.REASON_NEEDED, "the stake");
        }
    }
}
