package verge.app.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.http.HttpResponse;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Predicate;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.support.FieldParty;
import verge.app.support.VergeServer;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.job.JobState;
import verge.core.journal.Reworked;
import verge.core.leaf.Leaf;
import verge.core.points.Origin;
import verge.core.units.Length;
import verge.instruments.world.Ternholm;

/** Connecting, setting up, measuring and staking against the stand-in, with what goes wrong on the way. */
@ExtendWith(VergeServer.class)
class FieldWorkTest {
    private final VergeServer.Running verge;
    private FieldParty party;

    FieldWorkTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void aJobWithTheInstrumentConnected() throws Exception {
        party = new FieldParty(verge);
    }

    @Test
    void aSoundBacksightIsCheckedAcceptedAndCarriesPoints() throws Exception {
        String check = read(tripodOn("T2"));
        assertThat(check).contains("\"within\":true", "Distance and height agree with control");
        assertThat(party.page("/setup")).contains("Accept setup", "Distance and height agree with control");   // a reload keeps it
        assertThat(party.state().leaves().all()).isEmpty();
        party.accept("");
        assertThat(party.state().leaves().all()).hasSize(1);
        party.ground().pole(Ternholm.YARD);
        assertThat(party.shoot("101").statusCode()).isEqualTo(200);
        assertThat(party.state().points().find(new PointName("101"), Origin.MEASURED)).isPresent();
        assertThat(party.shoot("101").body()).contains("There already is a point called");
    }

    @Test
    void aWrongPoleHeightShowsInTheCheckAndIsMendedWithoutAnotherWalk() throws Exception {
        String tape = tripodOn("T2");
        assertThat(read(tape, "targetHeight", "1.700")).contains("\"within\":false", "The height does not agree");
        assertThat(party.accept("").body()).contains("REASON_NEEDED");
        assertThat(party.state().leaves().all()).isEmpty();
        assertThat(party.post("/setup/recheck", Map.of("height-0", "1.600", "prism-0", "-12.0")).body()).contains("\"within\":true");
    }

    @Test
    void aPrismConstantInMetresTypedAsMillimetresIsNoticed() throws Exception {
        String tape = tripodOn("T2");
        assertThat(read(tape, "prismConstant", "-0.012")).contains("PRISM_CONSTANT_UNIT", "\u221212.0 mm");
        assertThat(read(tape, "prismConstant", "-12 m")).contains("cannot be right");
    }

    @Test
    void aPoleMadeHigherAndTypedAsHighGivesTheSameGround() throws Exception {
        setUp();
        assertThat(party.shoot("101").statusCode()).isEqualTo(200);
        party.ground().extend(new Length(2.15));
        party.post("/pole", Map.of("targetHeight", "2.150", "prismConstant", "-12"));
        assertThat(party.shoot("102").body()).contains("103");
        party.post("/pole", Map.of("targetHeight", "1.600", "prismConstant", "-12.0 mm"));
        assertThat(party.shoot("103").body()).contains("104");
        party.ground().extend(new Length(1.6));
        assertThat(elevation("102")).isCloseTo(elevation("101"), within(0.004));
        assertThat(elevation("103") - elevation("102")).as("forgotten to type it").isCloseTo(0.55, within(0.004));
        assertThat(party.post("/pole", Map.of("targetHeight", "16", "prismConstant", "0")).body()).contains("OUT_OF_RANGE");
    }

    private double elevation(String name) {
        return party.state().points().find(new PointName(name)).orElseThrow().position().elevation().orElseThrow().metres();
    }

    @Test
    void aReadingCanBeTakenAgainOrSetAside() throws Exception {
        String tape = tripodOn("T2");
        party.ground().go("T1");
        assertThat(read(tape)).contains("most likely the wrong mark");
        party.ground().go("T4");
        assertThat(read(tape)).contains("\"within\":true");
        party.post("/setup/discard", Map.of());
        assertThat(party.accept("").body()).contains("BACKSIGHT_NOT_READ");
    }

    @Test
    void aSetupThatIsOutsideNeedsAReasonWhichStaysOnRecord() throws Exception {
        read(tripodOn("T2"), "targetHeight", "1.650");
        party.accept("pole slipped, heights not needed today");
        assertThat(party.page("/book")).contains("accepted because: pole slipped, heights not needed today");
    }

    @Test
    void whatIsTypedWronglyIsRefusedBeforeAnythingIsRead() throws Exception {
        String tape = tripodOn("T2");
        assertThat(read(tape, "station", "T9")).contains("POINT_UNKNOWN");
        assertThat(read(tape, "mark", "T2")).contains("COINCIDENT_POINTS");
        assertThat(read("155")).contains("OUT_OF_RANGE");
        assertThat(read("high")).contains("NOT_A_LENGTH");
        assertThat(read(tape, "mark", "")).contains("MISSING");
        assertThat(party.accept("").body()).contains("BACKSIGHT_NOT_READ");
    }

    @Test
    void aTripodThatWasCarriedEndsTheLeaf() throws Exception {
        setUp();
        tripodOn("T3");
        assertThat(party.shoot("101").body()).contains("INSTRUMENT_MOVED");
        assertThat(party.state().points().find(new PointName("101"))).isEmpty();
    }

    @Test
    void aLinkThatDropsInTheMiddleOfAShotStoresNothingAndTheNextShotGoes() throws Exception {
        setUp();
        int before = party.entries();
        party.ground().cutNextAnswer();
        HttpResponse<String> lost = party.shoot("101");
        assertThat(lost.statusCode()).isEqualTo(503);
        assertThat(lost.body()).contains("LINK_LOST", "nothing was stored");
        assertThat(party.entries()).isEqualTo(before);
        party.awaitLink();
        assertThat(party.shoot("101").statusCode()).isEqualTo(200);
    }

    /** The answer was lost on the way, the pole has been carried on: sent again, it must not pass for the new place. */
    @Test
    void whatIsSentTwiceIsStoredOnceAndSaidToBeTheEarlier() throws Exception {
        setUp();
        Map<String, String> shot = Map.of("id", UUID.randomUUID().toString(), "name", "101", "code", "GRD");
        assertThat(party.post("/measure/shots", shot).body()).contains("\"before\":false");
        GridPoint where = party.state().points().find(new PointName("101")).orElseThrow().position().plan();
        party.ground().pole(Ternholm.YARD.plus(5, 5));
        assertThat(party.post("/measure/shots", shot).body()).contains("\"before\":true", "\"next\":\"102\"");
        assertThat(party.state().points().find(new PointName("101")).orElseThrow().position().plan()).isEqualTo(where);
        party.ground().go("BM-Sill");
        Map<String, String> stake = Map.of("id", UUID.randomUUID().toString(), "point", "BM-Sill");
        assertThat(party.post("/stake/stakes", stake).body()).doesNotContain("nothing was measured now");
        assertThat(party.post("/stake/stakes", stake).body()).contains("Stored BM-Sill: staked minus design N", "nothing was measured now");
        Map<String, String> acceptance = Map.of("id", UUID.randomUUID().toString(), "reason", "");
        read(tripodOn("T2"));
        party.post("/setup/accept", acceptance);
        assertThat(party.post("/setup/accept", acceptance).statusCode()).isEqualTo(200);
        assertThat(party.state().leaves().all()).hasSize(2);
    }

    @Test
    void withoutSetupOrInstrumentNothingIsMeasured() throws Exception {
        assertThat(party.shoot("101").body()).contains("NO_SETUP");
        party.post("/instrument/disconnect", Map.of());
        assertThat(party.shoot("101").body()).contains("NO_INSTRUMENT");
        assertThat(party.post("/instrument", Map.of("address", "nowhere")).body()).contains("ADDRESS_UNFIT");
    }

    @Test
    void aStakeOutsideItsToleranceNeedsAReason() throws Exception {
        setUp();
        party.ground().go("T1");
        Map<String, String> far = Map.of("id", UUID.randomUUID().toString(), "point", "BM-Sill");
        assertThat(party.post("/stake/stakes", far).body()).contains("REASON_NEEDED");
        party.ground().go("BM-Sill");
        HttpResponse<String> stored = party.post("/stake/stakes", far);
        assertThat(stored.body()).contains("Stored BM-Sill: staked minus design N ");
        JobState state = party.state();
        assertThat(state.points().find(new PointName("BM-Sill"), Origin.STAKED).orElseThrow().staked().orElseThrow().north().abs().metres())
                .isLessThan(0.015);
        assertThat(state.points().find(new PointName("BM-Sill")).orElseThrow().origin()).isEqualTo(Origin.CONTROL);
    }

    @Test
    void strikingAShotTakesItsPointFromTheSketch() throws Exception {
        setUp();
        party.shoot("101");
        UUID entry = party.state().points().find(new PointName("101")).orElseThrow().entry();
        assertThat(party.post("/book/" + entry + "/strike", Map.of()).body()).contains("Bring back", "hz=");
        assertThat(party.page("/sketch")).doesNotContain("\"101\"");
        party.post("/book/" + entry + "/restore", Map.of());
        assertThat(party.page("/sketch")).contains("\"101\"");
    }

    /**
     * What travels is the difference: the shot that came, the shots that a corrected setup moved, what was struck; all only to who cannot
     * be told it.
     */
    @Test
    void theSketchAsksForWhatChangedSince() throws Exception {
        setUp();
        party.shoot("101");
        party.shoot("102");
        JsonNode whole = JsonMapper.shared().readTree(party.page("/sketch"));
        String view = whole.get("view").asString();
        assertThat(whole.get("changed").isNull()).isTrue();
        party.shoot("103");
        assertThat(names(since(whole.get("lines").asInt(), view))).containsExactly("103");
        int before = party.entries();
        Leaf leaf = party.openLeaf();
        verge.bean(JournalService.class).append(party.job(), Author.atPage("surveyor"),
                new Reworked(leaf.entry(), leaf.written().with(leaf.written().arrangement().with(new Length(1.9))), "misread"));
        assertThat(names(since(before, view))).containsExactlyInAnyOrder("101", "102", "103");
        UUID gone = party.state().points().find(new PointName("102")).orElseThrow().entry();
        party.post("/book/" + gone + "/strike", Map.of());
        JsonNode struck = since(before + 1, view);
        assertThat(names(struck)).isEmpty();
        assertThat(struck.get("changed").valueStream().map(JsonNode::asString)).contains(gone.toString());
        assertThat(since(before, "another").get("changed").isNull()).isTrue();
        assertThat(since(9_999, view).get("changed").isNull()).isTrue();
    }

    private JsonNode since(int lines, String view) throws Exception {
        return JsonMapper.shared().readTree(party.page("/sketch?since=" + lines + "&view=" + view));
    }

    private static List<String> names(JsonNode sketch) {
        return sketch.get("points").valueStream().map(p -> p.get("name").asString()).toList();
    }

    /** The book offers to take back what was done last, says what goes with it, and refuses when something else was done since. */
    @Test
    void theLastThingDoneIsTakenBackAndBroughtBack() throws Exception {
        setUp();
        party.shoot("101");
        party.shoot("102");
        assertThat(party.page("/book")).contains("<b>Undo</b>", "1 point goes").doesNotContain("<b>Redo</b>");
        String seen = party.state().points().find(new PointName("102")).orElseThrow().entry().toString();
        assertThat(party.post("/book/undo", Map.of("seen", seen)).body()).contains("<b>Redo</b>", "1 point comes back");
        assertThat(party.state().points().find(new PointName("102"))).isEmpty();
        assertThat(party.post("/book/undo", Map.of("seen", seen)).statusCode()).isEqualTo(409);
        party.post("/book/undo", Map.of("seen", party.state().points().find(new PointName("101")).orElseThrow().entry().toString()));
        assertThat(party.state().points().find(new PointName("101"))).isEmpty();
        for (String name : List.of("101", "102")) {
            String undone = verge.bean(JournalService.class).journal(party.job()).lastUndone().orElseThrow().last().id().toString();
            party.post("/book/redo", Map.of("seen", undone));
            assertThat(party.state().points().find(new PointName(name))).isPresent();
        }
        assertThat(party.page("/book")).doesNotContain("<b>Redo</b>");
    }

    @Test
    void anOpenPageIsToldTheWayTheBookAndThatTheSetupNoLongerHolds() throws Exception {
        setUp();
        Iterator<String> told = party.visitor().lines("/jobs/" + party.job() + "/live?stake=BM-Sill&facing=north");
        // From the yard's middle the benchmark lies north and east.
        awaitTold(told, "guide", data -> data.contains("\"forwardWord\":\"Forward\"") && data.contains("\"rightWord\":\"Right\"")
                && data.contains("Still outside in plan and height"));
        party.shoot("101");
        awaitTold(told, "book", ("data:" + party.entries())::equals);
        tripodOn("T3");
        awaitTold(told, "guide", "data:null"::equals);
        awaitTold(told, "instrument", data -> data.contains("\"settled\":false"));
    }

    /** Waits for an event of a name; what was on its way before may come first. */
    private static void awaitTold(Iterator<String> told, String event, Predicate<String> wanted) {
        for (int lines = 0; lines < 2000; lines++) {
            if (told.next().equals("event:" + event) && wanted.test(told.next())) {
                return;
            }
        }
        throw new AssertionError("never told: " + event);
    }

    private String read(String tape, String... more) throws Exception {
        return party.readWhereItIs("KNOWN_POINT", "T2", tape, "T4", more);
    }

    private void setUp() throws Exception {
        party.setUpOnT2();
        party.ground().pole(Ternholm.YARD);
    }

    /** Carries the tripod there and the pole to T4. */
    private String tripodOn(String mark) {
        String tape = party.carry(g -> g.stand(mark));
        party.ground().go("T4");
        return tape;
    }
}
