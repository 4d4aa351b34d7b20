package verge.app.coding;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.job.JobService;
import verge.core.coding.Code;
import verge.core.coding.Codebook;
import verge.core.drawing.Role;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.formats.codebook.CodebookReader;
import verge.formats.reading.Watch;

/** The tables of codes: the site's own together, if it has any, else the general one. */
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

    /** The codes a job works with: those of all books of its site. A code that several have means what the book added last says. */
    public Codebook of(UUID job) {
        List<Codebook> books = files.of(jobs.job(job).siteId()).stream().filter(f -> f.role().equals(Optional.of(Role.CODEBOOK))).sorted(Comparator.comparing(SiteFile::addedAt).reversed())
                .map(this::look).map(CodebookReader.Result::book).filter(b -> !b.rows().isEmpty()).toList();
        return books.isEmpty() ? Codebook.general() : Codebook.together(books);
    }

    /**
     * What a book is held against before it is used: its own version before; without one, what the job measures with now. Beside other books it
     * takes no code away, so only those that it has itself are held against it.
     */
    public Codebook before(UUID job, SiteFile file) {
        Optional<SiteFile> own = files.earlier(file).stream().findFirst();
        if (own.isPresent()) {
            return look(own.get()).book();
        }
        Codebook inUse = of(job);
        Set<Code> codes = look(file).book().rows().stream().map(Codebook.Row::code).collect(Collectors.toSet());
        return inUse.equals(Codebook.general()) ? inUse : new Codebook(inUse.title(), inUse.rows().stream().filter(row -> codes.contains(row.code())).toList());
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
