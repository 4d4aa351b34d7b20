package verge.app.handover;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import verge.app.journal.JournalService;
import verge.core.journal.JobState;
import verge.core.journal.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.formats.csv.PointCsvWriter;

/** Writes a job's points for the office. */
@Service
public class ExportService {
    private final JournalService journals;

    ExportService(JournalService journals) {
        this.journals = journals;
    }

    /** The first lines of what would be written, and how many points there are. */
    record Preview(List<String> lines, long points) {
    }

    Preview preview(UUID job, ExportForm form, int most) {
        JobState state = journals.state(job);
        StringBuilder text = new StringBuilder();
        write(text, chosen(state, form).limit(most).toList(), form.layout(state.settings().figures()));
        return new Preview(text.toString().lines().toList(), chosen(state, form).count());
    }

    /** @throws SurveyException NOTHING_TO_EXPORT if no point is of the chosen kinds */
    void write(UUID job, ExportForm form, Appendable out) {
        JobState state = journals.state(job);
        List<StoredPoint> points = chosen(state, form).toList();
        if (points.isEmpty()) {
            throw new SurveyException(Problem.NOTHING_TO_EXPORT);
        }
        write(out, points, form.layout(state.settings().figures()));
    }

    private static Stream<StoredPoint> chosen(JobState state, ExportForm form) {
        return state.points().filter(p -> form.origins().contains(p.origin()));
    }

    private static void write(Appendable out, List<StoredPoint> points, PointCsvWriter.Layout layout) {
        try {
            PointCsvWriter.write(out, points, layout);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }
}
