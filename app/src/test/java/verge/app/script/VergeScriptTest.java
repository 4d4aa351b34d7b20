package verge.app.script;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The start script where it needs nothing built: what it says and how it ends. */
class VergeScriptTest {
    @TempDir
    private Path data;

    private record Ended(int code, String said) {
    }

    @Test
    void helpListsEveryCommand() throws Exception {
        Ended help = run("help");
        assertThat(help.code()).isZero();
        assertThat(help.said()).contains("demo", "start", "stop", "status", "reset-demo", "rebuild", "test", "pictures", "bench", "--data",
                "--port");
    }

    @ParameterizedTest
    @CsvSource({"dance, 2, verge COMMAND", "demo --speed, 1, unknown option --speed", "status --data, 1, --data needs a directory"})
    void whatItDoesNotKnowIsSaid(String words, int code, String said) throws Exception {
        Ended ended = run(words.split(" "));
        assertThat(ended.code()).isEqualTo(code);
        assertThat(ended.said()).contains(said);
    }

    @Test
    void whereNothingRunsStatusAndStopSaySo() throws Exception {
        assertThat(run("status", "--data", data.toString())).isEqualTo(new Ended(3, "verge: not running with " + data + "\n"));
        assertThat(run("stop", "--data", data.toString())).isEqualTo(new Ended(0, "verge: not running with " + data + "\n"));
    }

    /** After a power cut the number in the file may be anybody's. */
    @Test
    void aProcessThatIsNotVergesIsLeftAlone() throws Exception {
        Process somebody = new ProcessBuilder("sleep", "60").start();
        Files.writeString(data.resolve("app.pid"), somebody.pid() + "\n");
        run("stop", "--data", data.toString());
        assertThat(somebody.isAlive()).isTrue();
        assertThat(data.resolve("app.pid")).doesNotExist();
        somebody.destroy();
    }

    private static Ended run(String... words) throws IOException, InterruptedException {
        Path script = Path.of("../verge").toAbsolutePath().normalize();
        Process process = new ProcessBuilder(Stream.concat(Stream.of(script.toString()), Stream.of(words)).toList())
                .redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        return new Ended(process.waitFor(), said);
    }
}
