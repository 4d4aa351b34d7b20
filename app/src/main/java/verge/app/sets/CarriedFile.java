package verge.app.sets;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.importing.FileChoice;
import verge.app.importing.ImportService;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.core.drawing.FileUnit;
import verge.core.drawing.Role;
import verge.core.geodesy.Elevation;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.points.StoredPoint;
import verge.core.sets.MarkCarried;

/**
 * The register file of marks that a job has carried on: so that every other job of the site sees them. Each mark that joins makes a newer
 * version, which takes the older one's place; nothing is overwritten.
 */
@Component
class CarriedFile {
    private final JournalService journals;
    private final JobService jobs;
    private final SiteFileService files;
    private final ImportService imports;

    CarriedFile(JournalService journals, JobService jobs, SiteFileService files, ImportService imports) {
        this.journals = journals;
        this.jobs = jobs;
        this.files = files;
        this.imports = imports;
    }

    void write(UUID job, Author author) {
        Job owner = jobs.job(job);
        String name = "marks carried on, " + owner.name() + ".csv";
        Optional<SiteFile> older = files.of(owner.siteId()).stream()
                .filter(f -> f.name().equals(name) && f.role().equals(Optional.of(Role.REGISTER))).findFirst();
        byte[] content = content(journals.journal(job)).getBytes(StandardCharsets.UTF_8);
        SiteFile newer = files.add(owner.siteId(), name, new ByteArrayInputStream(content), author.person());
        if (older.isEmpty()) {
            imports.use(job, newer, new FileChoice(Role.REGISTER, FileUnit.METRE, null, null, null, null, null, "comma", null, true,
                    List.of("NAME", "NORTHING", "EASTING", "ELEVATION", "CODE"), null, null), author);
        } else if (!older.get().id().equals(newer.id())) {
            imports.replace(job, older.get(), newer, author);
        }
    }

    private static String content(Journal journal) {
        return "Name,Northing,Easting,Elevation,Code\n" + journal.entries().stream().filter(e -> e.payload() instanceof MarkCarried)
                .map(Entry::id)
                .flatMap(id -> journal.state().points().of(id).stream()).map(CarriedFile::line).collect(Collectors.joining());
    }

    private static String line(StoredPoint p) {
        return String.format(Locale.ROOT, "%s,%.4f,%.4f,%s,%s%n", p.name().text(), p.position().plan().northing(),
                p.position().plan().easting(),
                p.position().elevation().map(Elevation::metres).map(h -> String.format(Locale.ROOT, "%.4f", h)).orElse(""),
                p.code().text());
    }
}
