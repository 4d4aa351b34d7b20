package verge.app.coding;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.util.Comparator;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.job.JobService;
import verge.core.coding.Codebook;
import verge.core.drawing.Role;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.formats.codebook.CodebookReader;
import verge.formats.reading.Watch;

/** The tables of codes: the site's own, if it has one, else the general one. */
@Service
public class Codebooks {
    private static final int MOST_KEPT = 50;

    private final JobService jobs;
    private final SiteFileService files;
    private final Cache<String, CodebookReader.Result> read = Caffeine.newBuilder().maximumSize(MOST_KEPT).build();

    Codebooks(JobService jobs, SiteFileService files) {
        this.jobs = jobs;
        this.files = files;
    }

    /** The codes a job works with: the book that was added to its site last. */
    public Codebook of(UUID job) {
        Optional<SiteFile> own = files.of(jobs.job(job).siteId()).stream().filter(f -> f.role().equals(Optional.of(Role.CODEBOOK))).max(Comparator.comparing(SiteFile::addedAt));
        return own.map(this::look).map(CodebookReader.Result::book).filter(b -> !b.rows().isEmpty()).orElseGet(Codebook::general);
    }

    /** A file as a table of codes, with its faults. @throws SurveyException FILE_DAMAGED or FILE_UNREADABLE */
    public CodebookReader.Result look(SiteFile file) {
        return read.get(file.sha256() + file.name(), key -> {
            try {
                return CodebookReader.read(files.path(file), Watch.none(file.name()));
            } catch (IOException failed) {
                throw new SurveyException(Problem.FILE_UNREADABLE, file.name());
            }
        });
    }
}
