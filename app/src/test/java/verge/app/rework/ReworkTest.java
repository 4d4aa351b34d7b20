package verge.app.rework;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import verge.app.account.TokenService;
import verge.app.journal.JournalService;
import verge.app.support.FieldParty;
import verge.app.support.VergeServer;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.measure.ShotTaken;
import verge.core.points.Origin;
import verge.core.points.PointsImported;
import verge.core.units.TimeText;

/** Any value of any line corrected, one by one or several at once, seen before it is written. */
@ExtendWith(VergeServer.class)
class ReworkTest {
    private final VergeServer.Running verge;
    private FieldParty party;
    private UUID leaf;

    ReworkTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void someShots() throws Exception {
        party = new FieldParty(verge);
        party.setUpOnT2();
        leaf = party.openLeaf().entry();
        party.ground().go("T4");
        party.shoot("101");
        party.shoot("102");
    }

    private Position place(String name) {
        return party.state().points().find(new PointName(name), Origin.MEASURED).orElseThrow().position();
    }

    private UUID shot(String name) {
        return party.state().points().find(new PointName(name), Origin.MEASURED).orElseThrow().entry();
    }

    private double height(String name) {
        return place(name).elevation().orElseThrow().metres();
    }

    private JsonNode seen(String rest, Map<String, String> fields) throws Exception {
        return JsonMapper.shared().readTree(party.post("/rework" + rest + "/preview", fields).body());
    }

    private HttpResponse<String> write(String rest, Map<String, String> fields) throws Exception {
        Map<String, String> all = new HashMap<>(fields);
        all.put("id", UUID.randomUUID().toString());
        all.putIfAbsent("reason", "misread");
        return party.post("/rework" + rest, all);
    }

    @Test
    void aCircleReadingIsCorrectedInItsPlace() throws Exception {
        Position before = place("101");
        String page = party.page("/rework/" + shot("101"));
        assertThat(page).contains("Correct", "shot, line", "Direction read", "Zenith read", "Distance read", "Several lines at once");
        JsonNode seen = seen("/" + shot("101"), Map.of("distance", "20.000"));
        assertThat(seen.get("words").asString()).startsWith("1 point moves");
        assertThat(seen.get("arrows").get(0).get("north").asDouble()).isEqualTo(before.plan().northing());
        assertThat(place("101")).as("only looked at").isEqualTo(before);
        assertThat(write("/" + shot("101"), Map.of("distance", "20.000")).statusCode()).isEqualTo(204);
        Journal journal = verge.bean(JournalService.class).journal(party.job());
        assertThat(((ShotTaken) journal.counting(journal.entry(shot("101")).orElseThrow())).reading().slopeDistance().metres())
                .isEqualTo(20);
        assertThat(place("101")).isNotEqualTo(before);
        assertThat(party.page("/book")).contains("misread");
        assertThat(write("/" + shot("101"), Map.of("distance", "20.000")).body()).contains("REWORK_CHANGES_NOTHING");
    }

    /** The root of it all: a coordinate of the file. Leaf, shots and what becomes of them are told before. */
    @Test
    void aCoordinateOfTheControlFileIsCorrectedAndAllThatRestsOnItFollows() throws Exception {
        Entry file = verge.bean(JournalService.class).journal(party.job()).entries().stream()
                .filter(e -> e.payload() instanceof PointsImported p && p.points().stream().anyMatch(x -> x.name().text().equals("T2")))
                .findFirst().orElseThrow();
        int row = ((PointsImported) file.payload()).points().stream().map(p -> p.name().text()).toList().indexOf("T2");
        assertThat(party.page("/rework/" + file.id() + "?point=T2")).contains("<legend>T2</legend>", "Northing", "Elevation")
                .doesNotContain("<legend>T4</legend>");
        double before = height("101");
        String typed = Double.toString(((PointsImported) file.payload()).points().get(row).position().elevation().orElseThrow().metres()
                + 0.1);
        JsonNode seen = seen("/" + file.id(), Map.of("elevation-" + row, typed));
        assertThat(texts(seen, "name")).contains("T2", "101", "102");
        write("/" + file.id(), Map.of("elevation-" + row, typed));
        assertThat(height("101")).isCloseTo(before + 0.1, within(1e-3));
        party.post("/book/undo", Map.of("seen", last().id().toString()));
        assertThat(height("101")).isEqualTo(before);
    }

    private Entry last() {
        List<Entry> all = verge.bean(JournalService.class).journal(party.job()).entries();
        return all.get(all.size() - 1);
    }

    private static List<String> texts(JsonNode seen, String field) {
        return seen.get("moves").valueStream().map(m -> m.get(field).asString()).toList();
    }

    @Test
    void severalAreCorrectedByTheClockOfTheJobAndTakenBackTogether() throws Exception {
        double[] before = {height("101"), height("102")};
        Entry first = verge.bean(JournalService.class).journal(party.job()).entry(shot("101")).orElseThrow();
        TimeText times = party.state().settings().times();
        Map<String, String> typed = Map.of("what", "POLE_BY", "by", "0.10", "kind.SHOT", "on", "day",
                times.localDate(first.at()).toString(), "from", times.clock(first.at()), "to", "23:59");
        assertThat(seen("", typed).get("words").asString()).startsWith("2 lines are corrected. 2 points move");
        assertThat(write("", typed).statusCode()).isEqualTo(204);
        assertThat(height("101")).isCloseTo(before[0] - 0.1, within(1e-9));
        assertThat(height("102")).isCloseTo(before[1] - 0.1, within(1e-9));
        assertThat(party.page("/book")).contains("2 corrections together");
        assertThat(party.page("/setup/leaves/" + leaf)).contains("Changed since", "misread");
        party.post("/book/undo", Map.of("seen", last().id().toString()));
        assertThat(new double[] {height("101"), height("102")}).containsExactly(before);
    }

    /** Many lines corrected in one go are one in the book and on the leaf, and none of them is hidden. */
    @Test
    void manyCorrectionsOfOneGoAreToldAsOne() throws Exception {
        for (int i = 3; i <= 6; i++) {
            party.shoot("10" + i);
        }
        write("", Map.of("what", "CODE_WAS", "other-code", "POST", "kind.SHOT", "on"));
        assertThat(party.page("/book")).contains("and 5 lines more, written together", "106 POST", "101 POST");
        String page = party.page("/setup/leaves/" + leaf);
        assertThat(page.substring(page.indexOf("id=\"bench\""), page.indexOf("id=\"foot\"")))
                .contains("and so 5 lines more, written together").doesNotContain("106 POST");
        String station = party.state().leaves().find(leaf).orElseThrow().written().station().text();
        assertThat(seen("/" + leaf, Map.of("mark-0", station)).get("words").asString())
                .contains("No point moves", "6 lose their coordinates", "One setup has no solution any more");
    }

    @Test
    void whatIsTypedBadlyIsSaidAndNothingIsWritten() throws Exception {
        int before = party.entries();
        assertThat(write("", Map.of("what", "POLE_BY", "by", "0.1")).body()).contains("MISSING", "kind of line");
        assertThat(write("", Map.of("what", "POLE_BY", "by", "much", "kind.SHOT", "on")).body()).contains("NOT_A_LENGTH");
        assertThat(write("", Map.of("what", "POLE_BY", "by", "0.1", "kind.SHOT", "on", "day", "2026-06-01", "from", "noon")).body())
                .contains("NOT_A_TIME");
        assertThat(write("", Map.of("what", "POLE_BY", "by", "0.1", "kind.SHOT", "on", "leaf", "none")).body()).contains("NOT_FOUND");
        assertThat(write("", Map.of("what", "CODE_WAS", "other-code", "KERB", "kind.CHECK", "on")).body())
                .contains("REWORK_CHANGES_NOTHING");
        assertThat(write("/" + leaf, Map.of("mark-0", "101")).body())
                .contains("REWORK_IN_A_CIRCLE", "101 was measured from this very setup");
        assertThat(write("/" + leaf, Map.of("direction-0-0", "400")).body()).contains("OUT_OF_RANGE");
        assertThat(write("/" + leaf, Map.of("instrumentHeight", "9")).body()).contains("OUT_OF_RANGE");
        assertThat(write("/" + leaf, Map.of("temperature", "100")).body()).contains("OUT_OF_RANGE");
        assertThat(party.entries()).isEqualTo(before);
        party.post("/book/" + shot("102") + "/strike", Map.of());
        assertThat(party.visitor().get("/jobs/" + party.job() + "/rework/" + last().id()).body())
                .contains("Nothing in this line can be corrected");
    }

    /** A setup on a mark of the register that the job did not have: the mark is taken on with the correction, and the leaf stands on it. */
    @Test
    void aSetupIsCorrectedToAMarkOfTheRegister() throws Exception {
        Position of = party.state().points().find(new PointName("T4"), Origin.CONTROL).orElseThrow().position();
        String csv = "name,northing,easting,elevation\nREG-9," + (of.plan().northing() + 0.05) + "," + of.plan().easting() + ","
                + of.elevation().orElseThrow().metres() + "\n";
        String file = party.visitor().upload("/jobs/" + party.job() + "/prepare/files", "register.csv",
                csv.getBytes(StandardCharsets.UTF_8)).uri().getPath();
        party.visitor().post(file, Map.of("role", "REGISTER"));
        double before = height("101");
        assertThat(seen("/" + leaf, Map.of("mark-0", "REG-9")).get("words").asString()).startsWith("2 points move")
                .doesNotContain("no solution");
        assertThat(write("/" + leaf, Map.of("mark-0", "REG-9")).statusCode()).isEqualTo(204);
        assertThat(party.state().leaves().find(leaf)).as("stands on the mark that was taken on").isPresent();
        assertThat(party.state().leaves().find(leaf).orElseThrow().written().backsight()).contains(new PointName("REG-9"));
        assertThat(height("101")).isCloseTo(before, within(1e-3));
    }

    @Test
    void programsCorrectAsPagesDo() throws Exception {
        String token = verge.bean(TokenService.class).make("surveyor", "x");
        String base = "/api/v1/jobs/" + party.job();
        assertThat(party.visitor().program("GET", base + "/entries/" + leaf + "/values", token, "").body())
                .contains("instrumentHeight", "direction-0-0", "temperature", "Refraction coefficient");
        double before = height("101");
        assertThat(party.visitor().program("POST", base + "/entries/" + shot("101") + "/corrections/preview", token,
                "{\"fields\":{\"targetHeight\":\"1.700\"}}").body()).contains("1 point moves");
        assertThat(party.visitor().program("POST", base + "/entries/" + shot("101") + "/corrections", token,
                "{\"fields\":{\"targetHeight\":\"1.700\"}}").body()).contains("REASON_NEEDED");
        String once = "{\"id\":\"" + UUID.randomUUID() + "\",\"fields\":{\"targetHeight\":\"1.700\"},\"reason\":\"by a program\"}";
        assertThat(party.visitor().program("POST", base + "/entries/" + shot("101") + "/corrections", token, once).statusCode())
                .isEqualTo(204);
        int entries = party.entries();
        assertThat(party.visitor().program("POST", base + "/entries/" + shot("101") + "/corrections", token, once).statusCode())
                .isEqualTo(204);
        assertThat(party.entries()).as("sent again, written once").isEqualTo(entries);
        assertThat(height("101")).isCloseTo(before - 0.1, within(1e-9));
        assertThat(party.visitor().program("POST", base + "/corrections", token,
                "{\"fields\":{\"what\":\"EXCHANGED\",\"one\":\"101\",\"other\":\"102\",\"kind.SHOT\":\"on\"},\"reason\":\"x\"}")
                .statusCode()).isEqualTo(204);
        assertThat(height("102")).isCloseTo(before - 0.1, within(1e-9));
    }
}
