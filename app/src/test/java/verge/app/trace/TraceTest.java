package verge.app.trace;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import verge.app.account.TokenService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.support.FieldParty;
import verge.app.support.VergeServer;
import verge.core.coding.PointName;
import verge.core.journal.Reworked;
import verge.core.measure.ShotTaken;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.reading.Target;
import verge.core.units.Length;

/** Any figure can be asked how it came about: a shot, through its leaf, to the file of known points. */
@ExtendWith(VergeServer.class)
class TraceTest {
    private final VergeServer.Running verge;
    private FieldParty party;

    TraceTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void aShot() throws Exception {
        party = new FieldParty(verge);
        party.setUpOnT2();
        party.ground().go("T4");
        party.shoot("101");
    }

    private StoredPoint shot() {
        return party.state().points().find(new PointName("101"), Origin.MEASURED).orElseThrow();
    }

    @Test
    void aShotIsToldFromItsReadingToItsCoordinates() throws Exception {
        JsonNode root = told("?point=101").get("root");
        assertThat(texts(root.get("steps"), "words")).element(0).asString().startsWith("Read: direction");
        assertThat(texts(root.get("steps"), "words")).contains("In the grid").anyMatch(w -> w.startsWith("Coordinates"));
        assertThat(texts(root.get("steps"), "sigma")).as("at each step").allMatch(s -> s.contains("mm") || s.contains("\u2033"));
        assertThat(texts(root.get("steps"), "figure")).contains(party.state().settings().place(shot().position()));
        JsonNode leaf = only(root.get("on"));
        assertThat(leaf.get("margin").asString()).isEqualTo("setup");
        assertThat(texts(leaf.get("steps"), "words")).contains("Orientation: azimuth of the circle\u2019s zero")
                .anyMatch(w -> w.startsWith("Mark T4"));
        assertThat(texts(leaf.get("on"), "margin")).containsExactlyInAnyOrder("settings", "file");
        JsonNode file = leaf.get("on").valueStream().filter(n -> n.get("margin").asString().equals("file")).findFirst().orElseThrow();
        assertThat(file.get("text").asString()).contains("ternholm-control.csv");
        assertThat(texts(file.get("steps"), "words")).contains("T2, row 3 of the file", "T4, row 5 of the file");
        assertThat(texts(file.get("steps"), "figure")).anyMatch(digest -> digest.matches("[0-9a-f]{64}"));
    }

    @Test
    void whatRestsOnALeafIsToldForwards() throws Exception {
        party.shoot("102");
        JsonNode leaf = told("/" + party.openLeaf().entry());
        assertThat(texts(leaf.get("under"), "text")).hasSize(2).anyMatch(t -> t.startsWith("101")).anyMatch(t -> t.startsWith("102"));
        assertThat(leaf.get("underCount").asInt()).isEqualTo(2);
    }

    /** A corrected pole is what the steps tell; the line that corrected it stands beside. */
    @Test
    void correctionsAreToldWhereTheyCount() throws Exception {
        StoredPoint before = shot();
        ShotTaken was = (ShotTaken) verge.bean(JournalService.class).journal(party.job()).entry(before.entry()).orElseThrow().payload();
        verge.bean(JournalService.class).append(party.job(), Author.atPage("surveyor"),
                new Reworked(before.entry(), new ShotTaken(was.setup(), was.name(), was.code(), was.reading(),
                new Target(new Length(2.1), was.target().prismConstant())), "the pole was longer"));
        JsonNode root = told("/" + before.entry()).get("root");
        assertThat(texts(root.get("steps"), "words")).anyMatch(w -> w.contains("prism 2.100 above the point"));
        assertThat(texts(root.get("amended"), "text")).singleElement().asString()
                .contains("pole 2.100 instead of 1.600", "because: the pole was longer");
        assertThat(party.page("/trace/" + before.entry()))
                .contains("How it came about", "prism 2.100 above the point", "the pole was longer", "ternholm-control.csv");
    }

    @Test
    void whatIsNotThereIsSaid() throws Exception {
        assertThat(party.visitor().get("/jobs/" + party.job() + "/trace/" + UUID.randomUUID()).statusCode()).isEqualTo(404);
        assertThat(party.visitor().get("/jobs/" + party.job() + "/trace?point=nowhere").statusCode()).isEqualTo(404);
    }

    private JsonNode told(String rest) throws Exception {
        return JsonMapper.shared().readTree(party.visitor()
                .program("GET", "/api/v1/jobs/" + party.job() + "/trace" + rest, verge.bean(TokenService.class).make("surveyor", "trace"),
                "").body());
    }

    private static JsonNode only(JsonNode list) {
        assertThat(list).hasSize(1);
        return list.get(0);
    }

    private static List<String> texts(JsonNode list, String field) {
        return Stream.ofNullable(list).flatMap(JsonNode::valueStream).map(n -> n.get(field).asString()).toList();
    }
}
