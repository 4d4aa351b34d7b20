package verge.app.handover;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import verge.app.job.SettingsWords;
import verge.app.journal.JournalService;
import verge.core.geodesy.GroundFactor;
import verge.core.geodesy.GroundUse;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.JobSettings;
import verge.core.units.Decimals;
import verge.formats.csv.PointCsvWriter;

/** Writes a job's points for the office. */
@Service
public class ExportService {
    private static final int FACTOR_DECIMALS = 8;

    private final JournalService journals;
    private final SettingsWords words;

    ExportService(JournalService journals, SettingsWords words) {
        this.journals = journals;
        this.words = words;
    }

    /** The first lines of what would be written, and how many points there are. @param form with the columns that it takes */
    record Preview(ExportForm form, List<String> lines, long points) {
    }

    Preview preview(UUID job, ExportForm asked, int most) {
        Journal journal = journals.journal(job);
        JobState state = journal.state();
        ExportForm form = asked.describing(chosen(state, asked));
        StringBuilder text = new StringBuilder();
        write(text, journal, chosen(state, form).limit(most).toList(), form);
        return new Preview(form, text.toString().lines().toList(), chosen(state, form).count());
    }

    /** @throws SurveyException NOTHING_TO_EXPORT if no point is of the chosen kinds */
    void write(UUID job, ExportForm form, Appendable out) {
        Journal journal = journals.journal(job);
        JobState state = journal.state();
        List<StoredPoint> points = chosen(state, form).toList();
        if (points.isEmpty()) {
            throw new SurveyException(Problem.NOTHING_TO_EXPORT);
        }
        write(out, journal, points, form.describing(points.stream()));
    }

    private static Stream<StoredPoint> chosen(JobState state, ExportForm form) {
        return state.points().all().filter(p -> form.origins().contains(p.origin()));
    }

    private void write(Appendable out, Journal journal, List<StoredPoint> points, ExportForm form) {
        JobState state = journal.state();
        JobSettings settings = state.settings();
        GroundUse ground = settings.ground();
        List<StoredPoint> written = form.inGround() ? points.stream().map(p -> p.at(ground.shown(p.position().plan()))).toList() : points;
        Provisional provisional = new Provisional(journal);
        try {
            List<String> said = provisional.said(points);
            List<String> fields = Stream.concat(said.isEmpty() ? Stream.empty() : Stream.of(Provisional.FIELD),
                    form.withNotes() ? settings.work().noteFields().stream() : Stream.empty()).toList();
            PointCsvWriter.write(out, new PointCsvWriter.Content(Stream.concat(remarks(settings, form).stream(), said.stream()).toList(),
                    written, fields, p -> provisional.beside(p, state.notesOf(p.entry()))), form.layout(settings.figures()));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /** What the office must know of these coordinates: only a job that works with a ground factor needs to say anything. */
    private List<String> remarks(JobSettings settings, ExportForm form) {
        Optional<GroundFactor> factor = settings.ground().factor().filter(f -> settings.ground().kind() != GroundUse.Kind.GRID);
        if (factor.isEmpty()) {
            return List.of();
        }
        String grid = "times " + Decimals.print(factor.get().groundPerGrid(), FACTOR_DECIMALS) + " about " + settings.with(GroundUse.GRID)
                .plan(factor.get().reference());
        return List.of(form.inGround() && settings.ground().movesPoints()
                ? "GROUND coordinates: " + words.system(settings) + " grid " + grid + ". Not grid."
                : "Pure grid coordinates: " + words.system(settings) + ". The job works at ground, grid " + grid
                + "; that factor is not in these figures.");
    }
}
