package verge.app.job;

import java.security.Principal;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.ModelAttribute;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.problem.ProblemWords;
import verge.core.journal.JobState;
import verge.core.journal.Origin;
import verge.core.problem.SurveyException;

/** The shelf of sites and jobs, and making a job. */
@Controller
class JobController {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH).withZone(ZoneId.systemDefault());

    private final JobService jobs;
    private final JournalService journals;
    private final SettingsWords settingsWords;
    private final ProblemWords problemWords;

    JobController(JobService jobs, JournalService journals, SettingsWords settingsWords, ProblemWords problemWords) {
        this.jobs = jobs;
        this.journals = journals;
        this.settingsWords = settingsWords;
        this.problemWords = problemWords;
    }

    /** One job on the shelf. */
    record JobLine(UUID id, String name, String settings, String madeAt, String counts) {
    }

    @GetMapping("/")
    String home() {
        List<Site> sites = jobs.sites();
        return sites.isEmpty() ? "job/no-sites" : "redirect:/sites/" + busiest(sites).id();
    }

    private Site busiest(List<Site> sites) {
        return sites.stream().reduce((a, b) -> jobs.jobs(b.id()).size() > jobs.jobs(a.id()).size() ? b : a).orElseThrow();
    }

    @PostMapping("/sites")
    String makeSite(@RequestParam String name) {
        return "redirect:/sites/" + jobs.ensureSite(name).id();
    }

    @GetMapping("/sites/{site}")
    String site(@PathVariable UUID site, Model model) {
        model.addAttribute("site", jobs.site(site));
        model.addAttribute("sites", jobs.sites());
        model.addAttribute("jobs", jobs.jobs(site).stream().map(this::line).toList());
        return "job/site";
    }

    private JobLine line(Job job) {
        JobState state = journals.state(job.id());
        long control = state.points().filter(p -> p.origin() == Origin.CONTROL).count();
        long measured = state.points().filter(p -> p.origin() == Origin.MEASURED).count();
        return new JobLine(job.id(), job.name(), settingsWords.brief(state.settings()), DAY.format(job.madeAt()),
                control + " control, " + measured + " measured");
    }

    @GetMapping("/sites/{site}/jobs/new")
    String blank(@PathVariable UUID site, Model model) {
        return form(site, JobForm.blank(), model);
    }

    @PostMapping("/sites/{site}/jobs")
    String make(@PathVariable UUID site, @ModelAttribute JobForm form, Model model, Principal person) {
        try {
            Job job = jobs.make(site, form.name(), form.settings(), Author.atPage(person.getName()));
            return "redirect:/jobs/" + job.id() + "/prepare";
        } catch (SurveyException unfit) {
            model.addAttribute("said", problemWords.say(unfit));
            return form(site, form, model);
        }
    }

    private String form(UUID site, JobForm form, Model model) {
        model.addAttribute("site", jobs.site(site));
        model.addAttribute("sites", jobs.sites());
        model.addAttribute("form", form);
        return "job/new";
    }
}
