package verge.app.coding;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.job.JobService;
import verge.app.journal.ValueJson;
import verge.core.coding.Code;
import verge.core.coding.Codebook;
import verge.core.drawing.Role;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.formats.codebook.CodebookLayout;
import verge.formats.codebook.CodebookReader;
import verge.formats.codebook.CodebookWriter;
import verge.formats.reading.Watch;

/** The tables of codes: the site's own together, if it has any, else the general one. */
@Service
public class Codebooks {
    private static final Codebook NOTHING_MADE = new Codebook("", List.of());
    private static final int MOST_KEPT = 50;
    private static final String MADE_IN_THE_FIELD = "codes-made-in-the-field.json";

    private final JobService jobs;
    private final SiteFileService files;
    private final ValueJson json;
    private final Cache<String, CodebookReader.Result> read = Caffeine.newBuilder().maximumSize(MOST_KEPT).build();

    Codebooks(JobService jobs, SiteFileService files, ValueJson json) {
        this.json = json;
        this.jobs = jobs;
        this.files = files;
    }

    /**
     * The codes a job works with: those of all books of its site. A code that several have means what the book added last says; what was
     * made or changed in the field was said last of all. A site without a book from the office has the general one.
     */
    public Codebook of(UUID job) {
        List<SiteFile> books = books(jobs.job(job).siteId()).toList();
        Codebook made = books.stream().filter(Codebooks::isMadeInTheField).findFirst().map(this::look).map(CodebookReader.Result::book)
                .orElse(NOTHING_MADE);
        List<Codebook> given = books.stream().filter(f -> !isMadeInTheField(f)).map(this::look).map(CodebookReader.Result::book)
                .filter(b -> !b.rows().isEmpty()).toList();
        return (given.isEmpty() ? Codebook.general() : Codebook.together(given)).amended(made);
    }

    private Stream<SiteFile> books(UUID site) {
        return files.of(site).stream().filter(f -> f.role().equals(Optional.of(Role.CODEBOOK)))
                .sorted(Comparator.comparing(SiteFile::addedAt).reversed());
    }

    private static boolean isMadeInTheField(SiteFile file) {
        return file.name().equals(MADE_IN_THE_FIELD);
    }

    /**
     * Keeps a code as it is made or changed in the field: in a book of the site of its own, each change a new version of it, so that the
     * office sees what was made and its own books stay as they are.
     */
    public synchronized void keep(UUID job, Codebook.Row row, String person) {
        UUID site = jobs.job(job).siteId();
        Optional<SiteFile> before = books(site).filter(Codebooks::isMadeInTheField).findFirst();
        List<Codebook.Row> rows = new ArrayList<>(before.map(this::look).map(CodebookReader.Result::book).orElse(NOTHING_MADE).rows());
        rows.removeIf(r -> r.code().equals(row.code()));
        rows.add(row);
        // told in the title: a version is never the same file as an earlier one
        int version = before.map(file -> files.earlier(file).size() + 2).orElse(1);
        byte[] written = CodebookWriter.json(new Codebook("Made in the field, version " + version, rows)).getBytes(StandardCharsets.UTF_8);
        SiteFile now = files.add(site, MADE_IN_THE_FIELD, new ByteArrayInputStream(written), person);
        files.decide(site, now.id(), Role.CODEBOOK, null);
        before.ifPresent(file -> files.replace(site, file.id(), now.id()));
    }

    /**
     * What a book is held against before it is used: its own version before; without one, what the job measures with now. Beside other
     * books it takes no code away, so only those that it has itself are held against it.
     */
    public Codebook before(UUID job, SiteFile file) {
        Optional<SiteFile> own = files.earlier(file).stream().findFirst();
        if (own.isPresent()) {
            return look(own.get()).book();
        }
        Codebook inUse = of(job);
        Set<Code> codes = look(file).book().rows().stream().map(Codebook.Row::code).collect(Collectors.toSet());
        return books(file.siteId()).findAny()
                .isEmpty() ? inUse : new Codebook(inUse.title(), inUse.rows().stream().filter(row -> codes.contains(row.code())).toList());
    }

    /**
     * A file as a table of codes, with its faults; as was said of it, else, until somebody does, as of the version before.
     *
     * @throws SurveyException FILE_DAMAGED or FILE_UNREADABLE
     */
    public CodebookReader.Result look(SiteFile file) {
        return look(file, file.codesReading()
                .or(() -> file.role().isEmpty() ? files.older(file).flatMap(SiteFile::codesReading) : Optional.empty())
                .map(text -> json.read(text, CodebookLayout.class)));
    }

    /** As text, to be kept with a file. */
    public String text(CodebookLayout layout) {
        return json.text(layout);
    }

    /** A file read by a layout that somebody chooses. @throws SurveyException FILE_DAMAGED or FILE_UNREADABLE */
    public CodebookReader.Result look(SiteFile file, Optional<CodebookLayout> layout) {
        return read.get(file.sha256() + file.name() + layout, key -> {
            try {
                return CodebookReader.read(files.path(file), layout, Watch.none(file.name()));
            } catch (IOException failed) {
                throw new SurveyException(Problem.FILE_UNREADABLE, file.name());
            }
        });
    }
}
