package verge.app.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.app.account.TokenService;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.importing.FileChoice;
import verge.app.importing.ImportService;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.core.coding.PointName;
import verge.core.drawing.Role;
import verge.core.fit.MarksFitted;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.journal.Entry;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.settings.JobSettings;
import verge.core.units.Figures;

/** The mason's seventeen marks onto the six that were found, one of which was moved; marks moved by values; and what cannot be fitted. */
@ExtendWith(VergeServer.class)
class FitOfMarksTest {
    private final VergeServer.Running verge;
    private Job job;
    private String mason;
    private Visitor visitor;

    FitOfMarksTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void foundMarks() throws Exception {
        job = Jobs.elsewhere(verge);
        SiteFile found = file("tower-marks-found.csv");
        verge.bean(ImportService.class).use(job.id(), found, FileChoice.of(Role.CONTROL), Author.atPage("surveyor"));
        mason = file("mason-grid.csv").id().toString();
        visitor = Visitor.signedIn(verge);
    }

    private SiteFile file(String name) throws IOException {
        try (InputStream in = getClass().getResourceAsStream("/demo/" + name)) {
            return verge.bean(SiteFileService.class).add(job.siteId(), name, in, "surveyor");
        }
    }

    private JobState state() {
        return verge.bean(JournalService.class).state(job.id());
    }

    private Position point(String name) {
        return state().points().own(new PointName(name)).map(StoredPoint::position).orElseThrow();
    }

    private String page(String part, Map<String, String> fields) throws Exception {
        return visitor.post("/jobs/" + job.id() + "/compute/fit/" + part, fields).body();
    }

    private HttpResponse<String> note(Map<String, String> fields) throws Exception {
        Map<String, String> all = new HashMap<>(Map.of("entry", UUID.randomUUID().toString(), "way", "PAIRS"));
        all.putAll(fields);
        return visitor.post("/jobs/" + job.id() + "/compute/fit/note", all);
    }

    private static final String TRUE_PAIRS = "M17 = S1\nM2 = S2\nM5 = S3\nM13 = S5\nM10 = S6";

    /** By itself: which is which, and which stone was moved; then all is written down, follows what was found, and is taken back. */
    @Test
    void sixOfSeventeenAreMatchedByThemselvesAndTheMovedStoneIsNamed() throws Exception {
        String proposed = page("proposed", Map.of("file", mason));
        assertThat(proposed).contains("5 agree within").contains("S4 lies near M8").doesNotContain("cannot be matched")
                .doesNotContain("mirror image").doesNotContain("in feet");
        assertThat(proposed.indexOf("M17 = S1")).isPositive();
        String worked = page("worked", Map.of("file", mason, "way", "PAIRS", "pairs", TRUE_PAIRS + "\nM8 = S4", "pattern", "*-fit"));
        assertThat(worked).contains("anticlockwise about").contains("not stretched").contains("Heights shifted by")
                .contains("Does not belong: M8 = S4").contains("not where they belong: 11").contains("17 points beside the 17")
                .contains("M1-fit, M2-fit");
        note(Map.of("file", mason, "pairs", TRUE_PAIRS + "\nM8 = S4 (out)", "pattern", "*-fit", "code", "PEG", "keep", "UNFOUND"));
        List<StoredPoint> fitted = state().points().all(Origin.COMPUTED).toList();
        assertThat(fitted).as("with the one whose stone was moved").hasSize(12);
        assertThat(point("M15-fit").elevation()).as("a missing height stays missing").isEmpty();
        assertThat(point("M4-fit").elevation().orElseThrow().metres()).isCloseTo(101.603 - 87.8, within(0.005));
        Entry entry = verge.bean(JournalService.class).journal(job.id()).entries().stream().filter(e -> e.payload() instanceof MarksFitted)
                .findFirst().orElseThrow();
        assertThat(visitor.get("/jobs/" + job.id() + "/book").body()).contains("fitted onto 6 found");
        assertThat(visitor.get("/jobs/" + job.id() + "/trace/" + entry.id()).body()).contains("anticlockwise").contains("off by");
        Position before = point("M15-fit");
        visitor.post("/jobs/" + job.id() + "/rework/" + entry.id(),
                Map.of("id", UUID.randomUUID().toString(), "plan5", "true", "reason", "it counts after all"));
        assertThat(point("M15-fit").plan().distanceMetres(before.plan())).isBetween(0.01, 0.1);
        visitor.post("/jobs/" + job.id() + "/book/" + entry.id() + "/strike", Map.of());
        assertThat(state().points().count(Origin.COMPUTED)).isZero();
    }

    /**
     * Each axis with its own scale, and in space: told with what is left over, kept, traced; a mark without a height has no place in space.
     */
    @Test
    void whoNeedsThemFitsWithMoreFreedom() throws Exception {
        String affine = page("worked", Map.of("file", mason, "way", "PAIRS", "pairs", TRUE_PAIRS, "freedom", "AFFINE"));
        assertThat(affine).contains("North turned").contains("east turned").contains("Plan: redundancy 4").contains("apart before");
        note(Map.of("file", mason, "pairs", TRUE_PAIRS, "freedom", "AFFINE", "pattern", "*-a"));
        assertThat(point("M1-a").plan().distanceMetres(point("S1").plan())).isLessThan(30);
        Entry entry = verge.bean(JournalService.class).journal(job.id()).entries().stream().filter(e -> e.payload() instanceof MarksFitted)
                .findFirst().orElseThrow();
        assertThat(visitor.get("/jobs/" + job.id() + "/trace/" + entry.id()).body()).contains("north turned").contains("off by");
        assertThat(page("worked", Map.of("file", mason, "way", "PAIRS", "pairs", TRUE_PAIRS, "freedom", "SPACE")))
                .contains("M3 has no elevation");
        assertThat(page("worked", Map.of("names", "S1 to S6", "way", "PAIRS", "pairs", "S1 = S1\nS2 = S2\nS3 = S3\nS5 = S5", "freedom",
                "SPACE"))).contains("tilted by").contains("In space: redundancy");
    }

    /**
     * What is fitted is staked in another job of the same system: there once, however often it is sent; what the other has keeps its name.
     */
    @Test
    void fittedMarksGoIntoAnotherJob() throws Exception {
        JobService jobs = verge.bean(JobService.class);
        Job other = jobs.make(job.siteId(), "Staking", state().settings(), Author.atPage("surveyor"));
        Job flat = jobs.make(job.siteId(), "Flat", JobSettings.flat(Figures.metric(), 1), Author.atPage("surveyor"));
        Map<String, String> fields = new HashMap<>(Map.of("entry", UUID.randomUUID().toString(), "file", mason, "pairs", TRUE_PAIRS,
                "pattern", "*-fit", "keep", "UNFOUND", "into", other.id().toString()));
        assertThat(page("worked", fields)).contains("12 points in Staking");
        for (int i = 0; i < 2; i++) {
            assertThat(note(fields).statusCode()).isEqualTo(200);
        }
        assertThat(verge.bean(JournalService.class).state(other.id()).points().all()
                .filter(p -> p.origin() == Origin.DESIGN && p.name().text().endsWith("-fit"))).hasSize(12);
        assertThat(state().points().all().noneMatch(p -> p.name().text().endsWith("-fit"))).isTrue();
        assertThat(verge.bean(JournalService.class).journal(job.id()).entries().stream().filter(e -> e.payload() instanceof MarksFitted))
                .hasSize(1);
        fields.put("entry", UUID.randomUUID().toString());
        assertThat(note(fields).body()).contains("12 of the names are taken");
        fields.put("into", flat.id().toString());
        assertThat(page("worked", fields)).contains("same coordinate system");
    }

    /** Turned, shifted and raised by what is typed, and back again: the old ones stay where they are. */
    @Test
    void pointsOfTheJobAreMovedByValuesAndBack() throws Exception {
        Map<String, String> there = Map.of("way", "VALUES", "names", "S1 to S6", "about", "S1", "rotation", "30", "toNorth", "2+1",
                "toEast", "-4", "rise", "0.5", "pattern", "*a");
        assertThat(page("worked", there)).contains("clockwise about S1").contains("6 points beside the 6");
        Position s1 = point("S1");
        note(there);
        assertThat(point("S1a").plan().distanceMetres(s1.plan().plus(3, -4))).isLessThan(1e-8);
        assertThat(point("S1a").elevation().orElseThrow().metres()).isCloseTo(s1.elevation().orElseThrow().metres() + 0.5, within(1e-9));
        note(Map.of("way", "VALUES", "names", "S1a, S2a, S3a", "about", "S1a", "rotation", "-30", "toNorth", "-3", "toEast", "4", "rise",
                "-0.5", "pattern", "b*"));
        assertThat(point("bS3a").plan().distanceMetres(point("S3").plan())).isLessThan(1e-7);
        assertThat(point("S1")).isEqualTo(s1);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"M1 = S1 | 1 pairs count in plan", "M1 - S1 | cannot be read", "nobody = S1 | nobody",
            "M1 = nobody | nobody", "M1 = S1~M1 = S2 | M1", "M1 = S1~M2 = S1 | one spot"})
    void whatCannotBeFittedIsSaidAndNothingIsLost(String pairs, String words) throws Exception {
        assertThat(page("worked", Map.of("file", mason, "way", "PAIRS", "pairs", pairs.replace("~", "\n"))).toLowerCase())
                .contains(words.toLowerCase()).doesNotContain("exception");
    }

    /** Names that are taken are refused before anything is stored; so are patterns that would give one name to all. */
    @Test
    void nothingIsOverwritten() throws Exception {
        Map<String, String> fit = new HashMap<>(Map.of("file", mason, "pairs", TRUE_PAIRS, "pattern", "*"));
        note(fit);
        int entries = verge.bean(JournalService.class).journal(job.id()).entries().size();
        assertThat(note(fit).body()).contains("are taken");
        fit.put("pattern", "mason");
        assertThat(note(fit).body()).contains("has no *");
        fit.put("pattern", "a name that is much too long *");
        assertThat(note(fit).statusCode()).isGreaterThanOrEqualTo(400);
        assertThat(verge.bean(JournalService.class).journal(job.id()).entries()).hasSize(entries);
    }

    /** By latitude and longitude of a published system, and by a plain grid; what lies beyond the marks is told. */
    @Test
    void programsLocalise() throws Exception {
        String token = verge.bean(TokenService.class).make("surveyor", "localising");
        String site = """
                {"system": "+proj=tmerc +lat_0=56.9 +lon_0=11.4 +k=1 +x_0=0 +y_0=0 +ellps=GRS80 +units=m", "settings": {"heights": "TILT"},
                 "pairs": [{"measured": {"geographic": [56.9, 11.4, 40]}, "control": {"place": [100, 200, 2]}}, {"measured": \
                {"geographic": [56.901, 11.4, 40]}, "control": {"place": [211.35, 200, 2.001]}},
                           {"measured": {"geographic": [56.9, 11.402, 40]}, "control": {"place": [100, 321.88, 2]}}, {"measured": \
                {"geographic": [56.901, 11.402, 40]}, "control": {"place": [211.35, 321.88, 2]}}],
                 "points": [{"name": "in", "geographic": [56.9005, 11.401, 45]}, {"name": "out", "geographic": [56.91, 11.401, 45]}], \
                "site": [{"name": "back", "place": [100, 200, 2]}]}""";
        HttpResponse<String> localised = visitor.program("POST", "/api/v1/localisations", token, site);
        assertThat(localised.statusCode()).as(localised.body()).isEqualTo(200);
        assertThat(localised.body()).contains("\"beyondMarks\":0.0").contains("\"lift\"").contains("\"hull\"")
                .contains("\"name\":\"back\"");
        for (String bad : List.of("{}", site.replace("+proj=tmerc", "+proj=nothing"), site.replace("\"system\"", "\"other\""),
                site.replace("[56.9, 11.4, 40]", "[96.9, 11.4, 40]"), site.replace("EPSG", "EPSG:4326")
                .replaceAll("\\+proj[^\"]*", "EPSG:4258"))) {
            assertThat(visitor.program("POST", "/api/v1/localisations", token, bad).statusCode()).as(bad).isBetween(400, 422);
        }
    }

    @Test
    void programsFitAndMatch() throws Exception {
        String token = verge.bean(TokenService.class).make("surveyor", "fitting");
        String pairs = """
                {"pairs": [{"computed": {"place": [0, 0, 1]}, "found": {"place": [100, 200, 4]}}, {"computed": {"place": [0, 10, 1]}, \
                "found": {"place": [90, 200, 4]}}, {"computed": {"place": [10, 0, 1]}, "found": {"place": [100, 210, 4]}}],
                 "settings": {"scale": 1}, "points": [{"name": "x", "place": [5, 5, 2]}]}""";
        HttpResponse<String> fit = visitor.program("POST", "/api/v1/fit", token, pairs);
        assertThat(fit.statusCode()).as(fit.body()).isEqualTo(200);
        assertThat(fit.body()).contains("\"rotation\":1.570796").contains("95.0").contains("\"searchRadius\"");
        assertThat(visitor.program("POST", "/api/v1/fit/affine", token, pairs).body()).contains("\"matrix\"").contains("95.0");
        assertThat(visitor.program("POST", "/api/v1/fit/seven", token, pairs).statusCode()).isEqualTo(200);
        assertThat(visitor.program("POST", "/api/v1/fit/matchings", token, """
                {"computed": [{"name": "a", "place": [0, 0]}, {"name": "b", "place": [0, 30]}, {"name": "c", "place": [20, 7]}], "found": \
                [{"name": "1", "place": [50, 50]}, {"name": "2", "place": [50, 80]}, {"name": "3", "place": [70, \
                57]}]}""").body()).contains("[\"a\",\"1\"]");
        for (String bad : List.of("{}", "{\"pairs\": [{}]}",
                "{\"pairs\": [{\"computed\": {\"place\": [1]}, \"found\": {\"place\": [1, 2]}}]}", "[]",
                pairs.replace("\"scale\": 1", "\"scale\": 0"), pairs.replace("100, 200, 4", "1e99, 200, 4"))) {
            assertThat(visitor.program("POST", "/api/v1/fit", token, bad).statusCode()).as(bad).isBetween(400, 422);
        }
    }
}
