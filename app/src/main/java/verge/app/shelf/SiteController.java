package verge.app.shelf;

import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.http.CacheControl;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import verge.app.job.FolderService;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.job.JobShelf;
import verge.app.job.Site;
import verge.app.journal.JournalService;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.TimeText;

/** The shelf of sites and jobs. */
@Controller
class SiteController {
    /** So many cards come with the page; the others when they come into sight. */
    private static final int AT_ONCE = 6;

    private final JobService jobs;
    private final JournalService journals;
    private final FolderService folders;
    private final JobShelf shelf;
    private final ShelfLines lines;
    private final JobCards cards;
    private final MapOfSite map;

    SiteController(JobService jobs, JournalService journals, FolderService folders, JobShelf shelf, ShelfLines lines, JobCards cards,
            MapOfSite map) {
        this.jobs = jobs;
        this.journals = journals;
        this.folders = folders;
        this.shelf = shelf;
        this.lines = lines;
        this.cards = cards;
        this.map = map;
    }

    /** A deleted job and until when it can be had back. */
    record DeletedLine(UUID id, String name, String until) {
    }

    @GetMapping("/")
    String home() {
        List<Site> sites = jobs.sites();
        return sites.isEmpty() ? "shelf/no-sites" : "redirect:/sites/" + busiest(sites).id();
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

    /** @param order and text as in {@link ShelfLines#of} */
    @GetMapping("/sites/{site}")
    String site(@PathVariable UUID site, @RequestParam(defaultValue = "worked") String order, @RequestParam(defaultValue = "") String text,
            Model model) {
        Site own = jobs.site(site);
        List<Job> all = jobs.jobs(site);
        model.addAttribute("site", own);
        model.addAttribute("tree", folders.tree());
        model.addAttribute("folders", folders.all());
        model.addAttribute("orders", ShelfOrder.values());
        model.addAttribute("order", ShelfOrder.parse(order));
        model.addAttribute("text", text.strip());
        model.addAttribute("many", all.stream().filter(j -> !j.archived()).count());
        model.addAttribute("jobs", carded(lines.of(all.stream().filter(j -> !j.archived()), ShelfOrder.parse(order), text)));
        model.addAttribute("archived", uncarded(all.stream().filter(Job::archived)));
        model.addAttribute("deleted", shelf.deleted(site).stream()
                .map(j -> new DeletedLine(j.id(), j.name(), clocks(j.id()).date(j.deletedAt().plus(JobShelf.RECOVERABLE)))).toList());
        return "shelf/site";
    }

    private TimeText clocks(UUID job) {
        return journals.readable(job).map(journal -> journal.state().settings().times()).orElse(new TimeText(ZoneOffset.UTC));
    }

    /** A job on the shelf. @param card what is told of it, or null if that is asked for when it comes into sight, or cannot be told */
    record Line(UUID id, String name, JobCard card) {
    }

    private List<Line> carded(List<Job> listed) {
        return Stream.concat(listed.stream().limit(AT_ONCE).map(j -> new Line(j.id(), j.name(), cards.of(j).orElse(null))),
                uncarded(listed.stream().skip(AT_ONCE)).stream()).toList();
    }

    private static List<Line> uncarded(Stream<Job> listed) {
        return listed.map(j -> new Line(j.id(), j.name(), null)).toList();
    }

    @GetMapping("/jobs/{job}/card")
    String card(@PathVariable UUID job, Model model) {
        model.addAttribute("card", cards.of(jobs.job(job)).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, job)));
        return "shelf/card :: card";
    }

    /** The listed jobs beside one another. */
    @GetMapping("/sites/{site}/map")
    ResponseEntity<MapOfSite.Body> map(@PathVariable UUID site, @RequestParam(defaultValue = "") String text) {
        List<Job> listed = lines.of(jobs.jobs(jobs.site(site).id()).stream().filter(j -> !j.archived()), ShelfOrder.NAME, text);
        return ResponseEntity.ok().cacheControl(CacheControl.noStore()).body(map.of(listed));
    }
}
