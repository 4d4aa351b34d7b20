package verge.app.journal;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import verge.core.chapters.Chapters;
import verge.core.journal.Amendment;
import verge.core.journal.Chapter;
import verge.core.journal.Payload;
import verge.core.settings.Geoids;

/**
 * One file for each kind of entry and version that was ever written, as it lies in a journal. It reads to the same value for ever: what it
 * says today stands beside it, where it is said otherwise today.
 */
class GoldenPayloadsTest {
    private static final Path FOLDER = Path.of("src/test/resources/golden");
    private static final PayloadJson JSON = new PayloadJson();

    static Stream<String> kinds() {
        return JSON.kinds().stream().sorted();
    }

    @ParameterizedTest
    @MethodSource("kinds")
    void whatWasEverWrittenReadsToTheSameForEver(String kind) throws IOException {
        Path golden = FOLDER.resolve(kind.replace('/', '-') + ".json");
        Path today = FOLDER.resolve(kind.replace('/', '-') + ".today.json");
        assertThat(golden).as("a golden file for " + kind).exists();
        String[] parts = kind.split("/");
        PayloadJson.Written again = JSON.write(JSON.read(new PayloadJson.Written(parts[0], Integer.parseInt(parts[1]), Files.readString(golden))));
        assertThat(again.kind()).isEqualTo(parts[0]);
        assertThat(again.json()).isEqualTo(Files.readString(Files.exists(today) ? today : golden));
        assertThat((again.kind() + "/" + again.version()).equals(kind)).as("said as it was written").isEqualTo(!Files.exists(today));
    }

    /** Every kind has its chapter, and none is forgotten in the list. */
    @Test
    void everyKindIsReckoned() throws IOException {
        assertThat(Chapters.all(Geoids.NONE)).extracting(Chapter::kind).doesNotHaveDuplicates().map(c -> (Object) c)
                .containsExactlyInAnyOrderElementsOf(JSON.types().stream().filter(t -> !Amendment.class.isAssignableFrom(t)).map(t -> (Object) t).toList());
        assertThat(JSON.types()).allMatch(Payload.class::isAssignableFrom);
    }
}
