package verge.app.importing;

import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.stream.IntStream;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import verge.app.coding.Codebooks;
import verge.app.drawing.DrawingLibrary;
import verge.app.drawing.PlacedFile;
import verge.app.drawing.ReadAs;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.job.JobService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.core.coding.Codebook;
import verge.core.drawing.FileUnit;
import verge.core.drawing.Role;
import verge.core.job.JobState;
import verge.core.problem.SurveyException;
import verge.core.units.PlanAxes;
import verge.formats.codebook.CodebookLayout;
import verge.formats.codebook.CodebookReader;
import verge.formats.csv.Column;
import verge.formats.reading.FileKind;
import verge.formats.reading.ReadFile;
import verge.formats.reading.Report;

/** How a file of the site would be read, what is in it, what it changes; and giving it its role. */
@Controller
@RequestMapping("/jobs/{job}/prepare/import/{file}")
class FileController {
    private static final int ROWS_SHOWN = 8;
    private static final int FAULTS_SHOWN = 5;
    /** A file that takes longer shows how far it is. */
    private static final long MILLIS_WAITED_FOR = 700;

    private final ImportService imports;
    private final JobService jobs;
    private final JournalService journals;
    private final SiteFileService files;
    private final DrawingLibrary library;
    private final Codebooks codebooks;
    private final FileReportView reports;
    private final FirstLook firstLook;

    FileController(ImportService imports, JobService jobs, JournalService journals, SiteFileService files, DrawingLibrary library,
            Codebooks codebooks,
            FileReportView reports, FirstLook firstLook) {
        this.imports = imports;
        this.jobs = jobs;
        this.journals = journals;
        this.files = files;
        this.library = library;
        this.codebooks = codebooks;
        this.reports = reports;
        this.firstLook = firstLook;
    }

    /** A word of a table of codes for a kind. @param meant null while nobody has said it */
    record KindWord(String word, Codebook.Kind meant) {
    }

    /** A column of the file with its first cells. */
    record ColumnView(int number, String meaning, List<String> cells) {
    }

    private SiteFile file(UUID job, UUID file) {
        return files.file(jobs.job(job).siteId(), file);
    }

    @GetMapping
    String look(@PathVariable UUID job, @PathVariable UUID file, FileChoice choice, Model model) {
        SiteFile own = file(job, file);
        JobState state = journals.state(job);
        model.addAttribute("file", own);
        model.addAttribute("earlier", files.earlier(own));
        model.addAttribute("roles", List.of(Role.CONTROL, Role.REGISTER, Role.DESIGN, Role.UNDERLAY));
        FileKind kind = imports.kind(own);
        boolean codes = kind == FileKind.CODEBOOK || choice.role() == Role.CODEBOOK || choice.role() == null && own.role()
                .equals(Optional.of(Role.CODEBOOK));
        if (codes) {
            return codebook(job, own, choice, model);
        }
        return kind == FileKind.TABLE ? table(job, own, choice, state, model) : drawing(job, own, choice, state, model);
    }

    private String codebook(UUID job, SiteFile file, FileChoice choice, Model model) {
        CodebookReader.Result look = imports.codes(file, choice);
        model.addAttribute("book", CodebookView.of(look.book(), codebooks.before(job, file)));
        model.addAttribute("isTable", imports.kind(file) == FileKind.TABLE);
        model.addAttribute("faults", asked(look.faults()).stream().map(f -> reports.message("codefault." + f.kind(), f.where(), f.found()))
                .toList());
        model.addAttribute("layout", look.layout().orElse(null));
        model.addAttribute("head", look.head());
        model.addAttribute("parts", CodebookLayout.PARTS);
        model.addAttribute("words", look.kindWords().stream()
                .map(w -> new KindWord(w, look.layout().map(l -> l.kinds().get(w)).orElse(null))).toList());
        model.addAttribute("kinds", Codebook.Kind.values());
        return "importing/codebook";
    }

    /** Of a word for a kind that nobody has said the meaning of, its first line: it is asked for once. */
    private static List<CodebookReader.Fault> asked(List<CodebookReader.Fault> faults) {
        Set<String> words = new HashSet<>();
        return faults.stream().filter(f -> f.kind() != CodebookReader.Kind.KIND_UNKNOWN || words.add(f.found().toLowerCase(Locale.ROOT)))
                .toList();
    }

    private String table(UUID job, SiteFile file, FileChoice choice, JobState state, Model model) {
        ImportService.TableLook look = imports.look(file, choice, state.settings().figures());
        boolean readable = look.missing().isEmpty();
        Optional<PlacedFile> placed = readable ? placed(file, state, Optional.of(look.readAs())) : Optional.empty();
        if (readable && placed.isEmpty()) {
            return stillReading(file, model);
        }
        Report report = placed.flatMap(PlacedFile::read).map(ReadFile::report).orElse(new Report(Map.of(), List.of()));
        boolean sound = placed.filter(p -> p.refused().isEmpty()).isPresent();
        model.addAttribute("columns", columns(look));
        model.addAttribute("meanings", Column.values());
        PlanAxes axes = look.readAs().coordinates().axes();
        model.addAttribute("axisNames", Map.of(Column.NORTHING, axes.northName(), Column.EASTING, axes.eastName()));
        model.addAttribute("table", look.readAs().table());
        model.addAttribute("separators", FileChoice.SEPARATOR_NAMES);
        model.addAttribute("separator", FileChoice.separatorName(look.readAs().table().separator()));
        model.addAttribute("orderUnsaid", readable && look.orderUnsaid());
        model.addAttribute("footUnsaid", look.footUnsaid());
        model.addAttribute("unitSaid", look.proposal().said().unit().isPresent());
        model.addAttribute("encoding", encodingWords(look));
        model.addAttribute("faults", report.passed().stream().limit(FAULTS_SHOWN).map(reports::words).toList());
        model.addAttribute("rowsOut", report.leftOut().stream().filter(l -> l.why() == Report.Why.ROW_UNFIT).mapToInt(Report.LeftOut::count)
                .sum());
        model.addAttribute("told", report.passed().size());
        model.addAttribute("unknownWords", look.readAs().table().header() ? columns(look).stream()
                .filter(c -> c.meaning().isEmpty() && !c.cells().isEmpty() && !c.cells().get(0).isBlank())
                .map(c -> "\u2018" + c.cells().get(0).strip() + "\u2019").toList() : List.of());
        model.addAttribute("missing", look.missing().stream().map(this::meaning).toList());
        model.addAttribute("sound", sound);
        model.addAttribute("ready", sound && !look.asks());
        model.addAttribute("count", report.read().values().stream().mapToInt(Integer::intValue).sum());
        common(job, file, choice, look.readAs(), state, sound, model);
        return "importing/columns";
    }

    private String stillReading(SiteFile file, Model model) {
        model.addAttribute("percent", library.progress(file).map(DrawingLibrary.Progress::percent).orElse(0));
        return "importing/reading";
    }

    /** All that was left out or read in part, line by line. */
    @GetMapping("/left-out.csv")
    ResponseEntity<String> leftOut(@PathVariable UUID job, @PathVariable UUID file, FileChoice choice) {
        SiteFile own = file(job, file);
        JobState state = journals.state(job);
        Optional<ReadAs> readAs = imports.kind(own) == FileKind.TABLE
                ? Optional.of(imports.look(own, choice, state.settings().figures()).readAs()) : Optional.empty();
        Report report = library.placedNow(own, state.geodesy(), readAs).read().map(ReadFile::report)
                .orElse(new Report(Map.of(), List.of()));
        String name = own.name().replaceAll("[^\\p{L}\\p{N} ._-]", "_") + " left out.csv";
        return ResponseEntity.ok().contentType(new MediaType("text", "csv", StandardCharsets.UTF_8))
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(name, StandardCharsets.UTF_8).build()
                .toString()).body(reports.table(report));
    }

    private String drawing(UUID job, SiteFile file, FileChoice choice, JobState state, Model model) {
        Optional<PlacedFile> placed = placed(file, state, Optional.empty());
        if (placed.isEmpty()) {
            return stillReading(file, model);
        }
        placed.get().refused().ifPresent(refused -> {
            throw refused;
        });
        ReadAs readAs = choice.over(library.readAs(file, state.settings().figures()));
        PlacedFile meant = library.placedNow(file, state.geodesy(), Optional.of(readAs));
        model.addAttribute("told", reports.of(meant, state.settings()));
        model.addAttribute("leftOut", meant.read().orElseThrow().report().leftOut().stream().mapToInt(Report.LeftOut::count).sum()
                + meant.drawing().spots().filter(s -> s.name().isEmpty()).count());
        model.addAttribute("layers", meant.drawing().layers().size());
        model.addAttribute("unitSaid", meant.read().orElseThrow().declared().unit().isPresent());
        model.addAttribute("systemSaid", meant.read().orElseThrow().declared().system().isPresent());
        model.addAttribute("hasPoints", meant.drawing().spots().anyMatch(s -> !s.name().isEmpty()));
        common(job, file, choice, readAs, state, true, model);
        return "importing/file";
    }

    /** The file, unless reading it takes so long that somebody would wonder. */
    private Optional<PlacedFile> placed(SiteFile file, JobState state, Optional<ReadAs> choice) {
        CompletableFuture<PlacedFile> coming = library.placed(file, state.geodesy(), choice);
        try {
            return Optional.of(coming.get(MILLIS_WAITED_FOR, TimeUnit.MILLISECONDS));
        } catch (TimeoutException stillReading) {
            return Optional.empty();
        } catch (ExecutionException failed) {
            throw failed.getCause() instanceof SurveyException problem ? problem : new CompletionException(failed.getCause());
        } catch (InterruptedException shuttingDown) {
            Thread.currentThread().interrupt();
            return Optional.empty();
        }
    }

    private void common(UUID job, SiteFile file, FileChoice choice, ReadAs readAs, JobState state, boolean readable, Model model) {
        Role usual = files.older(file).flatMap(SiteFile::role).orElse(Role.CONTROL);
        Role role = choice.role() == null ? file.role().orElse(readAs.table() == null && usual == Role.CONTROL ? Role.DESIGN : usual)
                : choice.role();
        model.addAttribute("role", role);
        model.addAttribute("doubts", readable
                ? firstLook.at(job, library.placedNow(file, state.geodesy(), Optional.of(readAs)), role, state) : List.of());
        model.addAttribute("readAs", readAs);
        model.addAttribute("units", FileUnit.values());
        model.addAttribute("unitNames", Arrays.stream(FileUnit.values()).map(u -> reports.message("fileunit." + u)).toList());
        Optional<SiteFile> older = files.older(file).filter(o -> file.role().isEmpty() && readable);
        older.ifPresent(o -> {
            model.addAttribute("older", o);
            model.addAttribute("changes", ChangesView.of(imports.changes(job, o, file, Optional.of(readAs)), state.settings().figures()));
        });
    }

    @PostMapping
    String use(@PathVariable UUID job, @PathVariable UUID file, FileChoice choice, @RequestParam(defaultValue = "false") boolean replace,
            Principal person) {
        SiteFile own = file(job, file);
        Author author = Author.atPage(person.getName());
        Optional<SiteFile> older = replace ? files.older(own) : Optional.empty();
        if (older.isPresent()) {
            // its points may have the names of those it takes the place of
            imports.supersede(job, older.get(), own, choice, author);
        } else {
            imports.use(job, own, choice, author);
        }
        return "redirect:/jobs/" + job + "/prepare";
    }

    @PostMapping("/stop")
    String stop(@PathVariable UUID job, @PathVariable UUID file) {
        SiteFile own = file(job, file);
        library.stop(own);
        if (own.role().isEmpty()) {
            files.forget(own);
        }
        return "redirect:/jobs/" + job + "/prepare";
    }

    private List<ColumnView> columns(ImportService.TableLook look) {
        List<List<String>> rows = look.proposal().rows().stream().limit(ROWS_SHOWN).toList();
        List<String> meanings = look.readAs().table().columns();
        return IntStream.range(0, look.proposal().columnCount())
                .mapToObj(i -> new ColumnView(i + 1, i < meanings.size() ? meanings.get(i) : "",
                rows.stream().map(row -> i < row.size() ? row.get(i) : "").toList())).toList();
    }

    private String encodingWords(ImportService.TableLook look) {
        return look.encoding().assumed()
                ? reports.message("import.latin", Long.toString(look.encoding().line()), Long.toString(look.encoding().column()))
                : reports.message("import.encoding", look.encoding().charset().displayName());
    }

    private String meaning(Column column) {
        return reports.message("column." + column);
    }
}
