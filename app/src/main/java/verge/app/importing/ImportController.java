package verge.app.importing;

import java.io.IOException;
import java.security.Principal;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import verge.app.job.JobService;
import verge.app.job.SettingsWords;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.core.coding.PointName;
import verge.core.journal.Entry;
import verge.core.journal.JobState;
import verge.core.journal.Journal;
import verge.core.journal.Origin;
import verge.core.journal.Payload;
import verge.core.journal.StoredPoint;
import verge.core.units.Figures;
import verge.core.units.LengthUnit;
import verge.formats.csv.Column;
import verge.formats.csv.Fault;

/** The bench for preparing a job: what it is, what it knows, and files taken on. */
@Controller
@RequestMapping("/jobs/{job}/prepare")
class ImportController {
    private static final int ROWS_SHOWN = 8;
    private static final int FAULTS_SHOWN = 12;
    private static final int POINTS_SHOWN = 200;

    private final PointImportService imports;
    private final SiteFileService files;
    private final JobService jobs;
    private final JournalService journals;
    private final SettingsWords settingsWords;
    private final MessageSource messages;

    ImportController(PointImportService imports, SiteFileService files, JobService jobs, JournalService journals,
            SettingsWords settingsWords, MessageSource messages) {
        this.imports = imports;
        this.files = files;
        this.jobs = jobs;
        this.journals = journals;
        this.settingsWords = settingsWords;
        this.messages = messages;
    }

    /** One known or design point, in finished text. */
    record PointLine(PointName name, String northing, String easting, String elevation) {
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
        model.addAttribute("settings", settingsWords.full(state.settings()));
        model.addAttribute("files", files.of(jobs.job(job).siteId()).stream().map(file -> line(journal, file)).toList());
        model.addAttribute("unit", state.settings().figures().lengthUnit().symbol());
        List<Group> groups = Stream.of(group(state, Origin.CONTROL, "Control"), group(state, Origin.DESIGN, "Design, to be staked"))
                .filter(g -> !g.points().isEmpty()).toList();
        model.addAttribute("groups", groups);
        model.addAttribute("count", groups.stream().mapToLong(Group::count).sum());
        return "importing/prepare";
    }

    private static Group group(JobState state, Origin origin, String title) {
        Figures f = state.settings().figures();
        List<StoredPoint> points = state.points().filter(p -> p.origin() == origin).sorted(Comparator.comparing(StoredPoint::name)).toList();
        return new Group(title, points.size(), points.stream().limit(POINTS_SHOWN).map(p -> line(f, p)).toList());
    }

    private static FileLine line(Journal journal, SiteFile file) {
        String taken = journal.entries().stream().filter(e -> !journal.state().isStruck(e.id())).map(Entry::payload)
                .filter(Payload.PointsImported.class::isInstance).map(Payload.PointsImported.class::cast)
                .filter(p -> p.sha256().equals(file.sha256())).map(p -> p.origin().name().toLowerCase(Locale.ROOT)).distinct()
                .collect(Collectors.joining(" and "));
        return new FileLine(file.id(), file.name(), file.size(), taken);
    }

    private static PointLine line(Figures f, StoredPoint p) {
        return new PointLine(p.name(), f.bare(p.position().plan().north()),
                f.bare(p.position().plan().east()), p.position().elevation().map(e -> f.bare(e.asLength())).orElse("\u2013"));
    }

    @PostMapping("/files")
    String upload(@PathVariable UUID job, @RequestParam MultipartFile file) throws IOException {
        SiteFile kept = files.add(jobs.job(job).siteId(), file.getOriginalFilename(), file.getInputStream());
        return "redirect:/jobs/" + job + "/prepare/import/" + kept.id();
    }

    /** A column of the file with its first cells. */
    record ColumnView(int number, String meaning, List<String> cells) {
    }

    @GetMapping("/import/{file}")
    String preview(@PathVariable UUID job, @PathVariable UUID file, ColumnChoice choice, Model model) {
        PointImportService.Preview preview = imports.preview(job, jobs.job(job).siteId(), file, choice);
        model.addAttribute("file", preview.file());
        model.addAttribute("columns", columns(preview));
        model.addAttribute("meanings", Column.values());
        model.addAttribute("units", LengthUnit.values());
        model.addAttribute("unitNames", Arrays.stream(LengthUnit.values()).map(settingsWords::unit).toList());
        model.addAttribute("layout", preview.layout());
        model.addAttribute("separator", ColumnChoice.separatorName(preview.layout().separator()));
        model.addAttribute("role", choice.roleOrControl());
        model.addAttribute("encoding", encodingWords(preview));
        model.addAttribute("faults", preview.reading().faults().stream().limit(FAULTS_SHOWN).map(this::words).toList());
        model.addAttribute("faultCount", preview.reading().faultCount());
        model.addAttribute("missing", preview.missing().stream().map(this::meaning).toList());
        model.addAttribute("ready", preview.ready());
        model.addAttribute("count", preview.reading().points().size());
        return "importing/columns";
    }

    @PostMapping("/import/{file}")
    String take(@PathVariable UUID job, @PathVariable UUID file, ColumnChoice choice, Principal person) {
        imports.take(job, jobs.job(job).siteId(), file, choice, Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/prepare";
    }

    private List<ColumnView> columns(PointImportService.Preview preview) {
        List<List<String>> rows = preview.proposal().rows().stream().limit(ROWS_SHOWN).toList();
        return IntStream.range(0, preview.proposal().columnCount()).mapToObj(i -> new ColumnView(i + 1,
                Arrays.stream(Column.values()).filter(c -> preview.layout().index(c).equals(java.util.Optional.of(i)))
                        .findFirst().map(Column::name).orElse(""),
                rows.stream().map(row -> i < row.size() ? row.get(i) : "").toList())).toList();
    }

    private String encodingWords(PointImportService.Preview preview) {
        String name = preview.encoding().charset().displayName();
        return preview.encoding().assumed()
                ? messages.getMessage("import.latin", new Object[] {Long.toString(preview.encoding().line()), Long.toString(preview.encoding().column())}, Locale.ENGLISH)
                : messages.getMessage("import.encoding", new Object[] {name}, Locale.ENGLISH);
    }

    private String meaning(Column column) {
        return messages.getMessage("column." + column, null, Locale.ENGLISH);
    }

    private String words(Fault fault) {
        return messages.getMessage("fault." + fault.kind(), new Object[] {Long.toString(fault.line()), Integer.toString(fault.column()),
                fault.meaning() == null ? "" : meaning(fault.meaning()), fault.found()}, Locale.ENGLISH);
    }
}
