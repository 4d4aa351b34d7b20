package verge.app.stakeout;

import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.springframework.stereotype.Service;
import verge.app.device.InstrumentWatch;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.app.journal.UnderWay;
import verge.app.points.SitePoints;
import verge.core.geodesy.Position;
import verge.core.points.Origin;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.TotalStationReading;
import verge.core.stakeout.Facing;
import verge.core.stakeout.Guidance;
import verge.core.stakeout.PointStaked;

/** Stores stakes with their differences to the design. */
@Service
public class StakeoutService {
    private final JournalService journals;
    private final SitePoints sitePoints;
    private final InstrumentWatch watch;
    private final UnderWay underWay;

    StakeoutService(JournalService journals, UnderWay underWay, SitePoints sitePoints, InstrumentWatch watch) {
        this.journals = journals;
        this.underWay = underWay;
        this.sitePoints = sitePoints;
        this.watch = watch;
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
                requireWithin(aim, reading, ready, aim.facing(state), reason);
                return new PointStaked(ready.leaf().entry(), aim.design().name(), aim.design().position(), reading,
                        ready.target(), aim.tolerance(), reason.strip());
            }));
        });
    }

    private static void requireWithin(StakeoutAim aim, TotalStationReading reading, InstrumentWatch.Ready ready,
            Facing facing, String reason) {
        Position here = ready.leaf().station().observe(reading, ready.target()).position();
        if (!Guidance.towards(aim.design().position(), here, facing, aim.tolerance()).done() && reason.isBlank()) {
            throw new SurveyException(Problem.REASON_NEEDED, "the stake");
        }
    }
}
