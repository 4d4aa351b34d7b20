package verge.app.importing;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.app.files.SiteFileService;
import verge.app.job.Job;
import verge.app.journal.JournalService;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.core.drawing.Role;

/** Broken files through the door a person uses: a page every time, never the page of an error of ours, and nothing half taken on. */
@ExtendWith(VergeServer.class)
class BrokenUploadsTest {
    private static final Path SAMPLES = Path.of("../formats/src/test/resources/samples");
    private static final int FILES = 25;

    private final VergeServer.Running verge;

    BrokenUploadsTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @ParameterizedTest
    @ValueSource(strings = {"yard-2018.dxf", "yard.geojson", "shore.kml", "shore.kmz", "yard.gpkg", "lamps.zip", "causeway.xml"})
    void everyAnswerIsInWords(String sample) throws Exception {
        Visitor visitor = Visitor.signedIn(verge);
        Job job = Jobs.elsewhere(verge);
        byte[] whole = Files.readAllBytes(SAMPLES.resolve(sample));
        Random chance = new Random(sample.length());
        for (int i = 0; i < FILES; i++) {
            long began = System.nanoTime();
            HttpResponse<String> page = visitor.upload("/jobs/" + job.id() + "/prepare/files", i + "-" + sample, broken(whole, chance));
            assertThat(page.statusCode()).as("%s %d", sample, i).isIn(200, 422);
            if (page.statusCode() == 200) {
                HttpResponse<String> used = visitor.post(page.uri().getPath(), Map.of("role", i % 2 == 0 ? "DESIGN" : "CONTROL"));
                assertThat(used.statusCode()).as("%s %d used", sample, i).isIn(200, 409, 422);
            } else {
                assertThat(page.body()).doesNotContain("Something went wrong inside Verge");
            }
            assertThat(Duration.ofNanos(System.nanoTime() - began)).isLessThan(Duration.ofSeconds(5));
        }
        List<String> pages = List.of("/prepare", "/walk-round", "/sketch", "/stake", "/compute/inverse?from=T1&to=T2");
        for (String path : pages) {
            assertThat(visitor.get("/jobs/" + job.id() + path).statusCode()).as(path).isEqualTo(200);
        }
        assertThat(takenOn(job.id())).as("points come only from files that were used")
                .isSubsetOf(verge.bean(SiteFileService.class).of(job.siteId()).stream()
                .filter(f -> f.role().filter(Role.CONTROL::equals).isPresent()).map(f -> f.name()).toList());
        assertThat(verge.bean(JournalService.class).rebuild(job.id())).matches(JournalService.Rebuilt::isSound);
    }

    private List<String> takenOn(UUID job) {
        var state = verge.bean(JournalService.class).state(job);
        return state.points().all().map(p -> state.points().fileOf(p.entry()).orElseThrow()).distinct().toList();
    }

    private static byte[] broken(byte[] whole, Random chance) {
        byte[] bytes = whole.clone();
        for (int changes = 1 + chance.nextInt(3); changes > 0; changes--) {
            int at = chance.nextInt(bytes.length);
            if (chance.nextInt(3) == 0) {
                bytes = Arrays.copyOf(bytes, Math.max(9, at));
            } else {
                bytes[Math.min(at, bytes.length - 1)] = (byte) chance.nextInt(256);
            }
        }
        return bytes;
    }
}
