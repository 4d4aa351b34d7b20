package verge.app.shelf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.job.JobShelf;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.points.PointKeyed;
import verge.core.settings.JobSettings;
import verge.core.units.Figures;

/** The jobs of a site: what is told of each, which are listed, in which order, and where they lie. */
@ExtendWith(VergeServer.class)
class SitePageTest {
    private final VergeServer.Running verge;
    private final JournalService journals;
    private Visitor visitor;
    private Job quay;
    private Job ferry;
    private Job flat;

    SitePageTest(VergeServer.Running verge) {
        this.verge = verge;
        journals = verge.bean(JournalService.class);
    }

    @BeforeEach
    void aSite() throws Exception {
        visitor = Visitor.signedIn(verge);
        quay = Jobs.elsewhere(verge);
        ferry = Jobs.beside(verge, quay);
        flat = verge.bean(JobService.class).make(quay.siteId(), "Zimmer %_ (&)", JobSettings.flat(Figures.metric(), 1),
                Author.atPage("surveyor"));
        key(flat, 1, "surveyor");
        key(ferry, 3, "Søren Ålund");
        key(quay, 2, "surveyor");
    }

    private void key(Job job, int many, String person) {
        for (int i = 0; i < many; i++) {
            journals.append(job.id(), Author.atPage(person), new PointKeyed(new PointName("P" + i), Code.NONE,
                    Position.of(6_314_500 + 10 * i, 649_000 + i * i, 4)));
        }
    }

    private List<UUID> listed(String order, String text) throws Exception {
        String page = visitor.get("/sites/" + quay.siteId() + "?order=" + order + "&text="
                + URLEncoder.encode(text, StandardCharsets.UTF_8))
                .body();
        return Pattern.compile("id=\"job-([0-9a-f-]{36})\"").matcher(page).results().map(m -> UUID.fromString(m.group(1))).toList();
    }

    @Test
    void jobsStandInTheOrderThatIsAskedFor() throws Exception {
        assertThat(listed("worked", "")).containsExactly(quay.id(), ferry.id(), flat.id());
        assertThat(listed("name", "")).containsExactly(ferry.id(), quay.id(), flat.id());
        assertThat(listed("points", "")).containsExactly(ferry.id(), quay.id(), flat.id());
        assertThat(listed("settle", "")).containsExactlyInAnyOrder(quay.id(), ferry.id(), flat.id());
        assertThat(listed("no-such-order", "")).containsExactly(quay.id(), ferry.id(), flat.id());
    }

    @ParameterizedTest
    @CsvSource({"beside, ferry", "SØREN, ferry", "alund sør, ferry", "files, quay", "%_, flat", "(&), flat", "surveyor, all", ".*, none"})
    void wordsFindJobsAndPeople(String typed, String found) throws Exception {
        List<UUID> expected = switch (found) {
            case "ferry" -> List.of(ferry.id());
            case "quay" -> List.of(quay.id());
            case "flat" -> List.of(flat.id());
            case "all" -> List.of(ferry.id(), quay.id(), flat.id());
            default -> List.of();
        };
        assertThat(listed("name", typed)).containsExactlyElementsOf(expected);
    }

    @Test
    void aCardTellsTheLastDayAndWhatIsToSettle() throws Exception {
        String card = visitor.get("/jobs/" + ferry.id() + "/card").body();
        assertThat(card).contains("by Søren Ålund, surveyor").contains("ETRS89 / UTM zone 32N, ground distances, m").contains("3 design")
                .containsPattern("class=\"design\" d=\"M").doesNotContain("to settle");
        assertThat(visitor.get("/jobs/" + Jobs.withControl(verge).id() + "/card").body()).contains("to settle")
                .contains("class=\"control\" d=\"M");
        assertThat(visitor.get("/jobs/" + UUID.randomUUID() + "/card").statusCode()).isEqualTo(404);
    }

    @Test
    void theMapHasEachJobThatHasAPlaceOnEarth() throws Exception {
        JsonNode map = JsonMapper.shared().readTree(visitor.get("/sites/" + quay.siteId() + "/map").body());
        assertThat(map.get("areas").valueStream().map(a -> a.get("job").asString())).containsExactlyInAnyOrder(quay.id().toString(),
                ferry.id().toString());
        assertThat(map.get("missing").asString()).contains("Zimmer %_ (&) is not on the map");
        assertThat(map.get("high").asDouble()).isBetween(19.80, 19.90);   // 20 m north and 4 m east, where grid north is 2 degrees off
        assertThat(JsonMapper.shared().readTree(visitor.get("/sites/" + quay.siteId() + "/map?text=zimmer").body()).get("areas").size())
                .isZero();
    }

    /** What was found of a job holds until something is written in it. */
    @Test
    void theMapFollowsTheJobs() throws Exception {
        double before = high();
        assertThat(high()).isCloseTo(before, within(1e-6));
        journals.append(ferry.id(), Author.atPage("ada"),
                new PointKeyed(new PointName("far"), Code.NONE, Position.of(6_315_500, 649_000, 4)));
        assertThat(high()).isBetween(990.0, 1010.0);
        journals.strike(ferry.id(), Author.atPage("ada"), journals.journal(ferry.id()).lastEntry(PointKeyed.class).orElseThrow().id());
        assertThat(high()).isCloseTo(before, within(1e-6));
    }

    private double high() throws Exception {
        return JsonMapper.shared().readTree(visitor.get("/sites/" + quay.siteId() + "/map").body()).get("high").asDouble();
    }

    /** A job whose first line is lost can be told of no more; the others can. */
    @Test
    void aJobThatCannotBeReadHidesNoOther() throws Exception {
        UUID lost = UUID.randomUUID();
        verge.bean(JdbcClient.class).sql(
                "insert into job (id, site_id, name, made_at, made_by) values (:id, :site, 'Lost', now(), 'surveyor')")
                .param("id", lost).param("site", quay.siteId()).update();
        for (String order : List.of("worked", "name", "points", "settle")) {
            assertThat(listed(order, "")).containsExactlyInAnyOrder(lost, quay.id(), ferry.id(), flat.id());
        }
        for (String page : List.of("/sites/" + quay.siteId() + "/map", "/sites/" + quay.siteId() + "/jobs/new",
                "/jobs/" + quay.id() + "/compute/fit", "/jobs/" + quay.id() + "/setup/base")) {
            assertThat(visitor.get(page).statusCode()).as(page).isEqualTo(200);
        }
    }

    @Test
    void whatWasArchivedIsListedApart() throws Exception {
        verge.bean(JobShelf.class).archive(ferry.id(), true);
        assertThat(listed("name", "")).containsExactly(quay.id(), flat.id());
        assertThat(visitor.get("/sites/" + quay.siteId()).body()).contains("/jobs/" + ferry.id() + "/card");
    }
}
