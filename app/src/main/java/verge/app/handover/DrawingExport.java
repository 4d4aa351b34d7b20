package verge.app.handover;

import java.io.StringWriter;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.app.coding.Codebooks;
import verge.app.cogo.PinnedDimensions;
import verge.app.job.JobService;
import verge.app.job.SettingsWords;
import verge.app.journal.JournalService;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.SystemText;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.JobSettings;
import verge.core.strings.SurveyString;
import verge.formats.fieldwork.DxfWriter;
import verge.formats.fieldwork.Fieldwork;
import verge.formats.fieldwork.GeoJsonWriter;
import verge.formats.fieldwork.LandXmlWriter;

/**
 * Draws a job's measured and computed points, its strings and its pinned dimensions for the office. Coordinates are pure grid: that is what
 * the office means by them.
 */
@Service
public class DrawingExport {
    private final JournalService journals;
    private final JobService jobs;
    private final Codebooks codebooks;
    private final SettingsWords words;
    private final PinnedDimensions dimensions;

    DrawingExport(JournalService journals, JobService jobs, Codebooks codebooks, SettingsWords words, PinnedDimensions dimensions) {
        this.journals = journals;
        this.jobs = jobs;
        this.codebooks = codebooks;
        this.words = words;
        this.dimensions = dimensions;
    }

    /** @throws SurveyException NOTHING_TO_EXPORT, or NO_PLACE_ON_EARTH for GeoJSON of a job without a projection */
    String draw(UUID job, DrawingForm form) {
        Journal journal = journals.journal(job);
        JobState state = journal.state();
        Fieldwork work = fieldwork(job, journal);
        if (work.points().isEmpty() && work.strings().isEmpty()) {
            throw new SurveyException(Problem.NOTHING_TO_EXPORT);
        }
        StringWriter text = new StringWriter();
        switch (form.wanted()) {
            case DXF -> DxfWriter.write(work, new DxfWriter.Options(form.drawn(), form.sagitta(), form.marker()), text);
            case GEOJSON -> {
                GeoJsonWriter.write(work, state.geodesy().onEarth().orElseThrow(() -> new SurveyException(Problem.NO_PLACE_ON_EARTH)),
                        form.sagitta(), text);
            }
            case LANDXML -> {
                var now = Instant.now().atOffset(ZoneOffset.UTC).truncatedTo(ChronoUnit.SECONDS);
                LandXmlWriter.write(work, DateTimeFormatter.ISO_LOCAL_DATE.format(now), DateTimeFormatter.ISO_LOCAL_TIME.format(now), text);
            }
        }
        return text.toString();
    }

    private Fieldwork fieldwork(UUID job, Journal journal) {
        JobState state = journal.state();
        Provisional provisional = new Provisional(journal);
        List<Fieldwork.Spot> points = state.points().all().filter(p -> p.origin() == Origin.MEASURED || p.origin() == Origin.COMPUTED)
                .map(p -> new Fieldwork.Spot(p.name().text(), p.code(), p.position(), provisional.beside(p, about(state, p)))).toList();
        return new Fieldwork(jobs.job(job).name(), words.system(state.settings()) + ", pure grid"
                + (provisional.said(state.points().all().toList()).isEmpty() ? "" : "; with points whose base is provisional"),
                reference(state.settings()), state.settings().figures().lengthUnit(), codebooks.of(job), points,
                state.strings().all().stream().map(s -> line(state, s)).toList(),
                dimensions.of(state).stream().map(DrawingExport::dimension).toList());
    }

    private Fieldwork.Reference reference(JobSettings settings) {
        String code = settings.system() instanceof CoordinateSystem.Projected published ? published.code() : "";
        String definition = settings.system() instanceof CoordinateSystem.OnEarth onEarth ? SystemText.definition(onEarth).orElse("") : "";
        return new Fieldwork.Reference(code, definition, words.heights(settings));
    }

    private static Fieldwork.Dimension dimension(PinnedDimensions.Pinned pinned) {
        return new Fieldwork.Dimension(pinned.lines(), pinned.words().stream().map(w -> new Fieldwork.Words(w.text(), w.at(), w.along()))
                .toList());
    }

    /** What its file said of it, the job's own fields, then what the codebook asked. */
    private static Map<String, String> about(JobState state, StoredPoint point) {
        Map<String, String> all = new LinkedHashMap<>();
        if (!point.description().isEmpty()) {
            all.put("description", point.description());
        }
        all.putAll(state.notesOf(point.entry()));
        all.putAll(state.answersOf(point.entry()));
        return all;
    }

    private static Fieldwork.Line line(JobState state, SurveyString s) {
        return new Fieldwork.Line(s.name().toString(), s.name().code(), state.strings().shape(s).paths(), state.answersOf(s.id()));
    }
}
