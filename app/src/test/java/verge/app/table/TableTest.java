package verge.app.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Pattern;
import java.util.stream.StreamSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import verge.app.job.JobService;
import verge.app.support.FieldParty;
import verge.app.support.Jobs;
import verge.app.support.ReceiverWork;
import verge.app.support.VergeServer;

/** The table of points, as a page asks for it. */
@ExtendWith(VergeServer.class)
class TableTest {
    private final VergeServer.Running verge;
    private FieldParty party;

    TableTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void someWork() throws Exception {
        party = new FieldParty(verge);
        party.setUpOnT2();
        party.kerb("K7", 5, 4, true);
        party.kerb("K8", 5, 9, false);
        party.kerb("K10", 5, 14, false);
    }

    private JsonNode rows(String query) throws Exception {
        return new JsonMapper().readTree(party.page("/points/rows?first=0&count=100&columns=NAME,CODE,ORIGIN,FROM,NORTH&" + query));
    }

    private List<String> names(String query) throws Exception {
        return StreamSupport.stream(rows(query).get("rows").spliterator(), false).map(r -> r.get("name").asString()).toList();
    }

    private String key(String name) throws Exception {
        return StreamSupport.stream(rows("").get("rows").spliterator(), false).filter(r -> r.get("name").asString().equals(name))
                .map(r -> r.get("entry").asString() + " " + name).findFirst().orElseThrow();
    }

    @ParameterizedTest
    @CsvSource({"code=krb&sort=NAME, K7 K8 K10", "code=KRB&sort=-NAME, K10 K8 K7", "text=k1, K10", "origin=MEASURED&sort=EAST, K7 K8 K10",
            "person=nobody,''",
            "several=on,''", "text=.*,''", "text=%25,''", "to=2001-01-01T00:00,''", "above=5,''", "area=0%2C0+0%2C1+1%2C1,''"})
    void filtersAndSorts(String query, String names) throws Exception {
        assertThat(String.join(" ", names(query))).isEqualTo(names);
    }

    @Test
    void aRowTellsWhatItsColumnsAskForInTheirOrder() throws Exception {
        JsonNode told = rows("text=K7");
        assertThat(told.get("total").asInt()).isEqualTo(1);
        assertThat(told.get("all").asInt()).isGreaterThan(3);
        JsonNode cells = told.get("rows").get(0).get("cells");
        assertThat(List.of(cells.get(0).asString(), cells.get(1).asString(), cells.get(2).asString(), cells.get(3).asString()))
                .containsExactly("K7", "KRB", "measured", "leaf 1");
        assertThat(party.page("/points")).contains("Northing, grid", "Draw an area");
    }

    @ParameterizedTest
    @ValueSource(strings = {"from=yesterday", "above=high", "origin=MADE", "leaf=x", "area=1,2", "area=a,b c,d e,f"})
    void whatCannotBeReadOfAFilterIsSaidAndKept(String query) throws Exception {
        String encoded = query.substring(0, query.indexOf('=') + 1)
                + URLEncoder.encode(query.substring(query.indexOf('=') + 1), StandardCharsets.UTF_8);
        assertThat(party.page("/points?text=K7&" + encoded)).contains("class=\"said\"", "value=\"K7\"").doesNotContain("Exception");
        assertThat(party.visitor().get("/jobs/" + party.job() + "/points/rows?first=0&count=9&" + encoded).statusCode())
                .isBetween(400, 499);
    }

    @Test
    void asCsvItIsExactlyWhatIsSeen() throws Exception {
        List<String> lines = party.page("/points/points.csv?columns=NAME,NORTH,CODE&sort=-NAME&code=KRB").lines().toList();
        assertThat(lines).hasSize(4);
        assertThat(lines.get(0)).isEqualTo("Name,\"Northing, grid\",Code");
        JsonNode first = rows("code=KRB&sort=-NAME").get("rows").get(0).get("cells");
        assertThat(lines.get(1)).isEqualTo("K10," + first.get(4).asString() + ",KRB");
    }

    @Test
    void asPdfItIsPrinted() throws Exception {
        assertThat(new String(party.visitor().bytes("/jobs/" + party.job() + "/points/points.pdf?columns=NAME,CODE"), 0, 5,
                StandardCharsets.US_ASCII)).isEqualTo("%PDF-");
    }

    @Test
    void aNameIsJumpedToAndARangeIsTold() throws Exception {
        assertThat(party.page("/points/jump?begins=k1&sort=NAME&code=KRB")).isEqualTo("2");
        assertThat(party.page("/points/jump?begins=zz")).isEqualTo("-1");
        assertThat(party.page("/points/keys?first=0&end=2&sort=NAME&code=KRB")).contains("K7", "K8").doesNotContain("K10");
    }

    @Test
    void whatIsSelectedIsStruckInOneGoAndComesBackInOne() throws Exception {
        String chosen = key("K7") + "\n" + key("K8");
        assertThat(party.post("/points/strike/seen", Map.of("chosen", chosen)).body()).contains("2 lines", "2 points");
        party.post("/points/strike", Map.of("chosen", chosen));
        assertThat(names("code=KRB")).containsExactly("K10");
        assertThat(party.post("/points/strike/seen", Map.of("chosen", chosen)).body()).as("struck meanwhile")
                .contains("Nothing of it is there any more");
        assertThat(party.post("/points/strike", Map.of("chosen", chosen)).body()).as("again").contains("cannot be struck through");
        String seen = party.page("/book").replaceAll("(?s).*book/undo.*?name=\"seen\" value=\"([^\"]+)\".*", "$1");
        party.post("/book/undo", Map.of("seen", seen));
        assertThat(names("code=KRB&sort=NAME")).containsExactly("K7", "K8", "K10");
    }

    @Test
    void strikingAPointOfAFileSaysWhatCameWithIt() throws Exception {
        assertThat(party.post("/points/strike/seen", Map.of("chosen", key("T1"))).body())
                .contains("1 line", "that are not selected came with the same lines");
    }

    @Test
    void whatIsSelectedIsHandedOnAndWhatWentIsLeftOut() throws Exception {
        String chosen = key("K7") + "\n" + key("K10") + "\n" + UUID.randomUUID() + " gone";
        assertThat(party.post("/sketch/selection/points", Map.of("chosen", chosen)).body())
                .contains("K7, K10", "Correct them together", "Fit or move them");
        assertThat(party.post("/sketch/selection/points", Map.of("chosen", "nonsense here")).statusCode()).isBetween(400, 499);
    }

    @Test
    void manyRowsAreToldByTheScreenful() throws Exception {
        UUID many = verge.bean(JobService.class)
                .makeFrom(Jobs.ternholm(verge).id(), "Many " + UUID.randomUUID(), ReceiverWork.entries(3_000), "surveyor").id();
        JsonNode told = new JsonMapper()
                .readTree(party.visitor().get("/jobs/" + many + "/points/rows?first=2950&count=100000&sort=-NAME").body());
        assertThat(told.get("total").asInt()).isEqualTo(3_002);
        assertThat(told.get("rows")).hasSize(52);
        assertThat(party.visitor().get("/jobs/" + many + "/points").body()).contains("data-total=\"3002\"");
    }

    /** The first words of the lines that a page of the book shows. */
    private List<String> lines(String query) throws Exception {
        return Pattern.compile("class=\"words fig\">(\\S+)").matcher(party.page("/book" + query).replaceAll("(?s)id=\"foot\".*", ""))
                .results().map(m -> m.group(1)).toList();
    }

    @Test
    void theBookIsFilteredAndGoesToADay() throws Exception {
        assertThat(lines("?kind=shot&text=K8")).containsExactly("K8");
        String struck = key("K8").split(" ")[0];
        party.post("/book/" + struck + "/strike", Map.of());
        assertThat(lines("?only=struck")).containsExactly("K8");
        assertThat(lines("?point=k7")).containsExactly("K7");
        assertThat(party.page("/book?person=nobody")).contains("No line fits the filter");
        assertThat(party.page("/book?from=soon")).contains("class=\"said\"").contains("value=\"soon\"");
        assertThat(party.page("/book?day=2001-01-01")).contains("id=\"line-1\"");
    }
}
