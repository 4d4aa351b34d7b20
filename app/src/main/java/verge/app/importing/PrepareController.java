package verge.app.importing;

import java.io.IOException;
import java.util.Comparator;
import java.util.List;
import java.util.UUID;
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
import verge.app.check.FindingWords;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.job.JobService;
import verge.app.job.SettingsWords;
import verge.app.journal.JournalService;
import verge.core.coding.PointName;
import verge.core.check.WalkRound;
import verge.core.journal.Entry;
import verge.core.journal.JobSettings;
import verge.core.journal.JobState;
import verge.core.journal.Journal;
import verge.core.journal.Origin;
import verge.core.journal.Payload;
import verge.core.journal.StoredPoint;

/** The bench for preparing a job: what it is, what it knows, and the files of its site. */
@Controller
@RequestMapping("/jobs/{job}/prepare")
class PrepareController {
    private static final int POINTS_SHOWN = 200;

    private final SiteFileService files;
    private final JobService jobs;
    private final JournalService journals;
    private final SettingsWords settingsWords;
    private final FindingWords findingWords;

    PrepareController(SiteFileService files, JobService jobs, JournalService journals, SettingsWords settingsWords, FindingWords findingWords) {
        this.files = files;
        this.jobs = jobs;
        this.journals = journals;
        this.settingsWords = settingsWords;
        this.findingWords = findingWords;
    }

    /** One known or design point, in finished text. */
    record PointLine(PointName name, String first, String second, String elevation) {
    }

    /** The points of one kind: control and design never mix in a list. */
    record Group(String title, long count, List<PointLine> points) {
    }

    /** @param taken what its points became in this job, or empty */
    record FileLine(UUID id, String name, String size, String taken) {
    }

    @GetMapping
    String bench(@PathVariable UUID job, Model model) {
        Journal journal = journals.journal(job);
        JobState state = journal.state();
        model.addAttribute("chief", settingsWords.chief(state.settings()));
        model.addAttribute("sentences", settingsWords.sentences(state.settings()));
        model.addAttribute("findings", WalkRound.of(state).stream().map(findingWords::say).toList());
        model.addAttribute("files", files.of(jobs.job(job).siteId()).stream().map(file -> line(journal, file)).toList());
        model.addAttribute("unit", state.settings().figures().lengthUnit().symbol());
        List<Group> groups = Stream.of(group(state, Origin.CONTROL, "Control"), group(state, Origin.DESIGN, "Design, to be staked"))
                .filter(g -> !g.points().isEmpty()).toList();
        model.addAttribute("groups", groups);
        model.addAttribute("count", groups.stream().mapToLong(Group::count).sum());
        return "importing/prepare";
    }

    private static Group group(JobState state, Origin origin, String title) {
        List<StoredPoint> points = state.points().filter(p -> p.origin() == origin).sorted(Comparator.comparing(StoredPoint::name)).toList();
        return new Group(title, points.size(), points.stream().limit(POINTS_SHOWN).map(p -> line(state.settings(), p)).toList());
    }

    private static FileLine line(Journal journal, SiteFile file) {
        String taken = journal.entries().stream().filter(e -> !journal.state().isStruck(e.id())).map(Entry::payload)
                .filter(Payload.PointsImported.class::isInstance).map(Payload.PointsImported.class::cast)
                .filter(p -> p.sha256().equals(file.sha256())).map(p -> p.origin().word()).distinct()
                .collect(Collectors.joining(" and "));
        return new FileLine(file.id(), file.name(), file.size(), taken);
    }

    private static PointLine line(JobSettings settings, StoredPoint p) {
        List<JobSettings.Coordinate> plan = settings.coordinates(p.position().plan());
        return new PointLine(p.name(), plan.get(0).figure(), plan.get(1).figure(),
                p.position().elevation().map(e -> settings.figures().bare(e.asLength())).orElse("\u2013"));
    }

    @PostMapping("/files")
    String upload(@PathVariable UUID job, @RequestParam MultipartFile file) throws IOException {
        SiteFile kept = files.add(jobs.job(job).siteId(), file.getOriginalFilename(), file.getInputStream());
        return "redirect:/jobs/" + job + "/prepare/import/" + kept.id();
    }
}
