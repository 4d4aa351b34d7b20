package verge.app.strings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.app.form.Answers;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.support.FieldParty;
import verge.app.support.VergeServer;
import verge.core.coding.PointName;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.strings.SurveyString;
import verge.instruments.world.Ternholm;

/** Strings from the first shot to the office: measured over HTTP, edited, struck, handed over. */
@ExtendWith(VergeServer.class)
class StringsOfAJobTest {
    private final VergeServer.Running verge;
    private FieldParty party;
    private int shots;

    StringsOfAJobTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void onT2() throws Exception {
        party = new FieldParty(verge);
        party.setUpOnT2();
    }

    /** @param joins as a page sends them */
    private String shoot(double north, double east, String joins) throws Exception {
        party.ground().pole(Ternholm.YARD.plus(north, east));
        return party.post("/measure/shots",
                Map.of("id", UUID.randomUUID().toString(), "name", "" + (500 + shots++), "code", "KRB", "joins", joins)).body();
    }

    private static String joining(UUID string, String bend) {
        return "{\"string\":" + (string == null ? "null" : "\"" + string + "\"") + ",\"code\":\"KRB\",\"bend\":\"" + bend + "\"}";
    }

    private SurveyString string(String name) {
        return party.state().strings().all().stream().filter(s -> s.name().toString().equals(name)).findFirst().orElseThrow();
    }

    private String order(String name) {
        return string(name).vertices().stream().map(v -> v.point().map(PointName::text).orElse("*")).collect(Collectors.joining(" "));
    }

    private SurveyString four() throws Exception {
        shoot(0, 0, "[" + joining(null, "CORNER") + "]");
        UUID id = string("KRB 1").id();
        for (double[] at : new double[][] {{4, 0}, {8, 3}, {8, 8}}) {
            shoot(at[0], at[1], "[" + joining(id, "CORNER") + "]");
        }
        return string("KRB 1");
    }

    private void edit(SurveyString s, String deed, String... fields) {
        Map<String, String> answers = new HashMap<>(Map.of("deed", deed));
        for (int i = 0; i < fields.length; i += 2) {
            answers.put(fields[i], fields[i + 1]);
        }
        verge.bean(StringService.class).edit(party.job(), s.id(), new Answers(answers), Author.atPage("surveyor"));
    }

    private static String vertex(SurveyString s, int at) {
        return StringService.written(s.vertices().get(at).id());
    }

    @Test
    void oneShotOnSeveralStringsGivesEachTheSameVertex() throws Exception {
        String stored = shoot(0, 0, "[" + joining(null, "CORNER") + "," + joining(null, "CORNER") + "," + joining(null, "FLOWING") + "]");
        assertThat(party.state().strings().all()).extracting(s -> s.name().toString()).containsExactly("KRB 1", "KRB 2", "KRB 3");
        assertThat(party.state().strings().all().stream().map(s -> s.vertices().get(0).position()).distinct()).hasSize(1);
        assertThat(stored).contains("\"name\":\"KRB 3\"");
        assertThat(party.page("/book")).contains("on KRB 1 and KRB 2 and KRB 3");
    }

    /** Thirty centimetres right of the prism as seen from T2, and the string goes through there; corrected, it goes elsewhere. */
    @Test
    void aShotBesideTheMarkIsWhereThePointIs() throws Exception {
        Map<String, String> fields = new HashMap<>(Map.of("id", UUID.randomUUID().toString(), "code", "KRB", "joins",
                "[" + joining(null, "CORNER") + "]"));
        party.ground().pole(Ternholm.YARD.plus(10, 0));
        fields.put("name", "A");
        party.post("/measure/shots", fields);
        fields.putAll(Map.of("name", "B", "id", UUID.randomUUID().toString(), "right", "0,30", "up", "-0.1"));
        party.post("/measure/shots", fields);
        var a = party.state().points().find(new PointName("A")).orElseThrow().position();
        var b = string("KRB 2").vertices().get(0).position();
        assertThat(a.plan().distanceMetres(b.plan())).isCloseTo(0.3, within(0.004));
        assertThat(b.elevation().orElseThrow().metres() - a.elevation().orElseThrow().metres()).isCloseTo(-0.1, within(0.004));
        assertThat(b.plan().easting()).as("T2 stands south-west of it").isGreaterThan(a.plan().easting());
        assertThat(party.page("/book")).contains("0.300 right  0.100 down");
        fields.putAll(Map.of("name", "C", "id", UUID.randomUUID().toString(), "right", "far"));
        assertThat(party.post("/measure/shots", fields).body()).contains("NOT_A_LENGTH");
        fields.put("right", "300");
        assertThat(party.post("/measure/shots", fields).body()).contains("OUT_OF_RANGE");
    }

    @Test
    void whatIsDoubtfulAndWhatIsAskedComesAfterTheShot() throws Exception {
        shoot(0, 0, "[" + joining(null, "CORNER") + "]");
        UUID begun = string("KRB 1").vertices().get(0).id().by();
        assertThat(party.page("/measure/shots/" + begun + "/after")).contains("\"doubts\":[]", "\"asks\":[\"" + string("KRB 1").id());
        party.post("/measure/shots", Map.of("id", UUID.randomUUID().toString(), "name", "500", "code", "KRB", "again", "true"));
        UUID again = party.state().points().find(new PointName("500")).orElseThrow().entry();
        assertThat(party.page("/measure/shots/" + again + "/after"))
                .contains("500 was measured before. The same mark?", "KRB 1 has one point");
        assertThat(party.page("/measure/shots/" + UUID.randomUUID() + "/after")).contains("not");
    }

    /** What was shot is not lost because the string it was meant for is gone: it begins a new one. */
    @Test
    void aStringWhoseShotsWereStruckIsBegunAnew() throws Exception {
        shoot(0, 0, "[" + joining(null, "CORNER") + "]");
        SurveyString first = string("KRB 1");
        verge.bean(JournalService.class).strike(party.job(), Author.atPage("surveyor"), first.vertices().get(0).id().by());
        assertThat(party.state().strings().all()).isEmpty();
        shoot(4, 0, "[" + joining(first.id(), "CORNER") + "]");
        assertThat(party.state().strings().all()).singleElement().satisfies(s -> assertThat(s.id()).isNotEqualTo(first.id()));
        verge.bean(JournalService.class).restore(party.job(), Author.atPage("surveyor"), first.vertices().get(0).id().by());
        assertThat(party.state().strings().all()).hasSize(2);
    }

    @Test
    void editsAreEntriesThatCanBeStruck() throws Exception {
        SurveyString s = four();
        edit(s, "SPLIT", "vertex", vertex(s, 2));
        assertThat(order("KRB 1") + " | " + order("KRB 2")).isEqualTo("500 501 502 | 502 503");
        edit(string("KRB 1"), "REVERSE");
        edit(string("KRB 1"), "JOIN", "other", string("KRB 2").id().toString(), "end", "FIRST", "otherEnd", "FIRST");
        assertThat(order("KRB 1")).as("the shared point is there once").isEqualTo("503 502 501 500");
        edit(string("KRB 1"), "EARLIER", "vertex", vertex(string("KRB 1"), 1));
        edit(string("KRB 1"), "DROP", "vertex", vertex(string("KRB 1"), 3));
        edit(string("KRB 1"), "INSERT", "vertex", vertex(string("KRB 1"), 0), "point", "500");
        assertThat(order("KRB 1")).isEqualTo("502 500 503 501");
        edit(string("KRB 1"), "NAME", "code", "QWL");
        assertThat(order("QWL 1")).isEqualTo("502 500 503 501");
        JournalService journals = verge.bean(JournalService.class);
        for (int i = 0; i < 7; i++) {
            journals.undo(party.job(), Author.atPage("surveyor"), journals.journal(party.job()).lastDone().orElseThrow().entries().get(0)
                    .id());
        }
        assertThat(order("KRB 1")).isEqualTo("500 501 502 503");
        assertThat(party.state().strings().all()).hasSize(1);
    }

    @Test
    void aStringBesideFollowsAndASquaredOneCloses() throws Exception {
        SurveyString s = four();
        edit(s, "BESIDE", "side", "right", "away", "0.15", "up", "0.12", "code", "KRF");
        SurveyString beside = string("KRF 1");
        double before = party.state().strings().shape(beside).paths().get(0).length();
        shoot(8, 18, "[" + joining(s.id(), "CORNER") + "]");
        assertThat(party.state().strings().shape(beside).paths().get(0).length() - before).isCloseTo(10, within(0.1));
        assertThatThrownBy(() -> edit(beside, "CLOSE")).extracting("problem").isEqualTo(Problem.STRING_BESIDE);
        edit(s, "SPLIT", "vertex", vertex(s, 2));
        SurveyString rest = string("KRB 2");
        edit(rest, "SQUARE");
        assertThat(string("KRB 2").ring()).isTrue();
        assertThat(order("KRB 2")).endsWith("*");
        assertThat(party.page("/strings/" + rest.id())).contains("a computed corner", "Open the ring");
    }

    @ParameterizedTest
    @CsvSource({"CLOSE, , , STRING_TOO_SHORT", "SQUARE, , , STRING_NOT_THREE", "SPLIT, vertex, first, STRING_NOT_SPLIT",
            "DROP, vertex, x/y, NOT_FOUND", "JOIN, other, self, STRING_BESIDE", "JOIN, other, x, NOT_FOUND",
        "INSERT, point, nowhere, POINT_UNKNOWN", "NAME, code, '', STRING_WITHOUT_CODE", "NAME, code, a b, CODE_UNFIT",
                "BEND, bend, WAVY, NOT_FOUND", "SING, , , CHOICE_UNFIT", "BESIDE, away, far, NOT_A_LENGTH"})
    void whatCannotBeDoneIsSaidAndChangesNothing(String deed, String field, String value, Problem problem) throws Exception {
        shoot(0, 0, "[" + joining(null, "CORNER") + "]");
        SurveyString s = string("KRB 1");
        shoot(3, 0, "[" + joining(s.id(), "CORNER") + "]");
        int lines = party.entries();
        String sent = "first".equals(value) ? vertex(s, 0) : "self".equals(value) ? s.id().toString() : value;
        assertThatThrownBy(() -> edit(s, deed, field == null ? new String[0] : new String[] {field, sent}))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(problem));
        assertThat(party.entries()).isEqualTo(lines);
    }

    @Test
    void aShotThatAsksForNonsenseIsRefusedAndNothingIsMeasured() throws Exception {
        int lines = party.entries();
        assertThat(shoot(0, 0, "[{\"string\":\"x\"}]")).contains("REQUEST_UNFIT");
        assertThat(shoot(0, 0, "nonsense")).contains("REQUEST_UNFIT");
        assertThat(shoot(0, 0, "[null]")).contains("REQUEST_UNFIT");
        assertThat(shoot(0, 0, "null")).contains("REQUEST_UNFIT");
        assertThat(shoot(0, 0, "[" + (joining(null, "CORNER") + ",").repeat(20) + joining(null, "CORNER") + "]")).contains("REQUEST_UNFIT");
        assertThat(shoot(0, 0, "[" + joining(null, "CORNER").replace("KRB", "") + "]")).contains("STRING_WITHOUT_CODE");
        assertThat(party.entries()).isEqualTo(lines);
    }

    @Test
    void whatWasDrawnGoesToTheOffice() throws Exception {
        SurveyString s = four();
        edit(s, "CLOSE");
        assertThat(party.page("/handover/drawing?form=DXF&lines=FLAT_WITH_ARCS")).contains("AC1021", "LWPOLYLINE", "\r\nKRB\r\n")
                .endsWith("EOF\r\n");
        assertThat(party.page("/handover/drawing?form=LANDXML")).contains("<PlanFeature name=\"KRB 1\"");
        assertThat(party.page("/handover/drawing?form=GEOJSON")).contains("no projection");   // a flat job has no place on earth
        String sketch = party.page("/sketch");
        assertThat(sketch).contains("\"strings\":[{\"id\":\"" + s.id());
        assertThat(List.of(party.page("/strings"), party.page("/sketch/string?string=" + s.id())))
                .allMatch(page -> page.contains("KRB 1") && page.contains("ring"));
    }
}
