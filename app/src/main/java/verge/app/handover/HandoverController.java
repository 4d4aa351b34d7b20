package verge.app.handover;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import verge.app.attributes.AttributeService;
import verge.app.enclosure.EnclosureService;
import verge.app.enclosure.PhotoParcel;
import verge.app.gaps.GapService;
import verge.app.job.JobService;
import verge.app.job.SettingsWords;
import verge.app.journal.JournalService;
import verge.core.job.JobState;
import verge.core.points.Origin;
import verge.core.settings.JobSettings;
import verge.core.units.LengthUnit;
import verge.formats.csv.PointCsvWriter.Field;
import verge.formats.csv.PointCsvWriter;

/** The bench for handing points over as a table of text. */
@Controller
@RequestMapping("/jobs/{job}/handover")
class HandoverController {
    private static final int LINES_SHOWN = 9;

    private final ExportService exports;
    private final DrawingExport drawings;
    private final PhotoParcel photos;
    private final GapService gaps;
    private final AttributeService attributes;
    private final JournalService journals;
    private final JobService jobs;
    private final SettingsWords settingsWords;

    HandoverController(ExportService exports, DrawingExport drawings, PhotoParcel photos, GapService gaps, AttributeService attributes,
            JournalService journals, JobService jobs, SettingsWords settingsWords) {
        this.exports = exports;
        this.drawings = drawings;
        this.photos = photos;
        this.gaps = gaps;
        this.attributes = attributes;
        this.journals = journals;
        this.jobs = jobs;
        this.settingsWords = settingsWords;
    }

    @GetMapping
    String bench(@PathVariable UUID job, ExportForm form, Model model) {
        JobState state = journals.state(job);
        ExportService.Preview preview = exports.preview(job, form, LINES_SHOWN);
        PointCsvWriter.Layout layout = preview.form().layout(state.settings().figures());
        List<Field> columns = layout.fields();
        JobSettings settings = state.settings();
        model.addAttribute("movesPoints", settings.ground().movesPoints());
        model.addAttribute("ground", form.inGround());
        model.addAttribute("noteFields", settings.work().noteFields());
        model.addAttribute("withNotes", form.withNotes());
        model.addAttribute("runningCopy", settings.work().runningCopy());
        model.addAttribute("geoidMissing", state.geodesy().geoid().isEmpty() && state.geodesy().projection().isPresent());
        model.addAttribute("columns", columns);
        model.addAttribute("described", Boolean.TRUE.equals(preview.form().described()));
        model.addAttribute("others", Arrays.stream(Field.values()).filter(f -> !columns.contains(f)).toList());
        model.addAttribute("what", form.origins());
        model.addAttribute("origins", Origin.values());
        model.addAttribute("layout", layout);
        model.addAttribute("separator", layout.separator() == ';' ? "semicolon" : layout.separator() == '\t' ? "tab" : "comma");
        model.addAttribute("units", LengthUnit.values());
        model.addAttribute("unitNames", Arrays.stream(LengthUnit.values()).map(settingsWords::unit).toList());
        model.addAttribute("preview", preview.lines());
        model.addAttribute("count", preview.points());
        model.addAttribute("gaps", gaps.countAtOnce(job).orElse(-1));
        model.addAttribute("missing", attributes.missing(job).size());
        model.addAttribute("strings", state.strings().count());
        model.addAttribute("photos", state.enclosures().count());
        return "handover/handover";
    }

    @GetMapping("/points.csv")
    ResponseEntity<byte[]> download(@PathVariable UUID job, ExportForm form) {
        StringBuilder text = new StringBuilder();
        exports.write(job, form, text);
        return file(jobs.job(job).name() + " points.csv", new MediaType("text", "csv", StandardCharsets.UTF_8), text.toString());
    }

    @GetMapping("/drawing")
    ResponseEntity<byte[]> drawing(@PathVariable UUID job, DrawingForm form) {
        return file(jobs.job(job).name() + " drawing." + form.wanted().suffix(), MediaType.parseMediaType(form.wanted().mediaType()),
                drawings.draw(job, form));
    }

    /** Written as it is made, by the request's own thread: a day's photos take longer than a request may be held without one. */
    @GetMapping("/photos")
    void photos(@PathVariable UUID job, HttpServletResponse response) throws IOException {
        List<EnclosureService.About> content = photos.content(job);
        response.setContentType("application/zip");
        response.setHeader(HttpHeaders.CONTENT_DISPOSITION, attachment(jobs.job(job).name() + " photos.zip"));
        photos.write(job, content, response.getOutputStream());
    }

    private static String attachment(String name) {
        return ContentDisposition.attachment().filename(name, StandardCharsets.UTF_8).build().toString();
    }

    private static ResponseEntity<byte[]> file(String name, MediaType type, String text) {
        return ResponseEntity.ok().contentType(type).header(HttpHeaders.CONTENT_DISPOSITION, attachment(name))
                .body(text.getBytes(StandardCharsets.UTF_8));
    }
}
