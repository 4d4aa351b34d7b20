package verge.app.files;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.file.FileStore;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.util.function.Function;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.InputStreamSource;
import org.springframework.stereotype.Component;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * What comes in, on its way into the data directory: taken from the wire into a file beside its place, bounded by what a file may have and
 * by what the disk has left. What a killed upload left behind goes at the next start.
 */
@Component
public class IncomingFiles {
    private static final Logger LOG = LoggerFactory.getLogger(IncomingFiles.class);
    private static final long LARGEST_BYTES = 256L << 20;
    /** Kept free for the journal, which must never be what finds the disk full. */
    private static final long SPARE_BYTES = 256L << 20;
    private static final int CHUNK = 1 << 16;

    private final Path directory;

    IncomingFiles(@Value("${verge.data}") Path data) throws IOException {
        directory = Files.createDirectories(data.resolve("incoming"));
        clear(Instant.now());
    }

    /** Whatever is older than this process belongs to one that was killed. */
    private void clear(Instant before) throws IOException {
        try (Stream<Path> left = Files.list(directory)) {
            for (Path file : left.filter(Files::isRegularFile).toList()) {
                if (Files.getLastModifiedTime(file).toInstant().isBefore(before) && Files.deleteIfExists(file)) {
                    LOG.info("{} was left by an upload that was cut off; it is gone now", file.getFileName());
                }
            }
        }
    }

    /** Does something with what streams in, kept for as long as that takes. */
    public <T> T with(InputStream content, Function<InputStreamSource, T> deed) {
        Path file = null;
        try {
            file = take(content);
            return deed.apply(new FileSystemResource(file));
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        } finally {
            delete(file);
        }
    }

    private static void delete(Path file) {
        try {
            if (file != null) {
                Files.deleteIfExists(file);
            }
        } catch (IOException stays) {
            LOG.warn("{} could not be deleted; the next start does it", file, stays);
        }
    }

    /**
     * Takes a stream into a file of this directory.
     *
     * @throws SurveyException FILE_TOO_LARGE, DISK_FULL; nothing is left then
     */
    Path take(InputStream content) throws IOException {
        FileStore disk = Files.getFileStore(directory);
        Path file = Files.createTempFile(directory, "taken", ".part");
        try (InputStream in = content; var out = Files.newOutputStream(file)) {
            byte[] chunk = new byte[CHUNK];
            long bytes = 0;
            for (int n = in.read(chunk); n >= 0; n = in.read(chunk)) {
                bytes += n;
                if (bytes > LARGEST_BYTES) {
                    throw new SurveyException(Problem.FILE_TOO_LARGE, LARGEST_BYTES >> 20);
                }
                if (disk.getUsableSpace() < SPARE_BYTES) {
                    throw new SurveyException(Problem.DISK_FULL);
                }
                out.write(chunk, 0, n);
            }
            return file;
        } catch (IOException | RuntimeException failed) {
            delete(file);
            throw failed;
        }
    }

    /** Puts a taken file in its place for good: when this returns, a power cut loses neither its bytes nor its name. */
    static void keep(Path taken, Path place) throws IOException {
        flush(taken, StandardOpenOption.WRITE);
        Files.move(taken, place, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        flush(place.getParent(), StandardOpenOption.READ);
    }

    private static void flush(Path path, StandardOpenOption how) throws IOException {
        try (FileChannel channel = FileChannel.open(path, how)) {
            channel.force(true);
        }
    }
}
