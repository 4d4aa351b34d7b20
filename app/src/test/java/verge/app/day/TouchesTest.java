package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Test;
import verge.app.support.VergeServer;

/** No piece of work takes more touches or more letters than the table says; whoever lets one grow writes there why. */
class TouchesTest extends InBrowser {
    static final Path TABLE = Path.of("../docs/touches.md");

    TouchesTest(VergeServer.Running verge) {
        super(verge);
    }

    /** @param why it takes as many; empty where that needs no words */
    private record Row(int touches, int letters, String why) {
        static Row of(String[] cells) {
            return new Row(Integer.parseInt(cells[2].strip()), Integer.parseInt(cells[3].strip()), cells[4].strip());
        }
    }

    private static Map<String, Row> table() throws IOException {
        return Files.readAllLines(TABLE).stream().map(line -> line.split("\\|", -1))
                .filter(c -> c.length == 6 && c[2].strip().matches("\\d+"))
                .collect(Collectors.toMap(c -> c[1].strip(), Row::of));
    }

    @Test
    void noPieceOfWorkTakesMoreThanItDid() throws IOException {
        Map<String, Row> table = table();
        List<PiecesOfWork.Done> all = new PiecesOfWork(verge, browser).all();
        assertThat(table).containsOnlyKeys(all.stream().map(PiecesOfWork.Done::work).toArray(String[]::new));
        SoftAssertions each = new SoftAssertions();
        for (PiecesOfWork.Done piece : all) {
            Row row = table.get(piece.work());
            each.assertThat(piece.cost().touches()).as("touches to: " + piece.work()).isLessThanOrEqualTo(row.touches());
            each.assertThat(piece.cost().letters()).as("letters to: " + piece.work()).isLessThanOrEqualTo(row.letters());
            each.assertThat(row.why().isEmpty() && row.touches() > 6).as(piece.work() + " says why it takes so many").isFalse();
        }
        each.assertAll();
    }
}
