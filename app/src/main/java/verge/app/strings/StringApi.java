package verge.app.strings;

import io.swagger.v3.oas.annotations.Operation;
import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import verge.app.form.Answers;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.core.coding.PointName;
import verge.core.geodesy.Elevation;
import verge.core.job.JobState;
import verge.core.plan.Path;
import verge.core.strings.Bend;
import verge.core.strings.CurveKind;
import verge.core.strings.Run;
import verge.core.strings.SurveyString;
import verge.core.strings.Vertex;

/** Strings for programs. */
@RestController
class StringApi {
    private final JournalService journals;
    private final StringService strings;

    StringApi(JournalService journals, StringService strings) {
        this.journals = journals;
        this.strings = strings;
    }

    /** @param id under which edits name it @param point null for a computed corner; the rest in metres of the job's grid */
    record VertexBody(String id, String point, double northing, double easting, Double elevation, Bend bend, boolean newPart) {
        static VertexBody of(Vertex v) {
            return new VertexBody(StringService.written(v.id()), v.point().map(PointName::text).orElse(null),
                    v.position().plan().northing(), v.position().plan().easting(),
                    v.position().elevation().map(Elevation::metres).orElse(null), v.bend(), v.gap());
        }
    }

    /** @param bulge of the piece that begins there: the tangent of a quarter of the angle it turns through, positive to the left */
    record PlaceBody(double northing, double easting, Double elevation, double bulge) {
    }

    record PathBody(boolean closed, double length, List<PlaceBody> places) {
        static PathBody of(Path path) {
            return new PathBody(path.closed(), path.length(), IntStream.range(0, path.vertices().size())
                    .mapToObj(i -> new PlaceBody(path.vertices().north(i), path.vertices().east(i),
                    path.vertices().height(i).isPresent() ? path.vertices().height(i).getAsDouble() : null,
                    i < path.pieces() ? path.bulge(i) : 0)).toList());
        }
    }

    /** @param vertices ids of the flowing ones */
    record CurveBody(List<String> vertices, CurveKind curve, boolean chosen, double largestResidual, boolean straight) {
        static CurveBody of(Run run) {
            return new CurveBody(run.vertices().stream().map(StringService::written).toList(), run.curve(), run.chosen(),
                    run.largestResidual(), run.straight());
        }
    }

    /** @param beside the string that it runs beside; null for one that has vertices of its own */
    record StringBody(UUID id, String code, int number, boolean ring, boolean ended, UUID beside, List<VertexBody> vertices,
            List<PathBody> paths, List<CurveBody> curves) {
        static StringBody of(JobState state, SurveyString s) {
            return new StringBody(s.id(), s.name().code().text(), s.name().number(), s.ring(), s.ended(),
                    s.beside().map(b -> b.string()).orElse(null), s.vertices().stream().map(VertexBody::of).toList(),
                    state.strings().shape(s).paths().stream().map(PathBody::of).toList(),
                    state.strings().shape(s).runs().stream().map(CurveBody::of).toList());
        }
    }

    @Operation(summary = "A job's strings",
            description =
            "Their vertices in order, the lines they come to with arcs as bulges, and what each curve fits by, in metres of the job's "
            + "grid.")
    @GetMapping("/api/v1/jobs/{job}/strings")
    List<StringBody> strings(@PathVariable UUID job) {
        JobState state = journals.state(job);
        return state.strings().all().stream().map(s -> StringBody.of(state, s)).toList();
    }

    @Operation(summary = "Edit a string",
            description =
            "'deed' is one of NAME, CLOSE, OPEN, END, REVERSE, BEND, CURVE, INSERT, DROP, EARLIER, SPLIT, JOIN, BESIDE, SQUARE; with it "
            + "what that wants: 'vertex', 'code', 'bend', "
            + "'curve', 'point', 'other', 'end', 'otherEnd', 'side', 'away', 'up'. Written in the journal, and struck there to be taken "
                    + "back.")
    @PostMapping("/api/v1/jobs/{job}/strings/{string}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void edit(@PathVariable UUID job, @PathVariable UUID string, @RequestBody Map<String, String> answers, Principal person) {
        strings.edit(job, string, new Answers(answers), Author.ofProgram(person.getName()));
    }
}
