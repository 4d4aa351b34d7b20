package verge.app.fit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.app.account.TokenService;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.importing.FileChoice;
import verge.app.importing.ImportService;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.app.system.GeoidLibrary;
import verge.app.system.LocalisedFile;
import verge.core.drawing.Role;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.SystemText;
import verge.core.job.JobState;
import verge.core.settings.JobSettings;
import verge.core.units.Figures;

/**
 * The quay's own grid tied to the earth by what a receiver said on its marks, one of which was disturbed; handed on, taken over, and what
 * must not count.
 */
@ExtendWith(VergeServer.class)
class LocalisedJobTest {
    private static final String PAIRS = "G2 = Q1\nG4 = Q2\nG1 = Q3\nG3 = Q5\nG5 = Q6";

    private final VergeServer.Running verge;
    private Job job;
    private String receiver;
    private Visitor visitor;

    LocalisedJobTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void quay() throws Exception {
        job = flatJob("Quay " + UUID.randomUUID());
        receiver = file(job, "quay-receiver.csv").id().toString();
        visitor = Visitor.signedIn(verge);
    }

    private Job flatJob(String site) throws IOException {
        JobService jobs = verge.bean(JobService.class);
        Job made = jobs.make(jobs.ensureSite(site).id(), "Quay wall", JobSettings.flat(Figures.metric(), 1), Author.atPage("surveyor"));
        verge.bean(ImportService.class)
                .use(made.id(), file(made, "quay-control.csv"), FileChoice.of(Role.CONTROL), Author.atPage("surveyor"));
        return made;
    }

    private SiteFile file(Job of, String name) throws IOException {
        try (InputStream in = getClass().getResourceAsStream("/demo/" + name)) {
            return verge.bean(SiteFileService.class).add(of.siteId(), name, in, "surveyor");
        }
    }

    private JobState state(Job of) {
        return verge.bean(JournalService.class).state(of.id());
    }

    private String told(String part, Map<String, String> fields) throws Exception {
        return visitor.post("/jobs/" + job.id() + "/compute/localise/" + part, fields).body();
    }

    private HttpResponse<String> choose(Job of, Map<String, String> fields) throws Exception {
        Map<String, String> all = new HashMap<>(Map.of("entry", UUID.randomUUID().toString()));
        all.putAll(fields);
        return visitor.post("/jobs/" + of.id() + "/compute/localise", all);
    }

    private CoordinateSystem.Localised localised() throws Exception {
        choose(job, Map.of("file", receiver, "geoid", "EGM96", "pairs", PAIRS + "\nG6 = Q4 (out)", "name", "Quay grid"));
        return (CoordinateSystem.Localised) state(job).settings().system();
    }

    /**
     * Which mark is which is found by itself, the disturbed one is named; then places on the earth are places on the quay, and back, until
     * the line is struck.
     */
    @Test
    void aFlatSiteIsTiedToTheEarth() throws Exception {
        assertThat(told("proposed", Map.of("file", receiver, "geoid", "EGM96"))).contains("5 agree within").contains("Q4 lies near G6")
                .contains("G2 = Q1");
        String worked = told("worked", Map.of("file", receiver, "geoid", "EGM96", "pairs", PAIRS + "\nG6 = Q4"));
        assertThat(worked).contains("Does not belong: G6 = Q4").contains("clockwise about").contains("Heights shifted by +7.3")
                .contains("outside what the marks span").contains("EGM96 says 37.6").contains("No point of the job moves");
        CoordinateSystem.Localised system = localised();
        assertThat(system.ties()).hasSize(6);
        JobState state = state(job);
        Geographic place = Geographic.ofDegrees(56.949540768, 11.450766713);   // Q2 as the demo's world has it
        GridPoint onQuay = state.geodesy().projection().orElseThrow().grid(Geographic.ofDegrees(56.949541080, 11.450767019));
        assertThat(onQuay.distanceMetres(new GridPoint(984.431, 490.519))).isLessThan(0.02);
        assertThat(state.geodesy().ellipsoidHeight(place, new Elevation(9.680)).map(EllipsoidHeight::metres).orElseThrow())
                .isCloseTo(39.99, within(0.02));
        String page = visitor.get("/jobs/" + job.id() + "/compute/localise").body();
        assertThat(page).contains("The job stands on Quay grid").contains("G6 = Q4").as("nothing is touched of what is done")
                .doesNotContain("data-pair");
        assertThat(visitor.get("/jobs/" + job.id() + "/book").body()).contains("Quay grid");
        UUID entry = verge.bean(JournalService.class).journal(job.id()).entries().stream().reduce((a, b) -> b).orElseThrow().id();
        visitor.post("/jobs/" + job.id() + "/book/" + entry + "/strike", Map.of());
        assertThat(state(job).settings().system()).isInstanceOf(CoordinateSystem.Flat.class);
    }

    /** Two at one job: who localises by a page on which the settings were others is told, and nothing is overwritten. */
    @Test
    void settingsThatChangedMeanwhileAreNotOverwritten() throws Exception {
        String asOf = visitor.get("/jobs/" + job.id() + "/compute/localise").body()
                .replaceAll("(?s).*name=\"asOf\" value=\"(\\d+)\".*", "$1");
        CoordinateSystem.Localised first = localised();
        assertThat(choose(job, Map.of("file", receiver, "pairs", PAIRS, "name", "Another", "asOf", asOf)).body()).contains("changed");
        assertThat(state(job).settings().system()).isEqualTo(first);
    }

    /** With its pairs it goes into the settings' form and out again, and into a new job of the site, unchanged. */
    @Test
    void itIsKeptByItsFormAndTakenOver() throws Exception {
        CoordinateSystem.Localised system = localised();
        String document = verge.bean(LocalisedFile.class).write(system);
        visitor.post("/sites/" + job.siteId() + "/jobs",
                Map.of("name", "Quay again", "where", "LOCALISED", "localisation", document, "tool.SATELLITES", "on"));
        Job again = verge.bean(JobService.class).jobs(job.siteId()).stream().filter(j -> j.name().equals("Quay again")).findFirst()
                .orElseThrow();
        assertThat(state(again).settings().system()).isEqualTo(system);
        assertThat(state(again).settings().geoid()).isEqualTo(system.geoid());
        assertThat(visitor.get("/sites/" + job.siteId() + "/jobs/new").body()).contains("Quay grid, of Quay");
        assertThat(visitor.post("/systems/describe", Map.of("where", "LOCALISED", "localisation", document)).body()).contains("Quay grid");
    }

    private static final String ON_Q2 = "G4; 56.949541080; 11.450767019; 39.991";

    /** Somebody else's counts when it meets a mark that was measured here: not before, not beside it, not if its figures were changed. */
    @Test
    void somebodyElsesCountsWhenItMeetsAMark() throws Exception {
        String document = verge.bean(LocalisedFile.class).write(localised());
        Job other = flatJob("Elsewhere " + UUID.randomUUID());
        job = other;
        assertThat(told("worked", Map.of("theirs", document))).contains("Not checked yet").contains("G6 = Q4")
                .as("theirs are not ours to take out").doesNotContain("data-pair");
        assertThat(choose(other, Map.of("theirs", document)).body()).contains("No measured mark checks this localisation");
        assertThat(choose(other, Map.of("theirs", document, "typed", ON_Q2.replace("5410", "5440"), "pairs", "G4 = Q2")).body())
                .contains("misses Q2 by 0.3");
        assertThat(choose(other, Map.of("theirs", document, "typed", ON_Q2.replaceFirst("; 39.*", ""), "pairs", "G4 = Q2")).body())
                .as("its heights would count unseen").contains("No measured height checks this localisation");
        assertThat(choose(other, Map.of("theirs", document.replaceFirst("\"scale\":1\\.0", "\"scale\":1.1")
                .replaceFirst("\"scale\":0\\.9999", "\"scale\":0.9989"), "typed", ON_Q2, "pairs", "G4 = Q2")).body())
                .contains("what its own marks give");
        assertThat(state(other).settings().system()).isInstanceOf(CoordinateSystem.Flat.class);
        assertThat(told("worked", Map.of("theirs", document, "typed", ON_Q2, "pairs", "G4 = Q2"))).contains("meets it")
                .contains("One mark does not show");
        choose(other, Map.of("theirs", document, "typed", ON_Q2, "pairs", "G4 = Q2"));
        assertThat(state(other).settings().system())
                .isInstanceOfSatisfying(CoordinateSystem.Localised.class, s -> assertThat(s.ties()).hasSize(6));
    }

    /** A document may name any grid, and any way to a file: what is not here is said, and nothing else is opened. */
    @ParameterizedTest
    @ValueSource(strings = {"0000000000000000000000000000000000000000000000000000000000000000", "../files/../application.yml",
            "/etc/hostname"})
    void aGeoidThatIsNotHereIsSaid(String source) throws Exception {
        String document = verge.bean(LocalisedFile.class).write(localised())
                .replace("\"source\":\"" + GeoidLibrary.EGM96.source() + "\"", "\"source\":\"" + source + "\"");
        assertThat(document).contains(source);
        assertThat(told("worked", Map.of("theirs", document))).contains("is not here");
        assertThat(verge.bean(SiteFileService.class).path(source).normalize().getParent().getFileName()).hasToString("files");
    }

    /** As the text of a derived system it comes without marks and heights, and does not slip in by the first question. */
    @Test
    void aDefinitionOfAnotherProgramIsHeldAgainstAMarkToo() throws Exception {
        String wkt = SystemText.definition(localised()).orElseThrow();
        Job other = flatJob("Elsewhere " + UUID.randomUUID());
        assertThat(visitor.post("/sites/" + other.siteId() + "/jobs/summary", Map.of("where", "PASTED", "pasted", wkt)).body())
                .contains("nobody has checked");
        choose(other, Map.of("theirs", wkt, "typed", ON_Q2, "pairs", "G4 = Q2"));
        assertThat(state(other).settings().system())
                .isInstanceOfSatisfying(CoordinateSystem.Localised.class, s -> assertThat(s.lift()).isEmpty());
        assertThat(visitor.get("/jobs/" + other.id() + "/compute/localise").body()).contains("came without the marks");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "typed=G4 56.9 11.4 | Line 1 is no position", "typed=G4; 56,9495; 111,45x | Line 1 is no position",
                "typed=G4; 56.949541080; 11.450767019~pairs=G4 = Q2 | 1 pairs count in plan",
        "file=quay-control.csv | where on the earth", "file=quay-receiver.csv~pairs=G4 = Q2;G4 = Q3 | already",
        "file=quay-receiver.csv~pairs=G4 = Q2;G99 = Q3 | G99", "file=quay-receiver.csv~pairs=G4 = Q2;G1 = Q99 | Q99",
        "file=quay-receiver.csv~base=EPSG:3857~pairs=G4 = Q2;G1 = Q3 | does not keep angles",
        "file=quay-receiver.csv~base=EPSG:4326 | no system of plane", "theirs={} | could not be understood",
        "theirs=[[[ | could not be understood",
        "file=quay-receiver.csv~heightsAre=ELEVATIONS~pairs=G4 = Q2;G1 = Q3 | geoid that these elevations",
        "theirs={\"document\":\"localisation\",\"version\":1,\"name\":\"x\"} | 'base'",
        "file=quay-receiver.csv~pairs=G4 = Q2;G1 = Q3~heights=TILT | pairs have both elevations",
        "typed=G1; 56.9; 11.4; 40~pairs=G1 = Q1;G1 = Q2 | already"})
    void whatCannotBeIsSaid(String given, String expected) throws Exception {
        Map<String, String> fields = new HashMap<>();
        for (String field : given.split("~")) {
            String[] parts = field.split("=", 2);
            fields.put(parts[0], parts[0].equals("file") ? verge.bean(SiteFileService.class).of(job.siteId()).stream()
                    .filter(f -> f.name().equals(parts[1])).findFirst().orElseThrow().id().toString()
                    : parts[0].equals("pairs") ? parts[1].replace(';', '\n') : parts[1]);
        }
        assertThat(told("worked", fields).replace("&#39;", "'")).contains(expected);
        assertThat(choose(job, fields).statusCode()).isNotEqualTo(500);
        assertThat(state(job).settings().system()).isInstanceOf(CoordinateSystem.Flat.class);
    }

    /** For programs: made, described with what its marks leave over, and used for positions. */
    @Test
    void programsLocaliseAndUseIt() throws Exception {
        String token = verge.bean(TokenService.class).make("surveyor", "localised");
        String made = visitor.program("POST", "/api/v1/jobs/" + job.id() + "/localisation", token,
                "{\"id\":\"" + UUID.randomUUID() + "\",\"answers\":{\"file\":\"" + receiver + "\",\"geoid\":\"EGM96\",\"pairs\":\""
                + PAIRS.replace("\n", "\\n") + "\"}}").body();
        assertThat(made).contains("\"residuals\"").contains("DERIVEDPROJCRS").contains("\"ties\"").contains("\"hull\"");
    }
}
