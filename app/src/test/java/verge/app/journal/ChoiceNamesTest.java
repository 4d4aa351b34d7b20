package verge.app.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalStateException;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.node.StringNode;

/** Every name under which a choice ever stood in a journal reads for ever, and is written again as it was. */
class ChoiceNamesTest {
    private enum Unnamed { ONE }

    static Stream<String> everWritten() throws IOException {
        return Files.readAllLines(Path.of("src/test/resources/wire/choices.txt")).stream();
    }

    @ParameterizedTest
    @MethodSource("everWritten")
    void eachNameStands(String line) throws ClassNotFoundException {
        List<String> words = Arrays.asList(line.split(" "));
        assertThat(names(kind(words.get(0)), words.subList(1, words.size()))).isEqualTo(words.subList(1, words.size()));
    }

    /** By dots alone nobody sees where the package ends: the first capital begins a class. */
    private static Class<?> kind(String dotted) throws ClassNotFoundException {
        return Class.forName("verge.core." + dotted.replaceAll("(\\.[A-Z]\\w*)\\.", "$1\\$"));
    }

    @SuppressWarnings({"unchecked", "rawtypes"})
    private static List<String> names(Class<?> kind, List<String> written) {
        Wire<Enum> wire = (Wire<Enum>) (Wire<?>) Wire.choice((Class) kind);
        return written.stream().map(name -> wire.write().apply(wire.read().apply(StringNode.valueOf(name))).stringValue()).toList();
    }

    /** Whoever adds a choice is made to name it: no constant is written as it happens to be called. */
    @Test
    void whatHasNoNameIsNotWritten() {
        assertThatIllegalStateException().isThrownBy(() -> ChoiceNames.of(Unnamed.class)).withMessageContaining("has no name");
    }
}
