package verge.app.fit;

import java.security.Principal;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RequestParam;
import tools.jackson.databind.json.JsonMapper;
import verge.app.form.Answers;
import verge.app.journal.Author;
import verge.app.problem.ProblemWords;
import verge.core.job.JobState;
import verge.core.problem.SurveyException;

/** The bench on which a group of marks is fitted onto what was found of it. */
@Controller
@RequestMapping("/jobs/{job}/compute/fit")
class FitController {
    private final FitService fits;
    private final FitGroups groups;
    private final ProblemWords problems;
    private final JsonMapper json;

    FitController(FitService fits, FitGroups groups, ProblemWords problems, JsonMapper json) {
        this.fits = fits;
        this.groups = groups;
        this.problems = problems;
        this.json = json;
    }

    @RequestMapping(method = {RequestMethod.GET, RequestMethod.POST})
    String bench(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> sent, Model model) {
        Answers answers = Answers.whole(sent);
        JobState state = fits.state(job);
        model.addAttribute("files", groups.files(job));
        model.addAttribute("typed", answers.texts());
        model.addAttribute("others", fits.others(job, state));
        model.addAttribute("unit", state.settings().figures().lengthUnit().symbol());
        model.addAttribute("entry", UUID.randomUUID());
        worked(job, state, answers, model);
        return "fit/fit";
    }

    /** What comes out of what is given so far. */
    @PostMapping("/worked")
    String worked(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> sent, Model model) {
        worked(job, fits.state(job), Answers.whole(sent), model);
        return "fit/fit :: worked";
    }

    /** Every plausible matching, ranked. */
    @PostMapping("/proposed")
    String proposed(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> sent, Model model) {
        JobState state = fits.state(job);
        ProposalsView.of(fits.propose(job, state, Answers.whole(sent)), state.settings().figures()).put(model);
        return "fit/fit :: proposed";
    }

    private void worked(UUID job, JobState state, Answers answers, Model model) {
        model.addAttribute("unitOfTable", state.settings().figures().lengthUnit().symbol());
        boolean begun = !answers.text("file").isEmpty() || !answers.text("names").isEmpty();
        boolean paired = !answers.text("pairs").isBlank() || answers.text("way").equals("VALUES");
        if (begun && paired) {
            try {
                FitView view = FitView.of(fits.work(job, state, answers), state.settings());
                model.addAttribute("fit", view);
                model.addAttribute("drawing", json.writeValueAsString(view.drawing()));
            } catch (SurveyException cannot) {
                model.addAttribute("refused", problems.say(cannot));
            }
        }
    }

    @PostMapping("/note")
    String note(@PathVariable UUID job, @RequestParam UUID entry, @RequestParam MultiValueMap<String, String> sent, Principal person) {
        fits.note(job, Answers.whole(sent), new Author(entry, person.getName(), "page"));
        return "redirect:/jobs/" + job + "/compute/fit";
    }

    /** The layers of a file that have points, to choose one of. */
    @GetMapping("/layers")
    String layers(@PathVariable UUID job, @RequestParam UUID file, Model model) {
        model.addAttribute("layers", groups.layers(job, fits.state(job), file));
        return "fit/fit :: layers";
    }
}
