package verge.app.journal;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import verge.app.pole.PrismTable;
import verge.app.support.Books;
import verge.app.support.VergeServer;
import verge.core.chapters.Chapters;
import verge.core.journal.Amendment;
import verge.core.journal.Chapter;
import verge.core.journal.Entry;
import verge.core.settings.Geoids;
import verge.core.units.Figures;
import verge.core.units.LengthUnit;

/**
 * One file for each kind of entry and version that was ever written, as it lies in a journal. It reads to the same value for ever: what it
 * says today stands beside it, where it is said otherwise today.
 */
@ExtendWith(VergeServer.class)
class GoldenPayloadsTest {
    private static final Path FOLDER = Path.of("src/test/resources/golden");
    private static final String TODAY = ".today.json";
    /** A further sample of a version, with a choice in it that the first one does not make: settings-3.localised.json. */
    private static final String ANOTHER_SHAPE = ".*-\\d+\\.\\w+\\.json";

    private final PayloadJson json;
    private final EntryKinds kinds;
    private final EntryWords words;

    GoldenPayloadsTest(VergeServer.Running verge) {
        json = verge.bean(PayloadJson.class);
        kinds = verge.bean(EntryKinds.class);
        words = verge.bean(EntryWords.class);
    }

    static Stream<Path> golden() throws IOException {
        try (Stream<Path> all = Files.list(FOLDER)) {
            return all.filter(f -> !f.toString().endsWith(TODAY)).sorted().toList().stream();
        }
    }

    @ParameterizedTest
    @MethodSource("golden")
    void whatWasEverWrittenReadsToTheSameForEver(Path golden) throws IOException {
        String kind = golden.getFileName().toString().replaceAll("-(\\d+)(\\.\\w+)?\\.json", "/$1");
        Path today = golden.resolveSibling(golden.getFileName().toString().replace(".json", TODAY));
        String[] parts = kind.split("/");
        PayloadJson.Written again = json.write(
                json.read(new PayloadJson.Written(parts[0], Integer.parseInt(parts[1]), Files.readString(golden))));
        assertThat(again.kind()).isEqualTo(parts[0]);
        assertThat(again.json()).isEqualTo(Files.readString(Files.exists(today) ? today : golden));
        assertThat((again.kind() + "/" + again.version()).equals(kind)).as("said as it was written").isEqualTo(!Files.exists(today));
    }

    /** A golden file for each version, a chapter for each kind, and none forgotten. */
    @Test
    void everyKindIsGuardedAndReckoned() throws IOException {
        assertThat(golden().map(f -> f.getFileName().toString()).filter(f -> !f.matches(ANOTHER_SHAPE)))
                .containsExactlyInAnyOrderElementsOf(
                kinds.all().flatMap(k -> IntStream.rangeClosed(1, k.version()).mapToObj(version -> k.name() + "-" + version + ".json"))
                .toList());
        assertThat(kinds.all()).allSatisfy(k -> assertThat(k.earlier().keySet()).as(k.name())
                .containsExactlyInAnyOrderElementsOf(IntStream.range(1, k.version()).boxed().toList()));
        assertThat(Chapters.all(Geoids.NONE).stream().<Object>map(Chapter::kind)).doesNotHaveDuplicates()
                .containsExactlyInAnyOrderElementsOf(kinds.all().filter(k -> !Amendment.class.isAssignableFrom(k.type()))
                .<Object>map(EntryKind::type).toList());
    }

    /** Of each kind something can be corrected in its place, or said anew; except of what only amends, ends or takes up. */
    @Test
    void everyKindCanBePutRight() throws IOException {
        Set<String> onlyStruck = Set.of("struck", "restored", "reworked", "leaf-closed", "leaf-reopened");
        Books book = new Books(Figures.metric());
        for (EntryKind<?> kind : kinds.all().filter(k -> !onlyStruck.contains(k.name()) && k.version() > 0).toList()) {
            Entry entry = book.add(json.read(new PayloadJson.Written(kind.name(), kind.version(),
                    Files.readString(FOLDER.resolve(kind.name() + "-" + kind.version() + ".json")))));
            List<? extends Value<?>> values = words.values(book.journal(), entry).toList();
            assertThat(values.isEmpty()).as(kind.name()).isEqualTo(!words.saidAnew(entry).isEmpty());
            assertThat(values).extracting(Value::field).as(kind.name()).doesNotHaveDuplicates();
            assertThat(words.corrected(book.journal(), entry, Map.of(), null)).as("untouched, it stays").isEqualTo(entry.payload());
            for (Value<?> value : values) {
                Map<String, String> same = Map.of(value.field(), value.now() + " ");
                Typed typed = new Typed(book.journal().state().settings(), text -> PrismTable.constant(text.strip(), LengthUnit.METRE));
                assertThat(words.corrected(book.journal(), entry, same, typed)).as(kind.name() + " " + value.field()).isNotNull();
            }
        }
    }
}
