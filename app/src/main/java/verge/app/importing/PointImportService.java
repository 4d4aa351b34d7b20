package verge.app.importing;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.journal.JobSettings;
import verge.core.journal.NamedPosition;
import verge.core.journal.Origin;
import verge.core.journal.Payload;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.LengthUnit;
import verge.core.units.PlanAxes;
import verge.formats.csv.Column;
import verge.formats.csv.PointCsvLayout;
import verge.formats.csv.PointCsvProbe;
import verge.formats.csv.PointCsvReader;
import verge.formats.text.TextEncoding;

/** Reads points of a site's file into a job: looked at first, then taken whole or not at all. */
@Service
public class PointImportService {
    private final JournalService journals;
    private final SiteFileService files;

    PointImportService(JournalService journals, SiteFileService files) {
        this.journals = journals;
        this.files = files;
    }

    /**
     * What would be read.
     *
     * @param missing needed columns that nothing was chosen for; then nothing was read
     */
    public record Preview(SiteFile file, TextEncoding encoding, PointCsvProbe.Proposal proposal, PointCsvLayout layout,
            List<Column> missing, PointCsvReader.Result reading) {
        public boolean ready() {
            return missing.isEmpty() && reading.sound();
        }
    }

    public Preview preview(UUID job, UUID site, UUID fileId, ColumnChoice choice) {
        SiteFile file = files.file(site, fileId);
        Path path = files.path(file);
        LengthUnit unit = journals.state(job).settings().figures().lengthUnit();
        try {
            TextEncoding encoding = TextEncoding.of(path);
            PointCsvProbe.Proposal proposal = choice.separatorCharacter() == null ? PointCsvProbe.propose(path, encoding, unit)
                    : PointCsvProbe.propose(path, encoding, choice.separatorCharacter(), unit);
            PointCsvLayout layout = choice.over(proposal.layout());
            List<Column> missing = Arrays.stream(Column.values()).filter(c -> c.needed() && layout.index(c).isEmpty()).toList();
            PointCsvReader.Result reading = missing.isEmpty() ? PointCsvReader.read(path, encoding, layout)
                    : new PointCsvReader.Result(List.of(), List.of(), 0);
            return new Preview(file, encoding, proposal, layout, missing, reading);
        } catch (IOException failed) {
            throw new SurveyException(Problem.FILE_UNREADABLE, file.name());
        }
    }

    /**
     * Takes the points on.
     *
     * @throws SurveyException COLUMN_MISSING, FILE_HAS_FAULTS, or POINT_NAME_TAKEN if the job has a point of that name and role
     */
    public int take(UUID job, UUID site, UUID fileId, ColumnChoice choice, Author author) {
        Preview preview = preview(job, site, fileId, choice);
        if (!preview.missing().isEmpty()) {
            throw new SurveyException(Problem.COLUMN_MISSING, preview.missing().get(0).name().toLowerCase(Locale.ROOT));
        }
        if (!preview.reading().sound()) {
            throw new SurveyException(Problem.FILE_HAS_FAULTS, preview.reading().faultCount());
        }
        JobSettings settings = journals.state(job).settings();
        List<NamedPosition> points = preview.reading().points().stream().map(p -> inGrid(settings, p, choice.inGround())).toList();
        Origin role = choice.roleOrControl();
        journals.append(job, author, state -> {
            points.stream().filter(p -> state.find(p.name(), role).isPresent()).findFirst().ifPresent(p -> {
                throw new SurveyException(Problem.POINT_NAME_TAKEN, p.name().text());
            });
            return new Payload.PointsImported(role, preview.file().name(), preview.file().sha256(), points);
        });
        return points.size();
    }

    /** A file has the job's own axes; its coordinates are grid unless it is said that they are ground. */
    private static NamedPosition inGrid(JobSettings settings, NamedPosition point, boolean ground) {
        PlanAxes axes = settings.figures().axes();
        GridPoint written = point.position().plan();
        GridPoint plan = ground ? settings.gridOf(written.northing(), written.easting())
                : new GridPoint(axes.northSign() * written.northing() + 0.0, axes.eastSign() * written.easting() + 0.0);
        return new NamedPosition(point.name(), point.code(), new Position(plan, point.position().elevation()));
    }
}
