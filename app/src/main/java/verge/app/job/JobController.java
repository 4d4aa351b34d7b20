package verge.app.job;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import verge.app.journal.JournalService;
import verge.core.job.JobState;
import verge.core.points.Origin;

/** The shelf of sites and jobs. */
@Controller
class JobController {
    private final JobService jobs;
    private final JournalService journals;
    private final SettingsWords settingsWords;
    private final FolderService folders;
    private final JobShelf shelf;

    JobController(JobService jobs, JournalService journals, SettingsWords settingsWords, FolderService folders, JobShelf shelf) {
        this.jobs = jobs;
        this.journals = journals;
        this.settingsWords = settingsWords;
        this.folders = folders;
        this.shelf = shelf;
    }

    /** One job on the shelf. */
    record JobLine(UUID id, String name, String settings, String madeAt, String counts) {
    }

    /** A deleted job and until when it can be had back. */
    record DeletedLine(UUID id, String name, String until) {
    }

    @GetMapping("/")
    String home() {
        List<Site> sites = jobs.sites();
        return sites.isEmpty() ? "job/no-sites" : "redirect:/sites/" + busiest(sites).id();
    }

    /** Where the web app starts: at the job that this device had open last, if it is still there. */
    @GetMapping("/last")
    String last(@CookieValue(name = "last-job", defaultValue = "") String job) {
        return jobs.jobs().stream().filter(j -> j.id().toString().equals(job) && !j.archived()).findFirst()
                .map(j -> "redirect:/jobs/" + j.id() + "/measure").orElse("redirect:/");
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
        model.addAttribute("tree", folders.tree());
        model.addAttribute("folders", folders.all());
        model.addAttribute("jobs", jobs.jobs(site).stream().filter(j -> !j.archived()).map(this::line).toList());
        model.addAttribute("archived", jobs.jobs(site).stream().filter(Job::archived).map(this::line).toList());
        model.addAttribute("deleted", shelf.deleted(site).stream()
                .map(j -> new DeletedLine(j.id(), j.name(), journals.state(j.id()).settings().times()
                .date(j.deletedAt().plus(JobShelf.RECOVERABLE)))).toList());
        return "job/site";
    }

    private JobLine line(Job job) {
        JobState state = journals.state(job.id());
        long control = state.points().count(Origin.CONTROL);
        long measured = state.points().count(Origin.MEASURED);
        return new JobLine(job.id(), job.name(), settingsWords.brief(state.settings()), state.settings().times().date(job.madeAt()),
                control + " control, " + measured + " measured");
    }
}
