package verge.app.importing;

import java.security.Principal;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.context.MessageSource;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import verge.app.job.JobService;
import verge.app.job.SettingsWords;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.core.units.LengthUnit;
import verge.core.units.PlanAxes;
import verge.formats.csv.Column;
import verge.formats.csv.Fault;

/** How a file would be read, and taking its points on. */
@Controller
@RequestMapping("/jobs/{job}/prepare/import")
class ImportController {
    private static final int ROWS_SHOWN = 8;
    private static final int FAULTS_SHOWN = 12;

    private final PointImportService imports;
    private final JobService jobs;
    private final JournalService journals;
    private final SettingsWords settingsWords;
    private final MessageSource messages;

    ImportController(PointImportService imports, JobService jobs, JournalService journals, SettingsWords settingsWords, MessageSource messages) {
        this.imports = imports;
        this.journals = journals;
        this.jobs = jobs;
        this.settingsWords = settingsWords;
        this.messages = messages;
    }

    /** A column of the file with its first cells. */
    record ColumnView(int number, String meaning, List<String> cells) {
    }

    @GetMapping("/{file}")
    String preview(@PathVariable UUID job, @PathVariable UUID file, ColumnChoice choice, Model model) {
        PointImportService.Preview preview = imports.preview(job, jobs.job(job).siteId(), file, choice);
        model.addAttribute("file", preview.file());
        model.addAttribute("columns", columns(preview));
        model.addAttribute("meanings", Column.values());
        PlanAxes axes = journals.state(job).settings().figures().axes();
        model.addAttribute("axisNames", Map.of(Column.NORTHING, axes.northName(), Column.EASTING, axes.eastName()));
        model.addAttribute("units", LengthUnit.values());
        model.addAttribute("unitNames", Arrays.stream(LengthUnit.values()).map(settingsWords::unit).toList());
        model.addAttribute("layout", preview.layout());
        model.addAttribute("separator", ColumnChoice.separatorName(preview.layout().separator()));
        model.addAttribute("role", choice.roleOrControl());
        model.addAttribute("movesPoints", journals.state(job).settings().ground().movesPoints());
        model.addAttribute("ground", choice.inGround());
        model.addAttribute("encoding", encodingWords(preview));
        model.addAttribute("faults", preview.reading().faults().stream().limit(FAULTS_SHOWN).map(this::words).toList());
        model.addAttribute("faultCount", preview.reading().faultCount());
        model.addAttribute("missing", preview.missing().stream().map(this::meaning).toList());
        model.addAttribute("ready", preview.ready());
        model.addAttribute("count", preview.reading().points().size());
        return "importing/columns";
    }

    @PostMapping("/{file}")
    String take(@PathVariable UUID job, @PathVariable UUID file, ColumnChoice choice, Principal person) {
        imports.take(job, jobs.job(job).siteId(), file, choice, Author.atPage(person.getName()));
        return "redirect:/jobs/" + job + "/prepare";
    }

    private List<ColumnView> columns(PointImportService.Preview preview) {
        List<List<String>> rows = preview.proposal().rows().stream().limit(ROWS_SHOWN).toList();
        return IntStream.range(0, preview.proposal().columnCount()).mapToObj(i -> new ColumnView(i + 1,
                Arrays.stream(Column.values()).filter(c -> preview.layout().index(c).equals(Optional.of(i)))
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
