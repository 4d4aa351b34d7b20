package verge.formats.reading;

import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Enumeration;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.zip.CRC32;
import java.util.zip.CheckedInputStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * A ZIP archive that is not trusted: names that lead out of it, more entries or bytes than an office's file has, and entries that swell
 * beyond reason are refused before anything of them is used. Nothing is ever unpacked under a name that the archive gives.
 */
public final class Archive implements AutoCloseable {
    private static final int MOST_ENTRIES = 2_000;
    private static final long MOST_BYTES = 400_000_000;
    /** Plain text of figures shrinks to a tenth, at times to a thirtieth; what swells more is made to. */
    private static final long MOST_SWELLING = 100;
    private static final long SWELLING_MINDED_FROM = 10_000_000;

    private final ZipFile zip;
    private final Watch watch;
    private final String fileName;
    private final Set<String> checked = new HashSet<>();
    private final long packed;

    private Archive(ZipFile zip, Watch watch, long packed) {
        this.zip = zip;
        this.watch = watch;
        this.fileName = watch.fileName();
        this.packed = packed;
    }

    /** @throws SurveyException FILE_DAMAGED, FILE_ARCHIVE_UNSAFE or FILE_TOO_MUCH */
    public static Archive open(Path file, Watch watch) throws IOException {
        ZipFile zip;
        try {
            zip = new ZipFile(file.toFile());
        } catch (ZipException | IllegalArgumentException broken) {
            throw watch.damaged("the archive's list of contents");
        }
        try {
            Archive archive = new Archive(zip, watch, Files.size(file));
            archive.check();
            return archive;
        } catch (SurveyException refused) {
            zip.close();
            throw refused;
        }
    }

    private void check() {
        if (zip.size() > MOST_ENTRIES) {
            throw new SurveyException(Problem.FILE_TOO_MUCH, fileName, "entries", MOST_ENTRIES);
        }
        Enumeration<? extends ZipEntry> entries = zip.entries();
        while (entries.hasMoreElements()) {
            String name = entries.nextElement().getName();
            if (name.startsWith("/") || name.startsWith("\\") || name.matches("^[A-Za-z]:.*")
                    || name.matches("(.*[/\\\\])?\\.\\.([/\\\\].*)?")) {
                throw new SurveyException(Problem.FILE_ARCHIVE_UNSAFE, fileName, name);
            }
        }
    }

    /** The first entry with an ending, in the order of the archive. */
    public Optional<String> first(String ending) {
        return first(name -> name.toLowerCase(Locale.ROOT).endsWith(ending));
    }

    public Optional<String> first(Predicate<String> wanted) {
        return zip.stream().filter(e -> !e.isDirectory()).map(ZipEntry::getName).filter(wanted).findFirst();
    }

    /** All entries but those that are read. */
    public List<String> others(Predicate<String> read) {
        return zip.stream().filter(e -> !e.isDirectory()).map(ZipEntry::getName).filter(read.negate()).toList();
    }

    /** All entries with an ending. */
    public List<String> all(String ending) {
        return zip.stream().filter(e -> !e.isDirectory()).map(ZipEntry::getName).filter(n -> n.toLowerCase(Locale.ROOT).endsWith(ending))
                .toList();
    }

    /**
     * An entry's bytes, once all of them are known to be what was packed: whoever reads them may stop before the end, where the checksum
     * would tell.
     *
     * @throws SurveyException FILE_DAMAGED if they are not, FILE_ARCHIVE_UNSAFE past what may be
     */
    public InputStream bytes(String entry) throws IOException {
        ZipEntry packedAs = zip.getEntry(entry);
        if (checked.add(entry)) {
            CheckedInputStream all = new CheckedInputStream(bounded(entry), new CRC32());
            try (all) {
                long length = all.transferTo(OutputStream.nullOutputStream());
                if (length != packedAs.getSize() || all.getChecksum().getValue() != packedAs.getCrc()) {
                    throw watch.damaged(entry + " within it");
                }
            } catch (ZipException | EOFException broken) {
                throw watch.damaged(entry + " within it");
            }
        }
        return bounded(entry);
    }

    private InputStream bounded(String entry) throws IOException {
        return new CountedBytes(zip.getInputStream(zip.getEntry(entry)), read -> {
            watch.goOn();
            if (read > MOST_BYTES || read > SWELLING_MINDED_FROM && read > MOST_SWELLING * packed) {
                throw new SurveyException(Problem.FILE_ARCHIVE_UNSAFE, fileName, entry);
            }
        });
    }

    /** What an archive is for: KML of the earth, or the parts of a shapefile. */
    static FileKind kind(Path file) throws IOException {
        try (ZipFile zip = new ZipFile(file.toFile())) {
            boolean kml = zip.stream().anyMatch(e -> e.getName().toLowerCase(Locale.ROOT).endsWith(".kml"));
            boolean shape = zip.stream().anyMatch(e -> e.getName().toLowerCase(Locale.ROOT).endsWith(".shp"));
            return shape ? FileKind.SHAPEFILE : kml ? FileKind.KMZ : FileKind.ZIP;
        } catch (ZipException | IllegalArgumentException broken) {
            String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
            return name.endsWith(".kmz") ? FileKind.KMZ : FileKind.ZIP;
        }
    }

    @Override
    public void close() throws IOException {
        zip.close();
    }
}
