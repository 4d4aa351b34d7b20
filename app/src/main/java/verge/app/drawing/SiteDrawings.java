package verge.app.drawing;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.job.JobService;
import verge.core.drawing.Role;
import verge.core.job.JobState;
import verge.core.problem.SurveyException;

/** The files of a job's site as the job sees them: which there are, which design the work goes by. */
@Service
public class SiteDrawings {
    private final SiteFileService files;
    private final DrawingLibrary library;
    private final JobService jobs;

    SiteDrawings(SiteFileService files, DrawingLibrary library, JobService jobs) {
        this.files = files;
        this.library = library;
        this.jobs = jobs;
    }

    public UUID site(UUID job) {
        return jobs.job(job).siteId();
    }

    /** Files with a role that can be drawn, those that are read by now. */
    public List<PlacedFile> ready(UUID job, JobState state) {
        return library.ready(site(job), state.geodesy());
    }

    /** The same, waited for. */
    public List<PlacedFile> all(UUID job, JobState state) {
        return library.all(site(job), state.geodesy());
    }

    /** The files of known points that every job sees. @throws SurveyException READING_STOPPED */
    public List<PlacedFile> register(UUID job, JobState state) {
        return files.of(site(job)).stream().filter(f -> f.role().equals(Optional.of(Role.REGISTER)))
                .map(f -> library.placedNow(f, state.geodesy(), Optional.empty())).toList();
    }

    public Optional<PlacedFile> currentDrawing(UUID job, JobState state) {
        return current(job, state).map(f -> library.placedNow(f, state.geodesy(), Optional.empty()));
    }

    /** @throws SurveyException NOT_FOUND */
    public PlacedFile file(UUID job, JobState state, UUID file) {
        return library.placedNow(files.file(site(job), file), state.geodesy(), Optional.empty());
    }

    /** The design the work goes by: the one chosen, else the one added first, so that a file added later changes nothing unasked. */
    public Optional<SiteFile> current(UUID job, JobState state) {
        List<SiteFile> designs = files.of(site(job)).stream().filter(f -> f.role().equals(Optional.of(Role.DESIGN))).toList();
        return state.design().flatMap(chosen -> designs.stream().filter(f -> f.id().equals(chosen) || stoodFor(f, chosen)).findFirst())
                .or(() -> designs.stream().min(Comparator.comparing(SiteFile::addedAt)));
    }

    /** Whether a file has taken the place of the one that was chosen. */
    private boolean stoodFor(SiteFile file, UUID chosen) {
        return files.earlier(file).stream().anyMatch(e -> e.id().equals(chosen));
    }
}
