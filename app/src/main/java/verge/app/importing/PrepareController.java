package verge.app.importing;

import java.io.IOException;
import java.security.Principal;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import verge.app.drawing.SiteDrawings;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.job.JobService;
import verge.app.job.SettingsWords;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.system.GeoidLibrary;
import verge.core.coding.PointName;
import verge.core.drawing.DesignChosen;
import verge.core.drawing.Role;
import verge.core.job.JobState;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.JobSettings;

/** The bench for preparing a job: what it is, what it knows, and the files of its site. */
@Controller
@RequestMapping("/jobs/{job}/prepare")
class PrepareController {
    private static final int POINTS_SHOWN = 200;

    private final SiteFileService files;
    private final SiteDrawings drawings;
    private final JobService jobs;
    private final JournalService journals;
    private final SettingsWords settingsWords;

    PrepareController(SiteFileService files, SiteDrawings drawings, JobService jobs, JournalService journals, SettingsWords settingsWords) {
        this.files = files;
        this.drawings = drawings;
        this.jobs = jobs;
        this.journals = journals;
        this.settingsWords = settingsWords;
    }

    /** One known or design point, in finished text. */
    record PointLine(PointName name, String first, String second, String elevation) {
    }

    /** The points of one kind: control and design never mix in a list. */
    record Group(String title, long count, List<PointLine> points) {
    }

    /**
     * @param role what it is, in a word; empty until somebody said so
     * @param note what more there is to say: taken on, current, earlier versions
     * @param open whether a look at it is offered
     * @param removable whether it is nothing to any job yet and may go
     * @param chooseable whether it is a design that the work could go by and does not
     */
    record FileLine(UUID id, String name, String size, String role, String note, boolean open, boolean chooseable, boolean removable) {
    }

    @GetMapping
    String bench(@PathVariable UUID job, Model model) {
        JobState state = journals.state(job);
        model.addAttribute("chief", settingsWords.chief(state.settings()));
        model.addAttribute("sentences", settingsWords.sentences(state.settings()));
        UUID site = jobs.job(job).siteId();
        Optional<SiteFile> current = drawings.current(job, state);
        model.addAttribute("site", site);
        Map<String, Long> taken = Stream.of(Origin.CONTROL, Origin.DESIGN).flatMap(state.points()::all)
                .flatMap(p -> state.points().fileOf(p.entry()).stream())
                .collect(Collectors.groupingBy(Function.identity(), Collectors.counting()));
        model.addAttribute("files", files.of(site).stream()
                .sorted(Comparator.comparing((SiteFile f) -> f.role().map(Role::ordinal).orElse(-1)).thenComparing(SiteFile::name))
                .map(file -> line(file, current, taken.getOrDefault(file.name(), 0L))).toList());
        model.addAttribute("unit", state.settings().figures().lengthUnit().symbol());
        List<Group> groups = Stream.of(group(state, Origin.CONTROL, "Control"), group(state, Origin.DESIGN, "Design points taken on"))
                .filter(g -> !g.points().isEmpty()).toList();
        model.addAttribute("groups", groups);
        model.addAttribute("count", groups.stream().mapToLong(Group::count).sum());
        return "importing/prepare";
    }

    private static Group group(JobState state, Origin origin, String title) {
        List<StoredPoint> points = state.points().all(origin).sorted(Comparator.comparing(StoredPoint::name))
                .toList();
        return new Group(title, points.size(), points.stream().limit(POINTS_SHOWN).map(p -> line(state.settings(), p)).toList());
    }

    /** @param taken how many of its points the job has */
    private FileLine line(SiteFile file, Optional<SiteFile> current, long taken) {
        boolean isCurrent = current.filter(c -> c.id().equals(file.id())).isPresent();
        int earlier = files.earlier(file).size();
        List<String> notes = Stream.of(isCurrent ? "the design the work goes by" : "",
                taken > 0 ? "\u2713 " + (taken == 1 ? "1 point" : taken + " points") + " taken on" : "",
                earlier > 0 ? "version " + (earlier + 1) : "").filter(n -> !n.isEmpty()).toList();
        boolean grid = GeoidLibrary.isGrid(file.name());
        String role = grid ? "geoid grid" : file.role().map(Role::word).orElse("");
        return new FileLine(file.id(), file.name(), file.size(), role, String.join(" \u00b7 ", notes), !grid,
                file.role().equals(Optional.of(Role.DESIGN)) && !isCurrent,
                role.isEmpty());
    }

    private static PointLine line(JobSettings settings, StoredPoint p) {
        List<JobSettings.Coordinate> plan = settings.coordinates(p.position().plan());
        return new PointLine(p.name(), plan.get(0).figure(), plan.get(1).figure(),
                p.position().elevation().map(e -> settings.figures().bare(e.asLength())).orElse("\u2013"));
    }

    @PostMapping("/files")
    String upload(@PathVariable UUID job, @RequestParam MultipartFile file, Principal person) throws IOException {
        SiteFile kept = files.add(jobs.job(job).siteId(), file.getOriginalFilename(), file.getInputStream(), person.getName());
        return "redirect:/jobs/" + job + "/prepare/import/" + kept.id();
    }

    /** Takes a file off the list that is nothing to any job yet, such as one that cannot be read. */
    @PostMapping("/files/{file}/forget")
    String forget(@PathVariable UUID job, @PathVariable UUID file) {
        SiteFile unused = files.file(jobs.job(job).siteId(), file);
        if (unused.role().isPresent() || GeoidLibrary.isGrid(unused.name())) {
            throw new SurveyException(Problem.FILE_IN_USE, unused.name());
        }
        files.forget(unused);
        return "redirect:/jobs/" + job + "/prepare";
    }

    /** Lets the work go by another design. */
    @PostMapping("/design")
    String goBy(@PathVariable UUID job, @RequestParam UUID file, Principal person) {
        SiteFile design = files.file(jobs.job(job).siteId(), file);
        journals.append(job, Author.atPage(person.getName()), new DesignChosen(design.id(), design.name()));
        return "redirect:/jobs/" + job + "/prepare";
    }
}
