package verge.app.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.http.HttpResponse;
import java.time.Duration;
import java.time.Instant;
import java.util.Iterator;
import java.util.Map;
import java.util.UUID;
import java.util.function.BooleanSupplier;
import java.util.function.Predicate;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import verge.app.journal.JournalService;
import verge.app.support.FieldParty;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.journal.JobState;
import verge.core.journal.Origin;
import verge.core.units.Decimals;
import verge.core.units.Length;
import verge.instruments.port.LinkState;
import verge.instruments.standin.PracticeGround;
import verge.instruments.world.Ternholm;

/** Connecting, setting up, measuring and staking against the stand-in, with what goes wrong on the way. */
@ExtendWith(VergeServer.class)
class FieldWorkTest {
    private final VergeServer.Running verge;
    private final JournalService journals;
    private final InstrumentDesk desk;
    private Visitor visitor;
    private UUID job;

    FieldWorkTest(VergeServer.Running verge) {
        this.verge = verge;
        journals = verge.bean(JournalService.class);
        desk = verge.bean(InstrumentDesk.class);
    }

    @BeforeEach
    void aJobWithTheInstrumentConnected() throws Exception {
        visitor = Visitor.signedIn(verge);
        job = Jobs.withControl(verge).id();
        visitor.post(path("/instrument"), Map.of("address", verge.standInAddress()));
        await(() -> desk.snapshot(job).map(s -> s.link() == LinkState.UP && s.condition().isPresent()).orElse(false));
    }

    @Test
    void aSoundBacksightIsCheckedAcceptedAndCarriesPoints() throws Exception {
        HttpResponse<String> check = read("T2", "T4", tripodOn("T2"), "1.600", "-12.0");
        assertThat(check.body()).contains("\"within\":true", "Distance and height agree with control");
        assertThat(page("/setup")).contains("Accept setup", "Distance and height agree with control");   // a reload keeps it
        assertThat(journals.state(job).leaves()).isEmpty();
        accept("");
        assertThat(journals.state(job).leaves()).hasSize(1);
        verge.ground().pole(Ternholm.YARD);
        assertThat(shoot("101").statusCode()).isEqualTo(200);
        assertThat(journals.state(job).find(new PointName("101"), Origin.MEASURED)).isPresent();
        assertThat(shoot("101").body()).contains("There already is a point called");
    }

    @Test
    void aWrongPoleHeightShowsInTheCheckAndIsMendedWithoutAnotherWalk() throws Exception {
        String tape = tripodOn("T2");
        assertThat(read("T2", "T4", tape, "1.700", "-12.0").body()).contains("\"within\":false", "The height does not agree");
        assertThat(accept("").body()).contains("REASON_NEEDED");
        assertThat(journals.state(job).leaves()).isEmpty();
        assertThat(visitor.post(path("/setup/recheck"), Map.of("height-0", "1.600", "prism-0", "-12.0")).body()).contains("\"within\":true");
    }

    @Test
    void aPrismConstantInMetresTypedAsMillimetresIsNoticed() throws Exception {
        String tape = tripodOn("T2");
        assertThat(read("T2", "T4", tape, "1.600", "-0.012").body()).contains("PRISM_CONSTANT_UNIT", "\u221212.0 mm");
        assertThat(read("T2", "T4", tape, "1.600", "-12 m").body()).contains("cannot be right");
    }

    @Test
    void aPoleMadeHigherAndTypedAsHighGivesTheSameGround() throws Exception {
        setUp();
        assertThat(shoot("101").statusCode()).isEqualTo(200);
        verge.ground().extend(new Length(2.15));
        visitor.post(path("/pole"), Map.of("targetHeight", "2.150", "prismConstant", "-12"));
        assertThat(shoot("102").body()).contains("103");
        visitor.post(path("/pole"), Map.of("targetHeight", "1.600", "prismConstant", "-12.0 mm"));
        assertThat(shoot("103").body()).contains("104");
        verge.ground().extend(new Length(1.6));
        assertThat(elevation("102")).isCloseTo(elevation("101"), within(0.004));
        assertThat(elevation("103") - elevation("102")).as("forgotten to type it").isCloseTo(0.55, within(0.004));
        assertThat(visitor.post(path("/pole"), Map.of("targetHeight", "16", "prismConstant", "0")).body()).contains("OUT_OF_RANGE");
    }

    private double elevation(String name) {
        return journals.state(job).find(new PointName(name)).orElseThrow().position().elevation().orElseThrow().metres();
    }

    @Test
    void aReadingCanBeTakenAgainOrSetAside() throws Exception {
        String tape = tripodOn("T2");
        verge.ground().go("T1");
        assertThat(read("T2", "T4", tape, "1.600", "-12.0").body()).contains("most likely the wrong mark");
        verge.ground().go("T4");
        assertThat(read("T2", "T4", tape, "1.600", "-12.0").body()).contains("\"within\":true");
        visitor.post(path("/setup/discard"), Map.of());
        assertThat(accept("").body()).contains("BACKSIGHT_NOT_READ");
    }

    @Test
    void aSetupThatIsOutsideNeedsAReasonWhichStaysOnRecord() throws Exception {
        read("T2", "T4", tripodOn("T2"), "1.650", "-12.0");
        accept("pole slipped, heights not needed today");
        assertThat(page("/book")).contains("accepted because: pole slipped, heights not needed today");
    }

    @Test
    void whatIsTypedWronglyIsRefusedBeforeAnythingIsRead() throws Exception {
        String tape = tripodOn("T2");
        assertThat(read("T9", "T4", tape, "1.6", "0").body()).contains("POINT_UNKNOWN");
        assertThat(read("T2", "T2", tape, "1.6", "0").body()).contains("COINCIDENT_POINTS");
        assertThat(read("T2", "T4", "155", "1.6", "0").body()).contains("OUT_OF_RANGE");
        assertThat(read("T2", "T4", "high", "1.6", "0").body()).contains("NOT_A_LENGTH");
        assertThat(read("T2", "", tape, "1.6", "0").body()).contains("MISSING");
        assertThat(accept("").body()).contains("BACKSIGHT_NOT_READ");
    }

    @Test
    void aTripodThatWasCarriedEndsTheLeaf() throws Exception {
        setUp();
        tripodOn("T3");
        assertThat(shoot("101").body()).contains("INSTRUMENT_MOVED");
        assertThat(journals.state(job).find(new PointName("101"))).isEmpty();
    }

    @Test
    void aLinkThatDropsInTheMiddleOfAShotStoresNothingAndTheNextShotGoes() throws Exception {
        setUp();
        int before = journals.journal(job).entries().size();
        verge.ground().cutNextAnswer();
        HttpResponse<String> lost = shoot("101");
        assertThat(lost.statusCode()).isEqualTo(503);
        assertThat(lost.body()).contains("LINK_LOST", "nothing was stored");
        assertThat(journals.journal(job).entries()).hasSize(before);
        await(() -> desk.snapshot(job).map(s -> s.link() == LinkState.UP).orElse(false));
        assertThat(shoot("101").statusCode()).isEqualTo(200);
    }

    /** The answer was lost on the way, the pole has been carried on: sent again, it must not pass for the new place. */
    @Test
    void whatIsSentTwiceIsStoredOnceAndSaidToBeTheEarlier() throws Exception {
        setUp();
        Map<String, String> shot = Map.of("id", UUID.randomUUID().toString(), "name", "101", "code", "GRD");
        assertThat(visitor.post(path("/measure/shots"), shot).body()).contains("\"before\":false");
        GridPoint where = journals.state(job).find(new PointName("101")).orElseThrow().position().plan();
        verge.ground().pole(Ternholm.YARD.plus(5, 5));
        assertThat(visitor.post(path("/measure/shots"), shot).body()).contains("\"before\":true", "\"next\":\"102\"");
        assertThat(journals.state(job).find(new PointName("101")).orElseThrow().position().plan()).isEqualTo(where);
        verge.ground().go("BM-Sill");
        Map<String, String> stake = Map.of("id", UUID.randomUUID().toString(), "point", "BM-Sill");
        assertThat(visitor.post(path("/stake/stakes"), stake).body()).doesNotContain("nothing was measured now");
        assertThat(visitor.post(path("/stake/stakes"), stake).body()).contains("Stored BM-Sill: staked minus design N", "nothing was measured now");
        Map<String, String> acceptance = Map.of("id", UUID.randomUUID().toString(), "reason", "");
        read("T2", "T4", tripodOn("T2"), "1.600", "-12.0");
        visitor.post(path("/setup/accept"), acceptance);
        assertThat(visitor.post(path("/setup/accept"), acceptance).statusCode()).isEqualTo(200);
        assertThat(journals.state(job).leaves()).hasSize(2);
    }

    @Test
    void withoutSetupOrInstrumentNothingIsMeasured() throws Exception {
        assertThat(shoot("101").body()).contains("NO_SETUP");
        visitor.post(path("/instrument/disconnect"), Map.of());
        assertThat(shoot("101").body()).contains("NO_INSTRUMENT");
        assertThat(visitor.post(path("/instrument"), Map.of("address", "nowhere")).body()).contains("ADDRESS_UNFIT");
    }

    @Test
    void aStakeOutsideItsToleranceNeedsAReason() throws Exception {
        setUp();
        verge.ground().go("T1");
        Map<String, String> far = Map.of("id", UUID.randomUUID().toString(), "point", "BM-Sill");
        assertThat(visitor.post(path("/stake/stakes"), far).body()).contains("REASON_NEEDED");
        verge.ground().go("BM-Sill");
        HttpResponse<String> stored = visitor.post(path("/stake/stakes"), far);
        assertThat(stored.body()).contains("Stored BM-Sill: staked minus design N ");
        JobState state = journals.state(job);
        assertThat(state.find(new PointName("BM-Sill"), Origin.STAKED).orElseThrow().staked().orElseThrow().north().abs().metres()).isLessThan(0.015);
        assertThat(state.find(new PointName("BM-Sill")).orElseThrow().origin()).isEqualTo(Origin.CONTROL);
    }

    @Test
    void strikingAShotTakesItsPointFromTheSketch() throws Exception {
        setUp();
        shoot("101");
        UUID entry = journals.state(job).find(new PointName("101")).orElseThrow().entry();
        assertThat(visitor.post(path("/book/" + entry + "/strike"), Map.of()).body()).contains("Bring back", "hz=");
        assertThat(page("/sketch")).doesNotContain("\"101\"");
        visitor.post(path("/book/" + entry + "/restore"), Map.of());
        assertThat(page("/sketch")).contains("\"101\"");
    }

    @Test
    void anOpenPageIsToldTheWayTheBookAndThatTheSetupNoLongerHolds() throws Exception {
        setUp();
        Iterator<String> told = visitor.lines(path("/live?stake=BM-Sill&facing=north"));
        // From the yard's middle the benchmark lies north and east.
        awaitTold(told, "guide", data -> data.contains("\"forwardWord\":\"Forward\"") && data.contains("\"rightWord\":\"Right\"")
                && data.contains("Still outside in plan and height"));
        shoot("101");
        awaitTold(told, "book", ("data:" + journals.journal(job).entries().size())::equals);
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

    /** One honest reading in a few hundred lies outside its limit by chance: then the mark is read again, as anybody would. */
    private void setUp() throws Exception {
        String tape = tripodOn("T2");
        String read = read("T2", "T4", tape, "1.600", "-12.0").body();
        for (int i = 0; i < 2 && !read.contains(FieldParty.ALL_WITHIN); i++) {
            read = read("T2", "T4", tape, "1.600", "-12.0").body();
        }
        assertThat(accept("").statusCode()).isEqualTo(200);
        verge.ground().pole(Ternholm.YARD);
    }

    /** Carries the tripod there and the pole to T4, and waits until the instrument has told of it. */
    private String tripodOn(String mark) {
        long before = upsets();
        PracticeGround.Sight sight = verge.ground().stand(mark);
        verge.ground().go("T4");
        await(() -> upsets() > before);
        return Decimals.print(sight.occupied().orElseThrow().tape().metres(), 3);
    }

    private long upsets() {
        return desk.snapshot(job).flatMap(s -> s.condition()).orElseThrow().upsets();
    }

    private HttpResponse<String> read(String station, String backsight, String tape, String pole, String prism) throws Exception {
        return visitor.post(path("/setup/mark"), form(station, backsight, tape, pole, prism));
    }

    private static Map<String, String> form(String station, String backsight, String tape, String pole, String prism) {
        return Map.of("kind", "KNOWN_POINT", "station", station, "mark", backsight, "instrumentHeight", tape, "targetHeight", pole, "prismConstant", prism,
                "temperature", "11.4", "pressure", "1008.6");
    }

    private HttpResponse<String> accept(String reason) throws Exception {
        return visitor.post(path("/setup/accept"), Map.of("id", UUID.randomUUID().toString(), "reason", reason));
    }

    private HttpResponse<String> shoot(String name) throws Exception {
        return visitor.post(path("/measure/shots"), Map.of("id", UUID.randomUUID().toString(), "name", name, "code", "GRD"));
    }

    private String page(String rest) throws Exception {
        return visitor.get(path(rest)).body();
    }

    private String path(String rest) {
        return "/jobs/" + job + rest;
    }

    private static void await(BooleanSupplier reached) {
        Instant end = Instant.now().plus(Duration.ofSeconds(15));
        while (!reached.getAsBoolean()) {
            assertThat(Instant.now()).as("waiting").isBefore(end);
            Thread.onSpinWait();
        }
    }
}
