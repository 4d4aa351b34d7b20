package verge.app.importing;

import io.swagger.v3.oas.annotations.Operation;
import java.io.IOException;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import verge.app.drawing.DrawingLibrary;
import verge.app.drawing.PlacedFile;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.core.check.SiteContent;
import verge.core.drawing.FileCoordinates;
import verge.core.drawing.Role;
import verge.core.geodesy.GridPoint;
import verge.core.job.JobState;
import verge.core.plan.Extent;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.PlanAxes;
import verge.formats.reading.Report;

/** Files of a site, for programs. */
@RestController
@RequestMapping("/api/v1/sites/{site}/files")
class FileApi {
    private final SiteFileService files;
    private final ImportService imports;
    private final DrawingLibrary library;
    private final JobService jobs;
    private final JournalService journals;
    private final FileReportView reports;
    private final FirstLook firstLook;

    FileApi(SiteFileService files, ImportService imports, DrawingLibrary library, JobService jobs, JournalService journals,
            FileReportView reports, FirstLook firstLook) {
        this.files = files;
        this.imports = imports;
        this.library = library;
        this.jobs = jobs;
        this.journals = journals;
        this.reports = reports;
        this.firstLook = firstLook;
    }

    /** @param role null until one was given */
    record FileBody(UUID id, String name, String sha256, long bytes, Role role, Instant addedAt, String addedBy,
            List<UUID> earlierVersions) {
    }

    /** @param where the first of them is */
    record LeftOutBody(String kind, String why, int count, String where, String words) {
    }

    /** @param text of the row, for a table */
    record PassedBody(String kind, String why, String where, String words, String text) {
    }

    /**
     * What speaks against how a file is read.
     *
     * @param instead the parameters that read it otherwise, such as system=lat-lon&order=NORTH_EAST; empty if no other way is known
     */
    record DoubtBody(String wrong, String means, String next, String instead) {
    }

    /**
     * What was read of a file.
     *
     * @param doubts what the walk-round finds about it, the worst first
     * @param passed all that was left out or read in part, one by one, up to 10 000
     * @param kind such as DXF, whatever its name says
     * @param read how many of which kind
     * @param extent where most of it lies, in metres of the job's grid; null if nowhere
     */
    record ReportBody(FileBody file, String kind, Map<String, Integer> read, List<LeftOutBody> leftOut, List<PassedBody> passed,
            List<String> layers, String unit, PlanAxes.Order order,
            FileCoordinates.Heights heights, Extent extent, GridPoint middle, List<DoubtBody> doubts) {
    }

    @Operation(summary = "The files of a site that count", description = "Each in its latest version.")
    @GetMapping
    List<FileBody> list(@PathVariable UUID site) {
        return files.of(jobs.site(site).id()).stream().map(this::body).toList();
    }

    @Operation(summary = "Add a file to a site",
            description = "Role: CONTROL, REGISTER, DESIGN, UNDERLAY or CODEBOOK. Unit, order, senses, heights and system are needed "
            + "only where the file does not say them or says them wrongly. The job is the one in whose grid it lies and which takes "
                    + "control on; without it, the site's "
            + "latest. With 'replaces', the file counts in place of an earlier one. A file that cannot be used is not kept.")
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    ReportBody add(@PathVariable UUID site, @RequestParam MultipartFile file, @ParameterObject FileChoice choice,
            @RequestParam Optional<UUID> job, @RequestParam Optional<UUID> replaces,
            Principal person) throws IOException {
        UUID own = job.orElseGet(() -> latest(site));
        Author author = Author.ofProgram(person.getName());
        SiteFile kept = files.add(jobs.site(site).id(), file.getOriginalFilename(), file.getInputStream(), person.getName());
        boolean known = kept.role().isPresent();
        try {
            if (replaces.isPresent()) {
                imports.supersede(own, files.file(site, replaces.get()), kept, choice, author);
            } else {
                imports.use(own, kept, choice, author);
            }
        } catch (SurveyException refused) {
            if (!known) {
                files.forget(files.file(site, kept.id()));
            }
            throw refused;
        }
        return report(site, kept.id(), Optional.of(own));
    }

    @Operation(summary = "What was read of a file, what not and why",
            description = "Placed in the grid of the job given, else of the site's latest.")
    @GetMapping("/{file}/report")
    ReportBody report(@PathVariable UUID site, @PathVariable UUID file, @RequestParam Optional<UUID> job) {
        SiteFile own = files.file(site, file);
        if (own.role().equals(Optional.of(Role.CODEBOOK))) {
            return new ReportBody(body(own), "codebook", Map.of(), List.of(), List.of(), List.of(), null, null, null, null, null,
                    List.of());
        }
        UUID seenFrom = job.orElseGet(() -> latest(site));
        JobState state = journals.state(seenFrom);
        PlacedFile placed = library.placedNow(own, state.geodesy(), Optional.empty());
        placed.refused().ifPresent(refused -> {
            throw refused;
        });
        Extent box = placed.content().map(SiteContent::placed).map(s -> s.most()).filter(b -> !b.isEmpty()).orElse(null);
        return new ReportBody(body(own), placed.read().orElseThrow().kind().title(), placed.read().get().report().read(),
                placed.read().get().report().leftOut().stream()
                .map(l -> new LeftOutBody(l.kind(), l.why().name(), l.count(), l.where(), reports.words(l))).toList(),
                placed.read().get().report().passed().stream()
                .map(p -> new PassedBody(p.kind(), p.why().name(), p.where(), reports.words(p), p.row().map(Report.Row::text).orElse("")))
                .toList(),
                placed.drawing().layers().stream().map(l -> l.name()).toList(), placed.coordinates().unit().symbol(),
                placed.coordinates().axes().order(),
                placed.coordinates().heights(), box, box == null ? null : box.middle(),
                own.role().map(role -> firstLook.at(seenFrom, placed, role, state)).orElse(List.of()).stream()
                        .map(d -> new DoubtBody(d.said().wrong(), d.said().means(), d.said().next(), d.query())).toList());
    }

    private UUID latest(UUID site) {
        return jobs.jobs(site).stream().findFirst().map(Job::id)
                .orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "a job of this site"));
    }

    private FileBody body(SiteFile f) {
        return new FileBody(f.id(), f.name(), f.sha256(), f.bytes(), f.role().orElse(null), f.addedAt(), f.addedBy(),
                files.earlier(f).stream().map(SiteFile::id).toList());
    }
}
