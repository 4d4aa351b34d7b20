package verge.app.files;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import verge.core.drawing.Role;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** The files of a site: kept byte for byte in the data directory, each once. */
@Service
public class SiteFileService {
    private static final int LONGEST_NAME = 120;

    private final SiteFileRepository files;
    private final IncomingFiles incoming;
    private final ApplicationEventPublisher events;
    private final Path directory;

    SiteFileService(SiteFileRepository files, IncomingFiles incoming, ApplicationEventPublisher events, @Value("${verge.data}") Path data) throws IOException {
        this.files = files;
        this.incoming = incoming;
        this.events = events;
        this.directory = Files.createDirectories(data.resolve("files"));
        clear();
    }

    /** What an earlier version took in here and did not bring to its end. */
    private void clear() throws IOException {
        try (DirectoryStream<Path> left = Files.newDirectoryStream(directory, "incoming*.part")) {
            for (Path file : left) {
                Files.deleteIfExists(file);
            }
        }
    }

    public List<SiteFile> of(UUID site) {
        return files.findBySiteIdAndReplacedByIsNullOrderByName(site);
    }

    /** The earlier versions of a file, latest first. */
    public List<SiteFile> earlier(SiteFile file) {
        List<SiteFile> found = new ArrayList<>();
        for (List<SiteFile> next = files.findByReplacedByOrderByAddedAtDesc(file.id()); !next.isEmpty(); next = files.findByReplacedByOrderByAddedAtDesc(next.get(0).id())) {
            found.addAll(next);
        }
        return List.copyOf(found);
    }

    /** A file of the same name that counts and that this one could take the place of. */
    public Optional<SiteFile> older(SiteFile file) {
        return files.findBySiteIdAndNameIgnoreCaseAndReplacedByIsNull(file.siteId(), file.name()).stream().filter(f -> !f.id().equals(file.id()))
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
        if (now.reading().isEmpty()) {
            now.readAs(before.reading().orElse(null));
        }
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
        return directory.resolve(sha256);
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
        String name = plainName(originalName);
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            Path taken = incoming.take(new DigestInputStream(content, digest));
            try {
                long bytes = Files.size(taken);
                if (bytes == 0) {
                    throw new SurveyException(Problem.FILE_EMPTY, name);
                }
                String sha256 = HexFormat.of().formatHex(digest.digest());
                IncomingFiles.keep(taken, path(sha256));
                return listed(site, name, sha256, bytes, person);
            } finally {
                Files.deleteIfExists(taken);
            }
        } catch (IOException failed) {
            throw new SurveyException(String.valueOf(failed.getMessage()).contains("No space left") ? Problem.DISK_FULL : Problem.FILE_UNREADABLE, name);
        } catch (NoSuchAlgorithmException everyPlatformHasIt) {
            throw new IllegalStateException(everyPlatformHasIt);
        }
    }

    private SiteFile listed(UUID site, String name, String sha256, long bytes, String person) {
        Supplier<SiteFile> found = () -> files.findBySiteIdAndNameAndSha256(site, name, sha256).orElse(null);
        SiteFile before = found.get();
        try {
            return before != null ? before : files.saveAndFlush(new SiteFile(site, name, sha256, bytes, person));
        } catch (DataIntegrityViolationException addedInTheSameMoment) {
            return found.get();
        }
    }

    /** The last part of whatever path a browser sent, without control characters. */
    private static String plainName(String original) {
        String last = original == null ? "" : original.substring(Math.max(original.lastIndexOf('/'), original.lastIndexOf('\\')) + 1);
        String clean = last.replaceAll("\\p{Cntrl}", "").strip();
        return clean.isEmpty() ? "unnamed" : clean.substring(0, Math.min(clean.length(), LONGEST_NAME));
    }
}
