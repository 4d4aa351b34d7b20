package verge.app.shelf;

import java.security.Principal;
import java.util.UUID;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import verge.app.job.FolderService;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.job.JobShelf;
import verge.app.job.StarterService;
import verge.app.journal.Author;
import verge.app.problem.ProblemWords;
import verge.core.problem.SurveyException;

/** What can be done with a job as a whole, and with folders. */
@Controller
class ShelfController {
    private final JobService jobs;
    private final JobShelf shelf;
    private final FolderService folders;
    private final StarterService starters;
    private final ProblemWords problemWords;

    ShelfController(JobService jobs, JobShelf shelf, FolderService folders, StarterService starters, ProblemWords problemWords) {
        this.jobs = jobs;
        this.shelf = shelf;
        this.folders = folders;
        this.starters = starters;
        this.problemWords = problemWords;
    }

    @GetMapping("/jobs/{job}/shelf")
    String page(@PathVariable UUID job, Model model) {
        Job own = jobs.job(job);
        model.addAttribute("job", own);
        model.addAttribute("site", jobs.site(own.siteId()));
        model.addAttribute("sites", jobs.sites());
        return "shelf/more";
    }

    private interface Deed {
        String done();
    }

    /** Does it, or shows the page again with what is wrong. */
    private String attempt(UUID job, Model model, Deed deed) {
        try {
            return deed.done();
        } catch (SurveyException cannot) {
            model.addAttribute("said", problemWords.say(cannot));
            return page(job, model);
        }
    }

    @PostMapping("/jobs/{job}/move")
    String move(@PathVariable UUID job, @RequestParam UUID site, Model model) {
        return attempt(job, model, () -> {
            shelf.move(job, site);
            return "redirect:/sites/" + site;
        });
    }

    @PostMapping("/jobs/{job}/copy")
    String copy(@PathVariable UUID job, @RequestParam UUID site, @RequestParam String name,
            @RequestParam(defaultValue = "false") boolean control,
            Model model, Principal person) {
        return attempt(job, model, () -> "redirect:/jobs/" + shelf.copy(job, site, name, control, Author.atPage(person.getName())).id()
                + "/prepare");
    }

    @PostMapping("/jobs/{job}/archive")
    String archive(@PathVariable UUID job, @RequestParam(defaultValue = "true") boolean away) {
        shelf.archive(job, away);
        return "redirect:/sites/" + jobs.job(job).siteId();
    }

    @PostMapping("/jobs/{job}/delete")
    String delete(@PathVariable UUID job, @RequestParam String name, Model model) {
        return attempt(job, model, () -> {
            UUID site = jobs.job(job).siteId();
            shelf.delete(job, name);
            return "redirect:/sites/" + site;
        });
    }

    @PostMapping("/jobs/{job}/restore")
    String restore(@PathVariable UUID job) {
        return "redirect:/sites/" + shelf.restore(job).siteId();
    }

    @PostMapping("/jobs/{job}/starter")
    String keep(@PathVariable UUID job, @RequestParam String name, Model model, Principal person) {
        return attempt(job, model, () -> {
            starters.keep(job, name, person.getName());
            return "redirect:/sites/" + jobs.job(job).siteId() + "/jobs/new";
        });
    }

    @PostMapping("/starters/{starter}/forget")
    String forget(@PathVariable String starter, @RequestParam UUID site) {
        starters.forget(starter);
        return "redirect:/sites/" + site + "/jobs/new";
    }

    @PostMapping("/folders")
    String makeFolder(@RequestParam(required = false) UUID parent, @RequestParam String name, @RequestParam UUID site) {
        folders.make(parent, name);
        return "redirect:/sites/" + site;
    }

    /** Puts a site into a folder, or a folder into another. @param into absent for the top */
    @PostMapping("/sites/{site}/folder")
    String put(@PathVariable UUID site, @RequestParam(required = false) UUID into) {
        folders.put(jobs.site(site), into);
        return "redirect:/sites/" + site;
    }

    @PostMapping("/folders/move")
    String moveFolder(@RequestParam UUID folder, @RequestParam(required = false) UUID into, @RequestParam UUID site) {
        folders.move(folder, into);
        return "redirect:/sites/" + site;
    }
}
