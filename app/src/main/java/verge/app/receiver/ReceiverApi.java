package verge.app.receiver;

import io.swagger.v3.oas.annotations.Operation;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import verge.app.journal.JournalService;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.Elevation;
import verge.core.job.JobState;
import verge.core.occupation.OccupiedPlace;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.Dilution;
import verge.core.satellite.SolvedPosition;
import verge.instruments.port.LinkState;
import verge.instruments.receiver.ReceiverSnapshot;

/** What a job's receiver says, for programs. */
@RestController
class ReceiverApi {
    private final ReceiverDesk desk;
    private final ReceiverViews views;
    private final JournalService journals;

    ReceiverApi(ReceiverDesk desk, ReceiverViews views, JournalService journals) {
        this.desk = desk;
        this.views = views;
        this.journals = journals;
    }

    /**
     * @param position absent if it has none now
     * @param base that its corrections tell of
     * @param messages of corrections by their kinds, how many of each
     * @param doubts what must not be passed over, in words
     */
    record ReceiverBody(LinkState link, PositionBody position, BaseBody base, Map<Integer, Long> messages, SkyView sky,
            List<String> doubts) {
    }

    /**
     * @param latitude on WGS 84, of the antenna, in degrees
     * @param sigmaNorth in metres, as the other two; null if it does not say
     * @param ageSeconds of its corrections
     * @param foot of the pole in the job's grid
     */
    record PositionBody(Instant at, SolvedPosition.Kind solution, double latitude, double longitude, double ellipsoidHeight,
            Double sigmaNorth, Double sigmaEast, Double sigmaUp, int satellites, Double pdop, Double ageSeconds, FootBody foot) {
    }

    record FootBody(double northing, double easting, Double elevation, double sigmaNorth, double sigmaEast, double sigmaUp) {
        static FootBody of(OccupiedPlace p) {
            return new FootBody(p.position().plan().northing(), p.position().plan().easting(),
                    p.position().elevation().map(Elevation::metres).orElse(null), p.sigma().north().metres(), p.sigma().east().metres(),
                    p.sigma().up().metres());
        }
    }

    /** @param x from the earth's centre, in metres, as y and z */
    record BaseBody(String name, int station, double x, double y, double z) {
    }

    @Operation(summary = "What a job\u2019s satellite receiver says now",
            description =
            "Its link, position with standard deviations, the foot of its pole in the job\u2019s grid, the base it hears, its sky; metres,"
            + " degrees, seconds. NO_RECEIVER if the job has none.")
    @GetMapping("/api/v1/jobs/{job}/receiver")
    ReceiverBody receiver(@PathVariable UUID job) {
        JobState state = journals.state(job);
        ReceiverSnapshot now = desk.snapshot(Seat.rover(job)).orElseThrow(() -> new SurveyException(Problem.NO_RECEIVER));
        Optional<RoverNow.Here> here = RoverNow.of(now, desk.how(Seat.rover(job)).antenna(), state);
        return new ReceiverBody(now.link(), here.map(ReceiverApi::position).orElse(null),
                now.base().map(b -> new BaseBody(b.name(), b.station(), b.place().x(), b.place().y(), b.place().z())).orElse(null),
                now.corrections().map(c -> c.told().messages()).orElse(Map.of()), views.sky(job, state).orElse(null),
                views.view(job, state).map(ReceiverView::doubts).orElse(List.of()));
    }

    private static PositionBody position(RoverNow.Here here) {
        SolvedPosition p = here.solved();
        EarthPlace place = p.place().orElseThrow();
        Optional<SolvedPosition.Sigma> sigma = p.sigma();
        return new PositionBody(p.at(), p.kind(), place.position().latitude().degrees(), place.position().longitude().degrees(),
                place.height().metres(), sigma.map(SolvedPosition.Sigma::north).orElse(null),
                sigma.map(SolvedPosition.Sigma::east).orElse(null),
                sigma.map(SolvedPosition.Sigma::up).orElse(null), p.satellites(), p.dilution().map(Dilution::position).orElse(null),
                p.age().isPresent() ? p.age().getAsDouble() : null, here.foot().map(FootBody::of).orElse(null));
    }
}
