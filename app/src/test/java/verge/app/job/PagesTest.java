package verge.app.job;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.points.PointKeyed;

/** The pages over HTTP: who may see them, what they refuse, how they say it. */
@ExtendWith(VergeServer.class)
class PagesTest {
    private final VergeServer.Running verge;
    private Visitor visitor;

    PagesTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void signIn() throws Exception {
        visitor = Visitor.signedIn(verge);
    }

    @Test
    void strangersSeeOnlyTheSignIn() throws Exception {
        Visitor stranger = new Visitor(verge.base());
        HttpResponse<String> home = stranger.get("/");
        assertThat(home.uri().getPath()).isEqualTo("/sign-in");
        assertThat(home.body()).contains("lighthouse");
        assertThat(stranger.post("/sign-in", Map.of("username", "surveyor", "password", "wrong")).body()).contains("do not go together");
        assertThat(stranger.get("/jobs/" + UUID.randomUUID() + "/sketch", "X-Requested-With", "fetch").statusCode()).isEqualTo(401);
    }

    /** After the sign-in one goes on to the page one asked for, not to what a script of it fetched when the session was over. */
    @ParameterizedTest
    @CsvSource({"navigate, text/html, /account", "cors, */*, /", ", text/html, /account", ", */*, /"})
    void theSignInLeadsOnToPagesAlone(String mode, String accepts, String leadsTo) throws Exception {
        Visitor stranger = new Visitor(verge.base());
        stranger.get("/account", mode == null ? new String[] {"Accept", accepts}
                : new String[] {"Accept", accepts, "Sec-Fetch-Mode", mode});
        String path = stranger.post("/sign-in", Map.of("username", "surveyor", "password", "lighthouse")).uri().getPath();
        assertThat(leadsTo.equals("/account") == path.equals("/account")).isTrue();
    }

    @Test
    void aPostWithoutTheFormsTokenIsRefused() throws Exception {
        UUID site = Jobs.ternholm(verge).id();
        visitor.forgetToken();
        HttpResponse<String> refused = visitor.post("/sites/" + site + "/jobs", Map.of("name", "Forged", "scale", "1"));
        assertThat(refused.statusCode()).isEqualTo(403);
        assertThat(refused.body()).contains("This page is older than your sign-in");
        assertThat(page("/sites/" + site)).doesNotContain("Forged");
    }

    @Test
    void pagesLoadNothingFromElsewhereAndNoInlineScriptWithoutNonce() throws Exception {
        HttpResponse<String> page = visitor.get("/help");
        String policy = page.headers().firstValue("Content-Security-Policy").orElseThrow();
        assertThat(policy).contains("default-src 'self'").doesNotContain("unsafe-inline").doesNotContain("http:");
        assertThat(page.body()).doesNotContainPattern("(src|href)=\"(https?:)?//");
    }

    @Test
    void aNameIsTakenInAnyCaseOfLettersAndWhatWasTypedStays() throws Exception {
        UUID site = Jobs.ternholm(verge).id();
        String name = "Yard " + UUID.randomUUID();
        assertThat(make(site, name, "1").uri().getPath()).endsWith("/prepare");
        HttpResponse<String> again = make(site, name.toUpperCase(Locale.ROOT), "0.9998");
        assertThat(again.body()).contains("This site already has a job called").contains(name.toUpperCase(Locale.ROOT)).contains("0.9998");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "../etc/passwd", "a/b", "a\\b", "con:", ".hidden", "tab\there", "dot."})
    void aNameThatCouldNotBeAFileNameIsRefused(String name) throws Exception {
        assertThat(make(Jobs.ternholm(verge).id(), name, "1").body()).contains("cannot be a job’s name");
    }

    @Test
    void aSiteOfTheSameNameIsOpenedAndAnUnfitOneRefused() throws Exception {
        String shelf = visitor.get("/sites/" + Jobs.ternholm(verge).id()).uri().getPath();
        assertThat(visitor.post("/sites", Map.of("name", " TERNHOLM ")).uri().getPath()).isEqualTo(shelf);
        assertThat(visitor.post("/sites", Map.of("name", "a/b")).body()).contains("cannot be a site’s name");
    }

    @Test
    void aNameOfFiveThousandLettersIsRefusedAndKept() throws Exception {
        assertThat(make(Jobs.ternholm(verge).id(), "x".repeat(5000), "1").body()).contains("at most 80 characters")
                .contains("x".repeat(5000));
    }

    @ParameterizedTest
    @CsvSource({"0.5, cannot be right", "2, cannot be right", "one, is not a number", "NaN, is not a number", "'', is missing"})
    void aScaleThatCannotBeIsRefused(String scale, String words) throws Exception {
        assertThat(make(Jobs.ternholm(verge).id(), "Scale " + UUID.randomUUID(), scale).body()).contains(words);
    }

    @Test
    void whatIsNotThereIsSaidKindlyAndWithoutATrace() throws Exception {
        for (String path : new String[] {"/jobs/" + UUID.randomUUID() + "/prepare", "/jobs/nonsense/prepare", "/nowhere",
                "/sites/" + UUID.randomUUID()}) {
            HttpResponse<String> answer = visitor.get(path);
            assertThat(answer.statusCode()).isEqualTo(404);
            assertThat(answer.body()).contains("There is nothing at").doesNotContain("Exception").doesNotContain("at verge.");
        }
    }

    /** What no page of Verge would send is refused in words all the same, and nothing of it is kept. */
    @ParameterizedTest
    @CsvSource({"/handover?column=NOPE, 400", "/handover?decimals=many, 400", "/handover?unit=CUBIT, 400", "/handover?move=up:NOPE, 200",
            "/handover?move=:, 200",
        "/measure/shots, 400", "/book?page=-5, 200", "/book?page=x, 404", "/stake?point=%00, 422", "/live?stake=Nobody, 404"})
    void whatDoesNotFitAPageIsSaidInWords(String rest, int status) throws Exception {
        HttpResponse<String> answer = visitor.get("/jobs/" + Jobs.withControl(verge).id() + rest);
        assertThat(answer.statusCode()).isEqualTo(status);
        assertThat(answer.body()).contains("<html").doesNotContain("Exception").doesNotContain("timestamp");
    }

    @Test
    void whatIsNotAnsweredTakesTheUsualAndWhatCannotBeIsRefused() throws Exception {
        UUID site = Jobs.ternholm(verge).id();
        String name = "Half " + UUID.randomUUID();
        assertThat(visitor.post("/sites/" + site + "/jobs", Map.of("name", name, "lengthUnit", "CUBIT")).body())
                .contains("cannot be chosen for lengthUnit").contains(name);
        assertThat(page("/sites/" + site)).doesNotContain(name);
        visitor.post("/sites/" + site + "/jobs", Map.of("name", name));
        assertThat(page("/sites/" + site)).contains(name).contains("0 control, 0 measured");
    }

    @Test
    void attachedFilesBecomeControlAndWhatCannotBeReadWaits() throws Exception {
        UUID site = Jobs.ternholm(verge).id();
        String form = page("/sites/" + site + "/jobs/new");
        String control = form.replaceAll("(?s).*name=\"file\\.([0-9a-f-]{36})\"[^>]*> ternholm-control\\.csv.*", "$1");
        String made = visitor.post("/sites/" + site + "/jobs", Map.of("name", "Attached " + UUID.randomUUID(), "file." + control, "on"))
                .body();
        assertThat(made).contains("7 points taken on", "6314528.412");
        assertThat(visitor.post("/sites/" + site + "/jobs", Map.of("name", "Bare " + UUID.randomUUID())).body())
                .contains("No known points yet");
    }

    @Test
    void everyPhaseOfAnEmptyJobSaysWhatItIsFor() throws Exception {
        UUID job = Jobs.elsewhere(verge).id();
        Map.of("prepare", "No known points yet", "setup", "With what do you work today?", "measure", "The instrument is not set up",
                "compute", "Choose what is wanted", "stake", "Nothing to stake yet", "handover", "There is no point of the kinds chosen",
                "book",
                "book-page")
                .forEach((phase, words) -> assertThat(page("/jobs/" + job + "/" + phase)).contains(words));
    }

    @Test
    void anInverseIsToldInTheJobsFigures() throws Exception {
        UUID job = Jobs.withControl(verge).id();
        // T2 to T4: 60.271 north, 61.045 east, 7.283 up, worked by hand; ground = grid / 0.999865302
        assertThat(page("/jobs/" + job + "/compute/inverse?from=T2&to=T4"))
                .contains("45°21′56″", "N 45°21′56″ E", "85.785 m", "85.797 m", "+7.283 m", "86.105 m", "+8.49 %");
        assertThat(page("/jobs/" + job + "/compute/inverse?from=T2&to=T2")).contains("The two points are in one place");
        assertThat(page("/jobs/" + job + "/compute/inverse?from=T2&to=Nobody")).contains("This job has no point called ‘Nobody’");
        assertThat(visitor.post("/jobs/" + job + "/compute/note", Map.of("from", "T2", "to", "T4")).body()).contains("85.797 m");
        assertThat(page("/jobs/" + job + "/book")).contains("T2 to T4").contains("85.797 m ground");
    }

    @Test
    void aTypedDesignIsKeptAndATakenNameRefused() throws Exception {
        UUID job = Jobs.withControl(verge).id();
        Map<String, String> typed = Map.of("name", "D1", "northing", "6314480,5", "easting", "649000.25 m", "elevation", "");
        assertThat(visitor.post("/jobs/" + job + "/stake/design", typed).uri().getQuery()).contains("point=D1");
        HttpResponse<String> again = visitor.post("/jobs/" + job + "/stake/design", typed);
        assertThat(again.statusCode()).isEqualTo(409);
        assertThat(again.body()).contains("There already is a point called");
        Map<String, String> far = Map.of("name", "D2", "northing", "631448050000", "easting", "649000");
        assertThat(visitor.post("/jobs/" + job + "/stake/design", far).body()).contains("OUT_OF_RANGE");
        assertThat(page("/jobs/" + job + "/stake?point=D1")).contains("none");
        assertThat(page("/jobs/" + job + "/stake?point=D1&facing=sideways")).contains("is not an angle");
        assertThat(page("/jobs/" + job + "/stake?point=D1&planTolerance=-1")).contains("cannot be right");
    }

    @Test
    void columnsOfAnExportAreChosenAndMoved() throws Exception {
        UUID job = Jobs.withControl(verge).id();
        String base = "/jobs/" + job + "/handover?what=CONTROL&column=NAME&column=NORTHING&column=EASTING";
        assertThat(page(base + "&move=up:EASTING")).contains("Name,Easting [m],Northing [m]").contains("T1,648988.623,6314528.412");
        assertThat(page(base + "&move=out:NORTHING")).contains("T1,648988.623\n");
        assertThat(page(base + "&move=in:CODE&decimals=1&separator=semicolon&decimalMark=COMMA")).contains("T1;6314528,4;648988,6;CTL");
        assertThat(page(base + "&unit=US_SURVEY_FOOT")).contains("Northing [ftUS]");
        assertThat(visitor.get(("/jobs/" + job + "/handover/points.csv?what=MEASURED")).statusCode()).isEqualTo(422);
        HttpResponse<String> file = visitor.get("/jobs/" + job + "/handover/points.csv?what=CONTROL");
        assertThat(file.headers().firstValue("Content-Disposition").orElseThrow()).startsWith("attachment");
        assertThat(file.body()).startsWith("Name,Northing [m],Easting [m],Elevation [m],Code\r\nT1,6314528.412,648988.623,8.230,CTL\r\n");
    }

    @Test
    void aLongBookIsPaged() {
        UUID job = Jobs.empty(verge).id();
        JournalService journals = verge.bean(JournalService.class);
        for (int i = 0; i < 120; i++) {
            journals.append(job, Author.atPage("surveyor"), new PointKeyed(new PointName("L" + i), Code.NONE, Position.of(i, i, i)));
        }
        assertThat(page("/jobs/" + job + "/book")).contains("121 lines", "Earlier lines", "L119").doesNotContain("L19 ");
        assertThat(page("/jobs/" + job + "/book?page=1")).contains("Later lines", "L3 ").doesNotContain("L90 ");
        assertThat(page("/jobs/" + job + "/book?line=3")).as("the page that a line is on").contains("id=\"line-3\"")
                .doesNotContain("id=\"line-121\"");
        assertThat(page("/jobs/" + job + "/book?line=22")).contains("id=\"line-22\"", "id=\"line-121\"");
    }

    @Test
    void paintAndPasswordAreThePersons() throws Exception {
        assertThat(visitor.post("/account/paint", Map.of("paint", "night")).statusCode()).isEqualTo(204);
        assertThat(page("/account")).contains("data-paint=\"night\"");
        visitor.post("/account/paint", Map.of("paint", "plaid"));
        assertThat(page("/account")).contains("data-paint=\"night\"");
        visitor.post("/account/paint", Map.of("paint", "day"));
        assertThat(visitor.post("/account/password", Map.of("old", "wrong", "fresh", "long enough it is")).body())
                .contains("The password was not changed");
    }

    private String page(String path) {
        try {
            return visitor.get(path).body();
        } catch (Exception failed) {
            throw new AssertionError(path, failed);
        }
    }

    private HttpResponse<String> make(UUID site, String name, String scale) throws Exception {
        return visitor.post("/sites/" + site + "/jobs", Map.of("name", name, "lengthUnit", "METRE", "angleUnit", "DEGREES",
                "directionStyle", "AZIMUTH", "scale", scale));
    }
}
