package verge.core;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What our sources keep to that no compiler asks for. */
class SourcesTest {
    /** Wider lines are read by nobody. */
    private static final int WIDEST = 140;

    @Test
    void noLineIsWiderThanCanBeRead() throws IOException {
        List<String> wide = new ArrayList<>();
        for (String module : List.of("core", "formats", "instruments", "app")) {
            try (Stream<Path> files = Files.walk(Path.of("..", module, "src"))) {
                files.filter(f -> f.toString().endsWith(".java")).forEach(f -> lines(f, wide));
            }
        }
        assertThat(wide).isEmpty();
    }

    private static void lines(Path file, List<String> wide) {
        try {
            List<String> lines = Files.readAllLines(file);
            for (int i = 0; i < lines.size(); i++) {
                if (lines.get(i).length() > WIDEST) {
                    wide.add(file + ":" + (i + 1));
                }
            }
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }
}
