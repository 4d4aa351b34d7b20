package verge.app.job;

import java.security.Principal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.form.Answers;
import verge.app.journal.Author;
import verge.app.problem.ProblemWords;
import verge.app.system.GeoidLibrary;
import verge.core.drawing.Role;
import verge.core.problem.SurveyException;
import verge.core.settings.JobSettings;

/** Making a job: four questions on one page, with what was answered in words beside them. */
@Controller
@RequestMapping("/sites/{site}/jobs")
class NewJobController {
    private static final String FIRST_CHOICE = "metric";

    private final JobService jobs;
    private final StarterService starters;
    private final SettingsAnswers settingsAnswers;
    private final Questions questions;
    private final JobSummary summary;
    private final SiteFileService files;
    private final ApplicationEventPublisher events;
    private final ProblemWords problemWords;

    NewJobController(JobService jobs, StarterService starters, SettingsAnswers settingsAnswers, Questions questions, JobSummary summary,
            SiteFileService files, ApplicationEventPublisher events, ProblemWords problemWords) {
        this.files = files;
        this.events = events;
        this.jobs = jobs;
        this.starters = starters;
        this.settingsAnswers = settingsAnswers;
        this.questions = questions;
        this.summary = summary;
        this.problemWords = problemWords;
    }

    @GetMapping("/new")
    String blank(@PathVariable UUID site, @RequestParam(defaultValue = FIRST_CHOICE) String from,
            @RequestParam(defaultValue = "") String name, Model model) {
        JobSettings settings = starters.settings(from);
        return page(site, settingsAnswers.write(settings).with(Map.of("name", name)), from, model);
    }

    /** What was answered so far, in words; also what cannot be, and what differs from the site's other jobs. */
    @PostMapping("/summary")
    String summary(@PathVariable UUID site, @RequestParam MultiValueMap<String, String> sent, Model model) {
        summary.put(model, Answers.of(sent), site, Optional.empty());
        return "job/questions :: told";
    }

    /** What a starter or a job's settings would set, before they are taken. */
    @GetMapping("/proposed")
    String proposed(@PathVariable UUID site, @RequestParam String from, Model model) {
        summary.put(model, settingsAnswers.write(starters.settings(from)), site, Optional.empty());
        return "job/questions :: proposed";
    }

    @PostMapping
    String make(@PathVariable UUID site, @RequestParam MultiValueMap<String, String> sent, Model model, Principal person) {
        Answers answers = Answers.of(sent);
        try {
            Job job = jobs.make(site, answers.text("name"), settingsAnswers.read(answers, site, Optional.empty()),
                    Author.atPage(person.getName()));
            events.publishEvent(new JobMade(job.id(), site, attached(answers, site), person.getName()));
            return "redirect:/jobs/" + job.id() + "/prepare";
        } catch (SurveyException unfit) {
            model.addAttribute("said", problemWords.say(unfit));
            return page(site, answers, answers.text("from", FIRST_CHOICE), model);
        }
    }

    private List<UUID> attached(Answers answers, UUID site) {
        return pointFiles(site).stream().map(SiteFile::id).filter(id -> answers.ticked("file." + id)).toList();
    }

    private List<SiteFile> pointFiles(UUID site) {
        return files.of(site).stream().filter(f -> !GeoidLibrary.isGrid(f.name()) && f.role().map(Role.CONTROL::equals).orElse(true))
                .toList();
    }

    private String page(UUID site, Answers answers, String from, Model model) {
        model.addAttribute("files", pointFiles(site));
        model.addAttribute("site", jobs.site(site));
        List<StarterService.Choice> choices = starters.choices(site);
        model.addAttribute("starters", choices.stream().filter(c -> c.source().equals("starter")).toList());
        model.addAttribute("kept", starters.kept());
        model.addAttribute("earlier", choices.stream().filter(c -> c.source().equals("job")).toList());
        model.addAttribute("from", from);
        questions.ask(model, answers, site);
        summary.put(model, answers, site, Optional.empty());
        return "job/new";
    }
}
