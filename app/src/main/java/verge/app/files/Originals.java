package verge.app.files;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.regex.Pattern;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import verge.core.enclosure.Original;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Files as they came, byte for byte in the data directory, each once under its digest. */
@Component
public class Originals {
    private static final int LONGEST_NAME = 120;
    /** A journal or a document of somebody else may say anything where a digest belongs, a way out of this directory too. */
    private static final Pattern DIGEST = Pattern.compile("[0-9a-f]{64}");

    private final IncomingFiles incoming;
    private final Path directory;

    Originals(IncomingFiles incoming, @Value("${verge.data}") Path data) throws IOException {
        this.incoming = incoming;
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

    /** Where the bytes of a digest are. */
    public Path path(String sha256) {
        return directory.resolve(DIGEST.matcher(sha256).matches() ? sha256 : "no digest");
    }

    /**
     * The bytes of an original.
     *
     * @throws SurveyException ORIGINAL_ELSEWHERE if they are not here, as of a journal that was written elsewhere
     */
    public Path require(Original original) {
        Path path = path(original.sha256());
        if (!Files.exists(path)) {
            throw new SurveyException(Problem.ORIGINAL_ELSEWHERE, original.name());
        }
        return path;
    }

    /** Looks at a file before it is kept. */
    @FunctionalInterface
    public interface Look {
        /** @throws SurveyException if it is not to be kept */
        void at(Path file, String name) throws IOException;
    }

    /**
     * Keeps a file; when this returns, a power cut loses nothing of it.
     *
     * @param sentName the name that it was sent with, whatever path stands before it
     * @throws SurveyException FILE_EMPTY, FILE_TOO_LARGE, DISK_FULL, or as the look does; nothing is kept then
     */
    public Original keep(String sentName, InputStream content, Look look) {
        String name = plainName(sentName);
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            Path taken = incoming.take(new DigestInputStream(content, digest));
            try {
                long bytes = Files.size(taken);
                if (bytes == 0) {
                    throw new SurveyException(Problem.FILE_EMPTY, name);
                }
                look.at(taken, name);
                Original original = new Original(HexFormat.of().formatHex(digest.digest()), name, bytes);
                IncomingFiles.keep(taken, path(original.sha256()));
                return original;
            } finally {
                Files.deleteIfExists(taken);
            }
        } catch (IOException failed) {
            throw new SurveyException(String.valueOf(failed.getMessage())
                    .contains("No space left") ? Problem.DISK_FULL : Problem.FILE_UNREADABLE, name);
        } catch (NoSuchAlgorithmException everyPlatformHasIt) {
            throw new IllegalStateException(everyPlatformHasIt);
        }
    }

    /** The last part of whatever path a browser sent, without control characters. */
    private static String plainName(String original) {
        String last = original == null ? "" : original.substring(Math.max(original.lastIndexOf('/'), original.lastIndexOf('\\')) + 1);
        String clean = last.replaceAll("\\p{Cntrl}", "").strip();
        return clean.isEmpty() ? "unnamed" : clean.substring(0, Math.min(clean.length(), LONGEST_NAME));
    }
}
