package verge.app.problem;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Properties;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** All that people read in one list: spelled alike, set alike, and each thing by one name. */
class WordsTest {
    private static final Path RESOURCES = Path.of("src/main/resources");
    private static final Pattern MARKUP = Pattern.compile("<!--.*?-->|<script.*?</script>|<style.*?</style>|<(?:\"[^\"]*\"|[^>\"])*>",
            Pattern.DOTALL);
    private static final Pattern READ_ALOUD = Pattern.compile("(?:aria-label|placeholder|title|alt)=\"([^\"]*)\"");
    private static final Pattern SAID =
            Pattern.compile(
            "\\b(?:say|textContent\\s*=|setAttribute\\('aria-label',)\\s*\\(?\\s*(?:'((?:[^'\\\\]|\\\\.)*)'|`([^`]*)`)(?:,"
            + "\\s*(?:'((?:[^'\\\\]|\\\\.)*)'|`([^`]*)`))?");

    private static List<String> words;

    private record Source(Path file, String text) {
    }

    private static Stream<Source> sources(String under, String suffix) {
        try {
            return Files.walk(RESOURCES.resolve(under)).filter(f -> f.toString().endsWith(suffix)).map(f -> new Source(f, read(f))).toList()
                    .stream();
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    private static String read(Path file) {
        try {
            return Files.readString(file, StandardCharsets.UTF_8);
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    /** Each with where it stands, for whoever has to mend it. */
    private static List<String> words() throws IOException {
        if (words == null) {
            List<String> all = new ArrayList<>();
            Properties messages = new Properties();
            messages.load(new StringReader(read(RESOURCES.resolve("messages.properties"))));
            messages.forEach((key, text) -> all.add(key + ": " + text));
            sources("templates", ".html").forEach(source -> {
                MARKUP.splitAsStream(source.text()).map(String::strip).filter(t -> t.matches("(?s).*\\p{L}.*"))
                        .forEach(t -> all.add(source.file().getFileName() + ": " + t.replaceAll("\\s+", " ")));
                READ_ALOUD.matcher(source.text()).results().filter(m -> !m.group(1).contains("$"))
                        .forEach(m -> all.add(source.file().getFileName() + ": " + m.group(1)));
            });
            sources("static/js", ".js").forEach(source -> {
                Matcher said = SAID.matcher(source.text());
                while (said.find()) {
                    for (int i = 1; i <= 4; i++) {
                        if (said.group(i) != null) {
                            all.add(source.file().getFileName() + ": " + said.group(i).replaceAll("\\$\\{[^}]*}", "0"));
                        }
                    }
                }
            });
            words = all;
        }
        return words;
    }

    @Test
    void thereIsAListOfThem() throws IOException {
        assertThat(words()).hasSizeGreaterThan(3_000);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '~', value = {
            "American spelling~(?i)\\b(colors?|colored|center|meters?|localiz\\w*|gray|analyz\\w*|neighbor\\w*)\\b",
            "a typewriter's apostrophe or quotation marks~\\p{L}'\\p{L}|\"\\p{L}",
            "three points for an ellipsis~\\.\\.\\.",
            "a hyphen for a dash~\\p{L} - \\p{L}",
            "two blanks~\\p{L}  \\p{L}",
            "a blank before a stop~\\p{L} [;!?](?:\\s|$)",
            "a unit joined to its figure~(?<![\\w.#\u2019-])\\d+(mm|cm|m|km|ft|gon|ppm|hPa)(?![\\w\u00b2\u00b3])",
            "words that nobody says aloud~(?i)\\b(fix anew|say it anew|is taken up|nothing does|let go of|invalid "
            + "input|please|e\\.g\\.|i\\.e\\.|resp\\.)(?![\\p{L}])",
            "one thing by two names~(?i)\\b(fieldbook|total-station|back-sight|work ?bench|stakeout|hand ?over "
            + "report|walkround|set-up|log-?in|login|logout)\\b",
    })
    void noneIsWrittenOtherwise(String what, String pattern) throws IOException {
        Pattern unfit = Pattern.compile(pattern);
        assertThat(words().stream().filter(text -> unfit.matcher(text.substring(text.indexOf(": ") + 2)).find())).as(what).isEmpty();
    }
}
