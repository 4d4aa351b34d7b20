package verge.app.files;

import java.io.InputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import verge.core.drawing.Role;
import verge.core.enclosure.Original;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** The files of a site: kept byte for byte in the data directory, each once. */
@Service
public class SiteFileService {
    private final SiteFileRepository files;
    private final Originals originals;
    private final ApplicationEventPublisher events;

    SiteFileService(SiteFileRepository files, Originals originals, ApplicationEventPublisher events) {
        this.files = files;
        this.originals = originals;
        this.events = events;
    }

    public List<SiteFile> of(UUID site) {
        return files.findBySiteIdAndReplacedByIsNullOrderByName(site);
    }

    /** The earlier versions of a file, latest first. */
    public List<SiteFile> earlier(SiteFile file) {
        List<SiteFile> found = new ArrayList<>();
        for (List<SiteFile> next = files.findByReplacedByOrderByAddedAtDesc(file.id()); !next.isEmpty();
                next = files.findByReplacedByOrderByAddedAtDesc(next.get(0).id())) {
            found.addAll(next);
        }
        return List.copyOf(found);
    }

    /** A file of the same name that counts and that this one could take the place of. */
    public Optional<SiteFile> older(SiteFile file) {
        return files.findBySiteIdAndNameIgnoreCaseAndReplacedByIsNull(file.siteId(), file.name()).stream()
                .filter(f -> !f.id().equals(file.id()))
                .filter(f -> f.role().isPresent()).max(Comparator.comparing(SiteFile::addedAt));
    }

    /** Says what a file is and how it is read. */
    @Transactional
    public void decide(UUID site, UUID id, Role role, String reading) {
        SiteFile file = file(site, id);
        file.become(role);
        file.readAs(reading);
        files.save(file);
        changed(site);
    }

    /** Lets a newer file count instead of an older one, in the same role. */
    @Transactional
    public void replace(UUID site, UUID older, UUID newer) {
        SiteFile before = file(site, older);
        SiteFile now = file(site, newer);
        if (older.equals(newer) || before.replacedBy().isPresent() || now.replacedBy().isPresent()) {
            throw new SurveyException(Problem.NOT_FOUND, before.name());
        }
        before.giveWayTo(newer);
        if (now.role().isEmpty()) {
            now.become(before.role().orElse(null));
        }
        now.readAs(before);
        files.saveAll(List.of(before, now));
        changed(site);
    }

    /** Tells whoever looks at the site's jobs; once the change is in the database, if one is under way. */
    public void changed(UUID site) {
        events.publishEvent(new SiteChanged(site));
    }

    /** @throws SurveyException NOT_FOUND if the site has no such file */
    public SiteFile file(UUID site, UUID id) {
        return files.findById(id).filter(f -> f.siteId().equals(site)).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, id));
    }

    public Path path(SiteFile file) {
        return path(file.sha256());
    }

    /** Where the bytes of a digest are. */
    public Path path(String sha256) {
        return originals.path(sha256);
    }

    /** Takes a file off the list again; its bytes stay for jobs that name them. */
    public void forget(SiteFile file) {
        files.delete(file);
        changed(file.siteId());
    }

    /**
     * Keeps a file. The same bytes under the same name are kept once.
     *
     * @throws SurveyException FILE_EMPTY, FILE_TOO_LARGE, DISK_FULL
     */
    public SiteFile add(UUID site, String originalName, InputStream content, String person) {
        Original original = originals.keep(originalName, content, (file, name) -> { });
        return listed(site, original, person);
    }

    private SiteFile listed(UUID site, Original original, String person) {
        Supplier<SiteFile> found = () -> files.findBySiteIdAndNameAndSha256(site, original.name(), original.sha256()).orElse(null);
        SiteFile before = found.get();
        try {
            return before != null ? before
                    : files.saveAndFlush(new SiteFile(site, original.name(), original.sha256(), original.bytes(), person));
        } catch (DataIntegrityViolationException addedInTheSameMoment) {
            return found.get();
        }
    }
}
