package verge.app.enclosure;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;

/** What kind of recording a file is, by its first bytes: what a browser plays is never what somebody only called so. */
final class Recording {
    private static final int FIRST_BYTES = 12;

    private Recording() {
    }

    /** Empty for what is none. */
    static Optional<String> mediaType(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            String first = new String(in.readNBytes(FIRST_BYTES), StandardCharsets.ISO_8859_1);
            return first.startsWith("\u001aE\u00df\u00a3") ? Optional.of("audio/webm") : first.startsWith("OggS") ? Optional.of("audio/ogg")
                    : first.startsWith("RIFF") && first.endsWith("WAVE") ? Optional.of("audio/wav") : first.startsWith("ftyp", 4)
                    ? Optional.of("audio/mp4") : Optional.empty();
        }
    }

    /** What files of a kind are called after their name. */
    static String suffix(String mediaType) {
        return mediaType.substring(mediaType.indexOf('/') + 1);
    }
}
