package verge.app.journal;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Map;
import java.util.Properties;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Under which names the core's choices stand in journals: names of the format's own, whatever the constants are called. */
final class ChoiceNames {
    private static final String CORE = "verge.core.";
    private static final Properties NAMES = read();

    private ChoiceNames() {
    }

    private static Properties read() {
        Properties names = new Properties();
        try (InputStream in = ChoiceNames.class.getResourceAsStream("choices.properties")) {
            names.load(new InputStreamReader(in, StandardCharsets.UTF_8));
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
        return names;
    }

    /**
     * The constants of a kind by their names in journals.
     *
     * @throws IllegalStateException if one has no name, or two have the same
     */
    static <E extends Enum<E>> Map<String, E> of(Class<E> kind) {
        return Arrays.stream(kind.getEnumConstants()).collect(Collectors.toUnmodifiableMap(ChoiceNames::of, Function.identity()));
    }

    static String of(Enum<?> constant) {
        String key = constant.getDeclaringClass().getName().replace('$', '.').substring(CORE.length()) + "." + constant.name();
        String name = NAMES.getProperty(key);
        if (name == null) {
            throw new IllegalStateException(key + " has no name in journals");
        }
        return name;
    }
}
