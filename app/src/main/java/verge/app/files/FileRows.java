package verge.app.files;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;
import verge.formats.text.BoundedLines;

/** In which row of a file of text a name stands first. */
@Component
public class FileRows {
    private static final int LONGEST_LINE = 100_000;
    private static final int MOST_REMEMBERED = 1_000;
    /** A file with a nought byte among its first is none of text. */
    private static final int LOOKED_AT = 1_000;

    private final SiteFileService files;
    private final Cache<Sought, Optional<Long>> found = Caffeine.newBuilder().maximumSize(MOST_REMEMBERED).build();

    FileRows(SiteFileService files) {
        this.files = files;
    }

    private record Sought(String sha256, String name) {
    }

    /** Counted from 1, headings included; empty if the file is not there any more, is no text, or writes the name otherwise. */
    public Optional<Long> of(String sha256, String name) {
        return sha256.isEmpty() ? Optional.empty() : found.get(new Sought(sha256, name), this::find);
    }

    private Optional<Long> find(Sought sought) {
        Path file = files.path(sought.sha256());
        Pattern cell = Pattern.compile("(^|[\\s,;\"'|])" + Pattern.quote(sought.name()) + "($|[\\s,;\"'|])");
        try (InputStream bytes = Files.newInputStream(file)) {
            if (!isText(file)) {
                return Optional.empty();
            }
            Reader text = new InputStreamReader(bytes, StandardCharsets.UTF_8);
            BoundedLines lines = new BoundedLines(text, LONGEST_LINE);
            for (String line = lines.next(); line != null; line = lines.next()) {
                if (cell.matcher(line).find()) {
                    return Optional.of(lines.number());
                }
            }
        } catch (IOException | RuntimeException unreadable) {   // a trace is told without it
            return Optional.empty();
        }
        return Optional.empty();
    }

    private static boolean isText(Path file) throws IOException {
        try (InputStream bytes = Files.newInputStream(file)) {
            for (byte b : bytes.readNBytes(LOOKED_AT)) {
                if (b == 0) {
                    return false;
                }
            }
        }
        return true;
    }
}
