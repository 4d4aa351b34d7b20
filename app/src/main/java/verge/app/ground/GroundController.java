package verge.app.ground;

import java.security.Principal;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import verge.app.form.Answers;
import verge.app.job.MovesView;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.points.PointNames;
import verge.app.points.SitePoints;
import verge.app.problem.ProblemWords;
import verge.core.geodesy.GroundUse;
import verge.core.job.JobState;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.units.Length;

/** The bench for grid and ground: what the job speaks in, its factor, and what every point would move. */
@Controller
@RequestMapping("/jobs/{job}/ground")
class GroundController {
    private final GroundService grounds;
    private final JournalService journals;
    private final SitePoints sitePoints;
    private final ProblemWords problemWords;

    GroundController(GroundService grounds, JournalService journals, SitePoints sitePoints, ProblemWords problemWords) {
        this.grounds = grounds;
        this.journals = journals;
        this.sitePoints = sitePoints;
        this.problemWords = problemWords;
    }

    /** Shows the present use; with answers, also what they would come to. */
    @GetMapping
    String bench(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> sent, Model model) {
        JobState state = sitePoints.state(job);
        Answers a = Answers.of(sent);
        GroundUse now = state.settings().ground();
        model.addAttribute("a", a);
        model.addAttribute("now", now.kind().name());
        model.addAttribute("use", a.text("use", now.kind().name()));
        model.addAttribute("source", a.text("source", "EACH_LINE"));
        model.addAttribute("names", PointNames.offered(state));
        model.addAttribute("unit", state.settings().figures().lengthUnit().symbol());
        model.addAttribute("projected", state.geodesy().projection().isPresent());
        now.factor().ifPresent(f -> model.addAttribute("present", FactorView.of(f, false, state.settings())));
        if (a.has("source")) {
            try {
                GroundService.Wanted asked = grounds.use(job, a);
                GroundUse wanted = asked.use();
                wanted.factor().ifPresent(f -> model.addAttribute("factor", FactorView.of(f, asked.poor(), state.settings())));
                JobSettings settings = state.settings().with(wanted);
                model.addAttribute("moves", MovesView.of(state, journals.journal(job)
                        .preview(new SettingsChosen(state.settings().with(wanted.unshifted()))), settings));
                model.addAttribute("shift", wanted.equals(wanted.unshifted()) ? ""
                        : settings.offset(new Length(wanted.shiftNorth()), new Length(wanted.shiftEast())));
                model.addAttribute("wanted", true);
            } catch (SurveyException unfit) {
                model.addAttribute("said", problemWords.say(unfit));
            }
        }
        return "ground/ground";
    }

    /** @throws SurveyException REASON_NEEDED for a factor from a poor position, if none is given */
    @PostMapping
    String set(@PathVariable UUID job, @RequestParam MultiValueMap<String, String> sent, Principal person) {
        Answers a = Answers.of(sent);
        GroundService.Wanted asked = grounds.use(job, a);
        if (asked.poor() && asked.use().factor().filter(f -> f.reason().isEmpty()).isPresent()) {
            throw new SurveyException(Problem.REASON_NEEDED, "the position that the ground factor comes from");
        }
        journals.append(job, Author.atPage(person.getName()), state -> new SettingsChosen(state.settings().with(asked.use())));
        return "redirect:/jobs/" + job + "/ground";
    }
}
