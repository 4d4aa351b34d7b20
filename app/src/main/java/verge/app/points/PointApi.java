package verge.app.points;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.core.geodesy.Elevation;
import verge.core.points.Apart;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Length;

/** Points for programs. */
@RestController
class PointApi {
    private final JournalService journals;
    private final PointService points;

    PointApi(JournalService journals, PointService points) {
        this.journals = journals;
        this.points = points;
    }

    /**
     * Metres of the job's grid; the description is what its file says beside or instead of a code; elevation and standard deviations are
     * null where there are none.
     */
    record PointBody(UUID entry, String name, String code, String description, Origin origin, double northing, double easting,
            Double elevation,
            Double sigmaNorth, Double sigmaEast, Double sigmaUp) {
        static PointBody of(StoredPoint p) {
            return new PointBody(p.entry(), p.name().text(), p.code().text(), p.description(), p.origin(), p.position().plan().northing(),
                    p.position().plan().easting(), p.position().elevation().map(Elevation::metres).orElse(null),
                    p.sigma().map(s -> s.north().metres()).orElse(null), p.sigma().map(s -> s.east().metres()).orElse(null),
                    p.sigma().map(s -> s.up().metres()).orElse(null));
        }
    }

    @Operation(summary = "A job's points", description = "All positions of all names with their origin, in metres of the job's grid.")
    @GetMapping("/api/v1/jobs/{job}/points")
    List<PointBody> points(@PathVariable UUID job) {
        return journals.state(job).points().all().map(PointBody::of).toList();
    }

    /**
     * @param mostPlan within which both lie 95 times in a hundred by their standard deviations; null where one of them has none
     * @param agree likewise null
     */
    record ApartBody(String name, double north, double east, Double up, double plan, Double mostPlan, Double mostUp, Boolean agree) {
    }

    @Operation(summary = "Two positions of one point against each other",
            description =
            "By the entries that gave them, as of two occupations; the second beyond the first, in metres of the job's grid. 'agree' says "
            + "whether they do within what both are known to.")
    @GetMapping("/api/v1/jobs/{job}/points/apart")
    ApartBody apart(@PathVariable UUID job, @RequestParam String name, @RequestParam UUID first, @RequestParam UUID second) {
        Apart apart = Apart.of(position(job, name, first), position(job, name, second));
        return new ApartBody(name, apart.north().metres(), apart.east().metres(), apart.up().map(Length::metres).orElse(null),
                apart.plan().metres(), apart.mostPlan().map(Length::metres).orElse(null), apart.mostUp().map(Length::metres).orElse(null),
                apart.agree().orElse(null));
    }

    private StoredPoint position(UUID job, String name, UUID entry) {
        return journals.state(job).points().of(entry).stream().filter(p -> p.name().text().equals(name)).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, name));
    }

    /** @param entry that gave the position; null for the usual order again */
    record Choice(String name, UUID entry) {
    }

    @Operation(summary = "Let one position of a name count", description =
            "Of several positions of a name control counts before measured, design and staked ones, and the latest of them; this says "
            + "otherwise, in the journal.")
    @PostMapping("/api/v1/jobs/{job}/points/counting")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void choose(@PathVariable UUID job, @RequestBody Choice choice, Principal person) {
        points.choose(job, choice.name() == null ? "" : choice.name(), Optional.ofNullable(choice.entry()),
                new Author(UUID.randomUUID(), person.getName(), "program"));
    }
}
