package verge.app.problem;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.Map;
import java.util.Properties;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import verge.core.check.Finding;
import verge.core.problem.Problem;

/** Whoever says that something is wrong gives all that its words speak of: no message shows a bare number in braces. */
class MessageArgumentsTest {
    private static final Pattern SPOKEN_OF = Pattern.compile("\\{(\\d+)");
    private static final Pattern WORDS = Pattern.compile("Words\\.of\\(\"([^\"]+)\"");
    private static final Pattern SAID = Pattern.compile("new SurveyException\\(Problem\\.(\\w+)|Finding\\.of\\(Kind\\.(\\w+)");

    /** How many arguments the words of each problem or finding speak of. */
    private static Map<String, Integer> wanted() throws IOException {
        Properties messages = messages();
        Map<String, Integer> wanted = new HashMap<>();
        messages.stringPropertyNames().stream().filter(k -> k.matches("(problem|finding)\\.\\w+\\.\\w+"))
                .forEach(key -> wanted.merge(key.substring(0, key.lastIndexOf('.')), spokenOf(messages.getProperty(key)), Math::max));
        return wanted;
    }

    private static Properties messages() throws IOException {
        Properties messages = new Properties();
        try (InputStream in = Problem.class.getResourceAsStream("/messages.properties")) {
            messages.load(new InputStreamReader(in, StandardCharsets.UTF_8));
        }
        return messages;
    }

    private static int spokenOf(String words) {
        return SPOKEN_OF.matcher(words).results().mapToInt(m -> Integer.parseInt(m.group(1)) + 1).max().orElse(0);
    }

    @Test
    void benchesAndDoubtsGiveExactlyWhatTheirWordsSpeakOf() throws IOException {
        Properties messages = messages();
        int[] looked = {0};
        try (Stream<Path> sources = sources("app")) {
            sources.forEach(source -> {
                String text = read(source);
                Matcher said = WORDS.matcher(text);
                while (said.find()) {
                    looked[0]++;
                    if (said.group(1).endsWith(".")) {   // the rest of the key is a constant's name
                        assertThat(messages.stringPropertyNames()).as(source.toString()).anyMatch(key -> key.startsWith(said.group(1)));
                        continue;
                    }
                    assertThat(messages).as(source.toString()).containsKey(said.group(1));
                    assertThat(given(text, said.end())).as("%s in %s", said.group(1), source)
                            .isEqualTo(spokenOf(messages.getProperty(said.group(1))));
                }
            });
        }
        assertThat(looked[0]).isGreaterThan(250);
    }

    @Test
    void everyProblemAndFindingThatIsSaidIsSaidWhole() throws IOException {
        Map<String, Integer> wanted = wanted();
        int[] looked = {0};
        try (Stream<Path> sources = Stream.of("core", "formats", "instruments", "app").flatMap(MessageArgumentsTest::sources)) {
            sources.forEach(source -> {
                String text = read(source);
                Matcher said = SAID.matcher(text);
                while (said.find()) {
                    String key = said.group(1) != null ? "problem." + said.group(1) : "finding." + said.group(2);
                    looked[0]++;
                    assertThat(wanted).as("%s in %s", key, source).containsKey(key);
                    assertThat(given(text, said.end())).as("%s in %s", key, source).isGreaterThanOrEqualTo(wanted.get(key));
                }
            });
        }
        assertThat(looked[0]).isGreaterThan(500);
    }

    @Test
    void everyProblemAndEveryFindingHasWords() throws IOException {
        assertThat(wanted().keySet()).containsAll(Stream.concat(Stream.of(Problem.values()).map(p -> "problem." + p),
                Stream.of(Finding.Kind.values()).map(k -> "finding." + k)).toList());
    }

    private static Stream<Path> sources(String module) {
        try {
            return Files.walk(Path.of("..", module, "src", "main", "java")).filter(p -> p.toString().endsWith(".java"));
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    private static String read(Path source) {
        try {
            return Files.readString(source);
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    /** How many arguments follow, up to the bracket that closes. */
    private static int given(String text, int from) {
        int depth = 0;
        int commas = 0;
        boolean quoted = false;
        for (int i = from; depth >= 0; i++) {
            char c = text.charAt(i);
            if (c == '\\') {
                i++;
            } else if (c == '"' || c == '\'' && !quoted && text.charAt(i + 2) == '\'') {
                quoted = c == '"' && !quoted;
                i += c == '"' ? 0 : 2;
            } else if (!quoted) {
                depth += c == '(' || c == '[' || c == '{' ? 1 : c == ')' || c == ']' || c == '}' ? -1 : 0;
                commas += c == ',' && depth == 0 ? 1 : 0;
            }
        }
        return commas;
    }
}
