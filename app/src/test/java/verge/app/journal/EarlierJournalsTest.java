package verge.app.journal;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.app.support.VergeServer;
import verge.core.chapters.Chapters;
import verge.core.geodesy.Uncertainty;
import verge.core.journal.Entry;
import verge.core.points.StoredPoint;
import verge.core.settings.Geoids;

/**
 * Whole journals as earlier versions of Verge wrote them, with the points that they came to then: a line an entry, a line a point, figures
 * as the bits of their doubles. They come to the same for ever.
 */
@ExtendWith(VergeServer.class)
class EarlierJournalsTest {
    private static final Path FOLDER = Path.of("src/test/resources/journals");
    private final VergeServer.Running verge;

    EarlierJournalsTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @ParameterizedTest
    @ValueSource(strings = {"yard", "a-day", "sets", "leaves", "floors-and-corrections"})
    void comesToTheSameCoordinates(String name) throws IOException {
        List<Entry> entries = new ArrayList<>();
        for (String line : Files.readAllLines(FOLDER.resolve(name + ".journal"))) {
            String[] parts = line.split("\t", 6);
            String[] kind = parts[4].split("/");
            entries.add(new Entry(UUID.fromString(parts[0]), entries.size() + 1L, Instant.parse(parts[1]), parts[2], parts[3],
                    verge.bean(PayloadJson.class).read(new PayloadJson.Written(kind[0], Integer.parseInt(kind[1]), parts[5]))));
        }
        assertThat(Chapters.replay(entries, verge.bean(Geoids.class)).state().points().all().map(EarlierJournalsTest::line))
                .containsExactlyElementsOf(Files.readAllLines(FOLDER.resolve(name + ".points")));
    }

    private static String line(StoredPoint p) {
        return String.join("\t", p.entry().toString(), p.name().text(), p.code().text(), p.origin().name(),
                bits(p.position().plan().northing()), bits(p.position().plan().easting()),
                p.position().elevation().map(h -> bits(h.metres())).orElse("-"), p.sigma().map(EarlierJournalsTest::bits).orElse("-"),
                p.staked().map(s -> bits(s.north().metres()) + " " + bits(s.east().metres())).orElse("-"));
    }

    private static String bits(Uncertainty s) {
        return bits(s.north().metres()) + " " + bits(s.east().metres()) + " " + bits(s.up().metres());
    }

    private static String bits(double figure) {
        return Long.toHexString(Double.doubleToRawLongBits(figure));
    }
}
