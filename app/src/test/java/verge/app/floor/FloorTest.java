package verge.app.floor;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import verge.app.account.TokenService;
import verge.app.drawing.SiteDrawings;
import verge.app.files.SiteFile;
import verge.app.files.SiteFileService;
import verge.app.importing.FileChoice;
import verge.app.importing.ImportService;
import verge.app.job.JobService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.live.InstrumentView;
import verge.app.live.InstrumentViews;
import verge.app.support.FieldParty;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.core.drawing.Role;
import verge.core.job.JobState;
import verge.instruments.world.Ternholm;

/** Work floor by floor. Of Ternholm's control, T2 and T6 lie at the quay, T1, T3 and BM-Sill in the yard, T4 and T5 on the terrace. */
@ExtendWith(VergeServer.class)
class FloorTest {
    private static final String FLOORS =
            "[{\"name\":\"terrace\",\"level\":\"T4\"},{\"name\":\"quay\",\"level\":\"4\"},{\"name\":\"yard\",\"level\":\"700 cm\"}]";
    private static final JsonMapper JSON = JsonMapper.shared();
    private final VergeServer.Running verge;
    private final Visitor visitor;
    private final String token;
    private UUID job;

    FloorTest(VergeServer.Running verge) throws Exception {
        this.verge = verge;
        visitor = Visitor.signedIn(verge);
        token = verge.bean(TokenService.class).make("surveyor", "program");
    }

    @BeforeEach
    void aJobWithThreeFloors() throws Exception {
        job = Jobs.withControl(verge).id();
        name(FLOORS);
    }

    private HttpResponse<String> put(String path, String json) throws Exception {
        return visitor.program("PUT", "/api/v1/jobs/" + job + path, token, json);
    }

    private void name(String floors) throws Exception {
        assertThat(put("/floors", floors).statusCode()).isEqualTo(200);
    }

    private JobState state() {
        return verge.bean(JournalService.class).state(job);
    }

    private String page(String path) throws Exception {
        return visitor.get("/jobs/" + job + path).body();
    }

    private HttpResponse<String> workOn(String floor) throws Exception {
        return visitor.post("/jobs/" + job + "/floors/here", Map.of("floor", floor));
    }

    private static List<String> names(JsonNode rows) {
        return StreamSupport.stream(rows.spliterator(), false).map(r -> r.get("name").asString()).toList();
    }

    private List<String> drawn() throws Exception {
        return names(JSON.readTree(page("/sketch")).get("points"));
    }

    @Test
    void floorsAreNamedByTheirLevelsOrByAPointOnThem() throws Exception {
        JsonNode told = JSON.readTree(visitor.program("GET", "/api/v1/jobs/" + job + "/floors", token, "").body());
        assertThat(names(told.get("floors"))).containsExactly("quay", "yard", "terrace");
        assertThat(told.get("floors").get(1).get("below").asDouble()).isEqualTo(11.997 - 0.3);
        assertThat(told.get("floors").get(2).get("below").isNull()).isTrue();
        assertThat(page("/floors")).contains("6.700 to 11.697 m", "11.697 m and up", "3 known, 0 measured");
        assertThat(page("/book")).contains("quay 4.000 m, yard 7.000 m, terrace 11.997 m");
    }

    @ParameterizedTest
    @CsvSource({"yard, 5, FLOORS_TOO_NEAR", "Quay, 9, FLOOR_NAMED_TWICE", "'', 9, MISSING", "loft, '', MISSING",
            "=loft, 9, FLOOR_NAME_UNFIT", "loft, high, NOT_A_LENGTH"})
    void whatCannotBeIsRefusedAndNothingChanges(String name, String level, String problem) throws Exception {
        String sent = FLOORS.replaceFirst("\\{\"name\":\"terrace\",\"level\":\"T4\"}",
                "{\"name\":\"" + name + "\",\"level\":\"" + level + "\"}")
                .replace("\"yard\",\"level\":\"700 cm\"", "\"loft 2\",\"level\":\"20\"");
        HttpResponse<String> refused = put("/floors", sent.replace("\"quay\",\"level\":\"4\"", "\"quay\",\"level\":\"4.4\""));
        assertThat(refused.body()).contains(problem);
        assertThat(state().floor().floors().all()).hasSize(3);
    }

    @Test
    void theSameAgainWritesNothingAndAFloorThatIsNotThereCannotBeChosen() throws Exception {
        name(FLOORS);
        int before = verge.bean(JournalService.class).journal(job).entries().size();
        assertThat(workOn("attic").body()).contains("CHOICE_UNFIT", "quay, yard, terrace");
        visitor.post("/jobs/" + job + "/floors", Map.of("name", "quay", "level", "4,25"));
        assertThat(verge.bean(JournalService.class).journal(job).entries()).hasSize(before + 1);
        assertThat(page("/floors")).contains("3.950 m and up");
        name("[{\"name\":\"quay\",\"level\":\"4.25049\"}]");
        visitor.post("/jobs/" + job + "/floors", Map.of("name", "quay", "level", "4.250"));
        assertThat(state().floor().floors().all().get(0).level().metres()).as("more than is shown").isEqualTo(4.25049);
    }

    @Test
    void onAFloorOnlyWhatBelongsToItIsDrawnAndOffered() throws Exception {
        assertThat(drawn()).hasSize(7);
        workOn("yard");
        assertThat(drawn()).containsExactlyInAnyOrder("T1", "T3", "BM-Sill");
        assertThat(page("/compute/inverse")).contains("<option value=\"T1\">").doesNotContain("<option value=\"T4\">");
        assertThat(page("/stake")).contains(">T3<", "is listed").doesNotContain(">T5<");
        assertThat(page("/book")).contains("work on yard");
        // A name that is not offered still means what it means.
        assertThat(page("/stake?point=T5")).contains("12.402");
        assertThat(put("/floors/here", "{}").body()).contains("\"here\":\"\"");
        assertThat(drawn()).hasSize(7);
    }

    /** Of a drawing, lines in plan only and those that reach into the floor. */
    @Test
    void ofADrawingOnlyWhatReachesIntoTheFloorIsDrawn() throws Exception {
        job = Jobs.elsewhere(verge).id();
        name(FLOORS.replace("T4", "12"));
        String lines = Stream.of(new double[] {0, 0}, new double[] {7, 7}, new double[] {5, 30}, new double[] {4, 5})
                .map(z -> String.format(Locale.ROOT,
                "0\nLINE\n8\nwalls\n10\n649000\n20\n6314500\n30\n%f\n11\n649010\n21\n6314500\n31\n%f\n", z[0], z[1]))
                .collect(Collectors.joining("", "0\nSECTION\n2\nENTITIES\n", "0\nENDSEC\n0\nEOF\n"));
        SiteFile file = verge.bean(SiteFileService.class).add(verge.bean(JobService.class).job(job).siteId(), "walls.dxf",
                new ByteArrayInputStream(lines.getBytes(StandardCharsets.UTF_8)), "surveyor");
        verge.bean(ImportService.class).use(job, file, FileChoice.of(Role.DESIGN), Author.atPage("surveyor"));
        verge.bean(SiteDrawings.class).file(job, state(), file.id());
        assertThat(JSON.readTree(page("/sketch/files/" + file.id())).get("features")).hasSize(4);
        workOn("yard");
        JsonNode features = JSON.readTree(page("/sketch/files/" + file.id())).get("features");
        assertThat(StreamSupport.stream(features.spliterator(), false).map(f -> f.get(1).asInt())).containsExactly(0, 1, 2);
    }

    @Test
    void whatIsStoredOnAnotherFloorIsTold() throws Exception {
        FieldParty party = new FieldParty(verge);
        job = party.job();
        name(FLOORS);
        party.setUpOnT2();
        workOn("terrace");
        assertThat(page("/setup")).contains("<option value=\"T4\">", "any other can be typed").doesNotContain("<option value=\"T2\">");
        assertThat(page("/setup/leaves/open")).as("a check from where one is")
                .contains("id=\"check-mark\" name=\"mark\" list=\"point-names\" data-pick value=\"T5\"");
        party.ground().pole(Ternholm.YARD);
        String stored = party.shoot("101").body();
        assertThat(stored).containsPattern("101 lies at \\d\\.\\d{3} m, on yard\\. Work is on terrace\\.");
        assertThat(page("/measure")).contains("101 GRD measured. 101 lies at");
        FieldParty.await(() -> poleIsElsewhere().equals("on yard"));
        workOn("yard");
        assertThat(party.shoot("102").body()).contains("\"elsewhere\":\"\"");
        assertThat(drawn()).contains("101", "102").doesNotContain("T2");
        assertThat(poleIsElsewhere()).isEmpty();
    }

    private String poleIsElsewhere() {
        InstrumentView.PoleView pole = verge.bean(InstrumentViews.class).view(job, state()).pole();
        return pole == null ? "not tracked" : pole.floor();
    }
}
