package verge.app.day;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;

/** Where a bench says its figures: to the file that the command names, apart from whatever else is said meanwhile. */
final class Bench {
    private Bench() {
    }

    static void say(String format, Object... arguments) throws IOException {
        String line = String.format(format, arguments) + System.lineSeparator();
        Optional<String> file = Optional.ofNullable(System.getenv("VERGE_BENCH_FIGURES"));
        if (file.isPresent()) {
            Files.writeString(Path.of(file.get()), line, StandardOpenOption.CREATE, StandardOpenOption.APPEND);
        } else {
            System.out.print(line);
        }
    }
}
