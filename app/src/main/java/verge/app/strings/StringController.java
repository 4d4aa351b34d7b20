package verge.app.strings;

import java.security.Principal;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import verge.app.form.Answers;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.core.cogo.Tool;
import verge.core.coding.PointName;
import verge.core.enclosure.Photo;
import verge.core.job.JobState;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.strings.Bend;
import verge.core.strings.CurveKind;
import verge.core.strings.Run;
import verge.core.strings.Squaring;
import verge.core.strings.SurveyString;
import verge.core.strings.Vertex;
import verge.core.units.Figures;
import verge.core.units.Length;

/** The benches of strings: all of them, and one with what can be done to it. */
@Controller
class StringController {
    private static final int MOST_LISTED = 300;

    private final JournalService journals;
    private final StringService strings;

    StringController(JournalService journals, StringService strings) {
        this.journals = journals;
        this.strings = strings;
    }

    /** @param kind ring, open or ended, in a word */
    record StringLine(UUID id, String name, int points, String length, String kind) {
    }

    /** A vertex of one string. @param id as it is sent */
    record VertexLine(String id, String name, String elevation, boolean flowing, boolean gap, boolean inner) {
    }

    /**
     * A curve of one string.
     *
     * @param vertex one of its flowing ones, as it is sent
     * @param reach from which point to which it goes
     * @param words what it is
     * @param chosen if somebody chose it, what; else null
     */
    record RunLine(String vertex, String reach, String words, CurveKind chosen) {
    }

    @GetMapping("/jobs/{job}/strings")
    String all(@PathVariable UUID job, Model model) {
        JobState state = journals.state(job);
        List<SurveyString> all = state.strings().all();
        model.addAttribute("strings", all.stream().limit(MOST_LISTED).map(s -> line(state, s)).toList());
        model.addAttribute("count", all.size());
        return "strings/strings";
    }

    private static StringLine line(JobState state, SurveyString s) {
        return new StringLine(s.id(), s.name().toString(), s.vertices().size(), length(state, s), kind(state, s));
    }

    private static String kind(JobState state, SurveyString s) {
        return s.beside().map(b -> "beside " + state.strings().find(b.string()).map(o -> o.name().toString())
                .orElse("a string that is gone"))
                .orElse(s.drawn().isPresent() ? s.ring() ? "ring, computed" : "computed" : s.ring() ? "ring" : s.ended() ? "ended"
                : "open");
    }

    /** Along its lines, as the job tells distances. */
    private static String length(JobState state, SurveyString s) {
        double told = s.vertices().isEmpty() || state.geodesy().plane().isEmpty() ? 1 : state.toldPerGrid(s.vertices().get(0).position());
        return state.settings().figures()
                .length(new Length(told * state.strings().shape(s).paths().stream().mapToDouble(p -> p.length()).sum()));
    }

    private static SurveyString string(JobState state, UUID string) {
        return state.strings().find(string).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this string"));
    }

    @GetMapping("/jobs/{job}/strings/{string}")
    String one(@PathVariable UUID job, @PathVariable UUID string, Model model) {
        JobState state = journals.state(job);
        SurveyString s = string(state, string);
        model.addAttribute("string", line(state, s));
        model.addAttribute("code", s.name().code().text());
        model.addAttribute("own", s.hasOwnVertices());
        model.addAttribute("ring", s.ring());
        model.addAttribute("ended", s.ended());
        model.addAttribute("vertices", vertices(state, s));
        model.addAttribute("runs", state.strings().shape(s).runs().stream().map(r -> run(s, r, state.settings().figures())).toList());
        model.addAttribute("curves", CurveKind.values());
        model.addAttribute("curveNames", Stream.of(CurveKind.values()).map(StringWords::curve).toList());
        model.addAttribute("others", state.strings().all().stream().filter(o -> !o.id().equals(string) && o.hasOwnVertices())
                .limit(MOST_LISTED)
                .map(o -> line(state, o)).toList());
        model.addAttribute("squares", Squaring.of(s).map(q -> StringWords.squaring(q, state.settings().figures())).orElse(""));
        model.addAttribute("unit", state.settings().figures().lengthUnit().symbol());
        return "strings/string";
    }

    private static List<VertexLine> vertices(JobState state, SurveyString s) {
        Figures f = state.settings().figures();
        return s.vertices().stream().map(v -> vertex(s, v, f)).toList();
    }

    private static VertexLine vertex(SurveyString s, Vertex v, Figures f) {
        int at = s.vertices().indexOf(v);
        return new VertexLine(StringService.written(v.id()), name(v), v.position().elevation().map(e -> f.bare(e.asLength())).orElse(""),
                v.bend() == Bend.FLOWING, v.gap(), at > 0 && at < s.vertices().size() - 1);
    }

    private static String name(Vertex v) {
        return v.point().map(PointName::text).orElse("a computed corner");
    }

    private static RunLine run(SurveyString s, Run run, Figures f) {
        String first = s.vertex(run.vertices().get(0)).map(StringController::name).orElse("");
        String last = s.vertex(run.vertices().get(run.vertices().size() - 1)).map(StringController::name).orElse("");
        return new RunLine(StringService.written(run.vertices().get(0)), first.equals(last) ? first : first + " to " + last,
                StringWords.run(run, f), run.chosen() ? run.curve() : null);
    }

    /** What the sketch tells of a string that was touched. */
    @GetMapping("/jobs/{job}/sketch/string")
    String touched(@PathVariable UUID job, @RequestParam UUID string, Model model) {
        JobState state = journals.state(job);
        SurveyString s = string(state, string);
        model.addAttribute("job", job);
        model.addAttribute("string", line(state, s));
        model.addAttribute("offers", Tool.ofLine(s.ring()));
        model.addAttribute("photos", state.enclosures().photos().filter(p -> p.taken().subject().equals(string)).map(Photo::id).toList());
        return "strings/touched :: string";
    }

    /** Does one thing to a string; scripts are told nothing more, a form gets the string's page again. */
    @PostMapping("/jobs/{job}/strings/{string}")
    Object edit(@PathVariable UUID job, @PathVariable UUID string, @RequestParam MultiValueMap<String, String> fields,
            @RequestHeader(value = "Accept", defaultValue = "") String wanted, Principal person) {
        strings.edit(job, string, Answers.of(fields), Author.atPage(person.getName()));
        return wanted.contains("text/html") ? "redirect:/jobs/" + job + "/strings"
                + (journals.state(job).strings().find(string).isPresent() ? "/" + string : "")
                : new ResponseEntity<Void>(HttpStatus.NO_CONTENT);
    }
}
