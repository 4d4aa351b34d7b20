package verge.app.fit;

import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import tools.jackson.databind.json.JsonMapper;
import verge.app.drawing.SiteDrawings;
import verge.app.form.Answers;
import verge.app.journal.Author;
import verge.app.problem.ProblemWords;
import verge.app.system.GeoidAnswers;
import verge.app.system.GeoidLibrary;
import verge.app.system.LocalisedFile;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.job.JobState;
import verge.core.occupation.StoodKept;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** The bench on which a job is localised. */
@Controller
@RequestMapping("/jobs/{job}/compute/localise")
class LocaliseController {
    private final LocaliseService localising;
    private final FitGroups groups;
    private final SiteDrawings drawings;
    private final GeoidAnswers geoidAnswers;
    private final GeoidLibrary geoids;
    private final LocalisedFile localisations;
    private final ProblemWords problems;
    private final JsonMapper json;

    LocaliseController(LocaliseService localising, FitGroups groups, SiteDrawings drawings, GeoidAnswers geoidAnswers, GeoidLibrary geoids,
            LocalisedFile localisations, ProblemWords problems, JsonMapper json) {
        this.localising = localising;
        this.groups = groups;
        this.drawings = drawings;
        this.geoidAnswers = geoidAnswers;
        this.geoids = geoids;
        this.localisations = localisations;
        this.problems = problems;
        this.json = json;
    }

    @GetMapping
    String bench(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> sent, Model model) {
        Answers answers = Answers.whole(sent);
        JobState state = localising.state(job);
        model.addAttribute("files", groups.files(job));
        model.addAttribute("stoodOn", StoodKept.of(state).times().names());
        model.addAttribute("geoids", geoidAnswers.options(drawings.site(job)));
        model.addAttribute("typed", answers.texts());
        model.addAttribute("unit", state.settings().figures().lengthUnit().symbol());
        model.addAttribute("entry", UUID.randomUUID());
        model.addAttribute("asOf", localising.asOf(job));
        model.addAttribute("usualName", localising.usualName(job));
        localising.now(state).ifPresent(w -> {
            LocaliseView now = view(w, state);
            model.addAttribute("now", now);
            model.addAttribute("nowDrawing", json.writeValueAsString(now.drawing()));
        });
        worked(job, state, answers, model);
        return "fit/localise";
    }

    /** What comes out of what is given so far. */
    @PostMapping("/worked")
    String worked(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> sent, Model model) {
        worked(job, localising.state(job), Answers.whole(sent), model);
        return "fit/localise :: worked";
    }

    @PostMapping("/proposed")
    String proposed(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> sent, Model model) {
        JobState state = localising.state(job);
        ProposalsView.of(localising.propose(job, state, Answers.whole(sent)), state.settings().figures()).put(model);
        return "fit/fit :: proposed";
    }

    private void worked(UUID job, JobState state, Answers answers, Model model) {
        model.addAttribute("unitOfTable", state.settings().figures().lengthUnit().symbol());
        boolean begun = !answers.text("file").isEmpty() || !answers.text("typed").isEmpty() || !answers.text("theirs").isEmpty();
        try {
            if (begun) {
                LocaliseService.Work work = localising.work(job, state, answers);
                LocaliseView view = view(work, state);
                model.addAttribute("fit", view);
                model.addAttribute("moves", localising.moves(job, work));
                model.addAttribute("drawing", json.writeValueAsString(view.drawing()));
            }
        } catch (SurveyException cannot) {
            model.addAttribute("refused", problems.say(cannot));
        }
    }

    private LocaliseView view(LocaliseService.Work work, JobState state) {
        return LocaliseView.of(work, state.settings(), geoids.find(GeoidLibrary.EGM96));
    }

    @PostMapping
    String choose(@PathVariable UUID job, @RequestParam UUID entry, @RequestParam MultiValueMap<String, String> sent, Principal person) {
        localising.choose(job, Answers.whole(sent), new Author(entry, person.getName(), "page"));
        return "redirect:/jobs/" + job + "/compute/localise";
    }

    /** What the job stands on, whole, to be handed on. */
    @GetMapping("/file")
    ResponseEntity<String> file(@PathVariable UUID job) {
        if (!(localising.state(job).settings().system() instanceof CoordinateSystem.Localised system)) {
            throw new SurveyException(Problem.NOT_FOUND, "a localisation of this job");
        }
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_JSON)
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment()
                .filename(system.name().replaceAll("[^\\p{L}\\p{N}]+", "-") + "-localisation.json", StandardCharsets.UTF_8).build()
                .toString())
                .body(localisations.write(system));
    }
}
