package verge.app.importing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.Reader;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import verge.app.drawing.DrawingLibrary;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.job.Job;
import verge.app.journal.JournalService;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.core.check.SiteContent;
import verge.core.drawing.Drawing;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.points.NamedPosition;
import verge.core.settings.JobGeodesy;

/**
 * A folder of files as they come, each with what is expected beside it: read, read with notes, asked first, or refused. They go in by a
 * person's door, and count as a person would let them count.
 *
 * <p>In the file beside: {@code outcome}; {@code answer}, the choice made where it is asked, or 'offered' for the first way that the page
 * offers; {@code points}, all of them, as name, northing, easting and height with what stands behind, '-' for no height and '=' for
 * latitude and longitude; {@code lines}, how many; {@code describes}, what is kept of a point besides; {@code says}, words on the page.
 */
@ExtendWith(VergeServer.class)
class AwkwardFilesTest {
    private static final Path FOLDER = Path.of("src/test/resources/awkward");
    private static final String EXPECTED = ".expected";
    private static final Pattern OFFERED = Pattern.compile("doubt\">.*?href=\"[^\"]*?\\?([^\"]*)\"", Pattern.DOTALL);

    private final VergeServer.Running verge;

    AwkwardFilesTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    static Stream<String> files() throws IOException {
        try (Stream<Path> all = Files.list(FOLDER)) {
            return all.map(p -> p.getFileName().toString()).filter(n -> !n.endsWith(EXPECTED)).sorted().toList().stream();
        }
    }

    @ParameterizedTest
    @MethodSource("files")
    void comesToWhatIsExpected(String name) throws Exception {
        Properties expected = new Properties();
        try (Reader beside = Files.newBufferedReader(FOLDER.resolve(name + EXPECTED))) {
            expected.load(beside);
        }
        Job job = Jobs.elsewhere(verge);
        Visitor visitor = Visitor.signedIn(verge);
        HttpResponse<String> page = visitor.upload("/jobs/" + job.id() + "/prepare/files", name, Files.readAllBytes(FOLDER.resolve(name)));
        String path = page.uri().getPath();
        while (page.statusCode() == 200 && (!"role=DESIGN".equals(page.uri().getQuery()) || page.body().contains("<title>Reading"))) {
            page = visitor.get(path + "?role=DESIGN");
        }
        assertThat(outcome(page)).as(said(page)).isEqualTo(expected.getProperty("outcome"));
        for (String word : words(expected, "says")) {
            assertThat(page.body()).contains(word);
        }
        Map<String, String> answer = answer(expected.getProperty("answer", ""), page.body());
        answer.put("role", "DESIGN");
        HttpResponse<String> used = visitor.post(path, answer);
        SiteFile file = verge.bean(SiteFileService.class).of(job.siteId()).stream().findFirst().orElse(null);
        if (outcome(page).equals("refused")) {
            assertThat(used.statusCode()).isGreaterThanOrEqualTo(400);
            assertThat(file == null || file.role().isEmpty()).as("a refused file counts").isTrue();
            return;
        }
        assertThat(used.statusCode()).as(used.body()).isEqualTo(200);
        JobGeodesy geodesy = verge.bean(JournalService.class).state(job.id()).geodesy();
        Drawing placed = verge.bean(DrawingLibrary.class).placedNow(file, geodesy, Optional.empty()).drawing();
        compare(placed, words(expected, "points"), geodesy);
        for (String described : words(expected, "describes")) {
            String[] nameAndWords = described.split(" ", 2);
            assertThat(placed.spots().flatMap(s -> SiteContent.point(s).stream()).filter(p -> p.name().text().equals(nameAndWords[0]))
                    .map(NamedPosition::description)).containsExactly(nameAndWords[1]);
        }
        if (expected.containsKey("lines")) {
            assertThat(placed.runs()).hasSize(Integer.parseInt(expected.getProperty("lines")));
        }
    }

    /** What a page says, for somebody who looks at a failing test. */
    private static String said(HttpResponse<String> page) {
        String body = page.body().substring(Math.max(0, page.body().indexOf("id=\"bench\"")));
        return body.replaceAll("<[^>]*>", " ").replaceAll("\\s+", " ");
    }

    private static String[] words(Properties expected, String key) {
        return Arrays.stream(expected.getProperty(key, "").split(";")).map(String::strip).filter(w -> !w.isEmpty()).toArray(String[]::new);
    }

    private static String outcome(HttpResponse<String> page) {
        String body = page.body();
        return page.statusCode() != 200 || body.contains("nothing can be taken on") || body.contains("No column is chosen") ? "refused"
                : body.contains("said mx-0 asked") ? "asked" : body.contains("class=\"faults\"") ? "notes" : "read";
    }

    private static Map<String, String> answer(String said, String page) {
        Map<String, String> answer = new HashMap<>();
        Matcher offered = OFFERED.matcher(page);
        String query = !said.equals("offered") ? said : offered.find() ? offered.group(1).replace("&amp;", "&") : "";
        Arrays.stream(query.split("&")).map(p -> p.split("=", 2)).filter(p -> p.length == 2)
                .forEach(p -> answer.put(p[0], p[1].replace("%3A", ":")));
        return answer;
    }

    private static void compare(Drawing placed, String[] points, JobGeodesy geodesy) {
        if (points.length == 0) {
            return;
        }
        Map<String, NamedPosition> found = new HashMap<>();
        placed.spots().flatMap(s -> SiteContent.point(s).stream()).forEach(p -> found.put(p.name().text(), p));
        assertThat(found.keySet()).containsExactlyInAnyOrder(Arrays.stream(points).map(p -> p.split(" ")[0]).toArray(String[]::new));
        for (String point : points) {
            List<String> parts = List.of(point.split(" ", 5));
            NamedPosition is = found.get(parts.get(0));
            GridPoint plan = parts.get(1).startsWith("=") ? geodesy.projection().orElseThrow()
                    .grid(Geographic.ofDegrees(Double.parseDouble(parts.get(1).substring(1)), Double.parseDouble(parts.get(2))))
                    : new GridPoint(Double.parseDouble(parts.get(1)), Double.parseDouble(parts.get(2)));
            assertThat(is.position().plan().distanceMetres(plan)).as(point).isCloseTo(0, within(0.001));
            if (parts.size() > 3) {
                assertThat(is.position().elevation().map(Elevation::metres).orElse(Double.NaN)).as(point).satisfies(h -> {
                    if (parts.get(3).equals("-")) {
                        assertThat(h).isNaN();
                    } else {
                        assertThat(h).isCloseTo(Double.parseDouble(parts.get(3)), within(0.001));
                    }
                });
            }
            if (parts.size() > 4) {
                assertThat((is.code().text() + " " + is.description()).strip()).as(point).isEqualTo(parts.get(4));
            }
        }
    }
}
