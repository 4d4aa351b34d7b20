package verge.app.gaps;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import verge.app.job.JobService;
import verge.app.journal.JournalService;
import verge.app.support.FieldParty;
import verge.app.support.Jobs;
import verge.app.support.ReceiverWork;
import verge.app.support.VergeServer;
import verge.core.gaps.Gap;
import verge.core.gaps.GapPutAway;
import verge.instruments.world.Ternholm;

/** Gaps seen, put away, and held against what is to be measured. */
@ExtendWith(VergeServer.class)
class GapsOfAJobTest {
    private final VergeServer.Running verge;
    private FieldParty party;

    GapsOfAJobTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void twoKerbsThatMissEachOther() throws Exception {
        party = new FieldParty(verge);
        party.setUpOnT2();
        party.kerb("k1", 5, -5, true);
        party.kerb("k2", 5, 0, false);
        party.kerb("k3", 5, 4, true);
        party.kerb("k4", 5, 9, false);
    }

    private List<GapService.Shown> gaps(Gap.Kind kind) {
        return verge.bean(GapService.class).gaps(party.job()).stream().filter(g -> g.gap().kind() == kind).toList();
    }

    @Test
    void aGapIsPutAwayWithItsReasonAndComesBackWhenThatIsStruck() throws Exception {
        assertThat(party.page("/gaps")).contains("KRB 1 ends 3.999 m", "from an end of KRB 2.", "KRB 1 has no KRF beside it.");
        assertThat(party.page("/handover")).contains("may have been left");
        assertThat(party.page("/gaps/marks")).contains("\"metres\":0.0");
        GapService.Shown open = gaps(Gap.Kind.OPEN_END).get(0);
        assertThat(open.way()).as("from the last shot").isNotEmpty();
        party.post("/gaps/" + open.id() + "/away", Map.of("reason", "a gateway"));
        assertThat(gaps(Gap.Kind.OPEN_END)).isEmpty();
        assertThat(party.page("/book")).contains("Meant so: a gateway");
        assertThat(party.post("/gaps/" + open.id() + "/away", Map.of()).statusCode()).as("by another tab, before").isEqualTo(404);
        UUID entry = verge.bean(JournalService.class).journal(party.job()).lastEntry(GapPutAway.class).orElseThrow().id();
        party.post("/book/" + entry + "/strike", Map.of());
        assertThat(gaps(Gap.Kind.OPEN_END)).hasSize(1);
    }

    /** Looking through many points takes a while: the page is there at once, and what is found comes when it is. */
    @Test
    void aJobOfManyPointsIsLookedThroughWhileThePageIsThere() throws Exception {
        UUID many = verge.bean(JobService.class)
                .makeFrom(Jobs.ternholm(verge).id(), "Many " + UUID.randomUUID(), ReceiverWork.entries(3_200), "surveyor").id();
        String page = party.visitor().get("/jobs/" + many + "/gaps").body();
        assertThat(page).contains("Looking through 3201 points").doesNotContain("data-count");
        String found = party.visitor().get("/jobs/" + many + "/gaps/found").body();
        assertThat(found).contains("data-count").contains("/jobs/" + many + "/gaps/").doesNotContain("<html");
        assertThat(party.visitor().get("/jobs/" + many + "/gaps").body()).as("it is known by now").contains("data-count")
                .doesNotContain("Looking through");
    }

    @Test
    void whatIsToBeMeasuredIsSaid() throws Exception {
        String north = Double.toString(Ternholm.YARD.northing());
        String east = Double.toString(Ternholm.YARD.easting());
        assertThat(party.post("/gaps/bounds", Map.of("north", north, "east", east)).body()).contains("REQUEST_UNFIT");
        assertThat(party.visitor().post("/jobs/" + party.job() + "/gaps/bounds?north=1&north=2&north=NaN&east=1&east=2&east=3", Map.of())
                .body()).contains("REQUEST_UNFIT");
        assertThat(party.visitor().post("/jobs/" + party.job() + "/gaps/bounds?north=1&north=50&north=99&east=1&east=50&east=99", Map.of())
                .body()).contains("AREA_FLAT");
        assertThat(party.post("/gaps/bounds", Map.of("work", "mine")).body()).contains("CHOICE_UNFIT", "yard");
        party.post("/gaps/bounds", Map.of("work", "yard"));
        assertThat(gaps(Gap.Kind.EXPECTED)).extracting(GapService.Shown::words).contains("No LMP was met yet.")
                .doesNotContain("No KRB was met yet.");
        party.visitor().post("/jobs/" + party.job() + "/gaps/bounds?north=" + north + "&north=" + north + "&north="
                + (Ternholm.YARD.northing() + 9) + "&east=" + east + "&east=" + (Ternholm.YARD.easting() + 9) + "&east=" + east, Map.of());
        assertThat(party.page("/gaps")).contains("within the outline");
        assertThat(party.page("/gaps/marks")).contains("\"area\":[[" + east);
        assertThat(gaps(Gap.Kind.EXPECTED)).as("the kind of work stays").isNotEmpty();
        party.post("/gaps/bounds", Map.of("everywhere", "true"));
        assertThat(party.page("/gaps")).contains("All that lies among the shots");
    }
}
