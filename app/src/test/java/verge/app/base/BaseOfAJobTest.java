package verge.app.base;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.support.TransactionTemplate;
import verge.app.account.TokenService;
import verge.app.job.Job;
import verge.app.journal.Appending;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.receiver.ReceiverDesk;
import verge.app.receiver.Seat;
import verge.app.support.JobWithReceivers;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.base.Base;
import verge.core.base.EndOf;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.job.OnProvisional;
import verge.core.journal.Entry;
import verge.core.points.StoredPoint;
import verge.core.satellite.RadioChannel;
import verge.core.satellite.SolvedPosition.Kind;
import verge.core.session.EndOfSession;
import verge.core.session.RawOf;
import verge.core.session.Session;
import verge.core.session.Sessions;
import verge.instruments.receiver.ReceiverCondition;
import verge.instruments.standin.PracticeGround;
import verge.instruments.world.OnEarth;
import verge.instruments.world.Ternholm;

/**
 * A job with a base of its own: started where the sky says or over a mark, sent to a caster or on the air, corrected in the evening; and
 * what keeps it from being started wrong.
 */
class BaseOfAJobTest extends JobWithReceivers {
    private static final GridPoint T2 = Ternholm.YARD.plus(-31.205, -8.664);
    private static final String TRIPOD = "1.6";

    BaseOfAJobTest(VergeServer.Running verge) {
        super(verge);
    }

    @BeforeEach
    void connect() throws Exception {
        ground.pole(Ternholm.YARD.plus(3, 4));
        atTheTripod();
    }

    private void atTheTripod() throws Exception {
        post("/base", Map.of("address", "127.0.0.1:" + verge.standIn().tripodReceiverPort(), "name", "tripod"));
        antenna("/base", dish(), TRIPOD, "MOUNT");
        until(() -> snapshot(Seat.base(job.id())).condition().isPresent() && verge.bean(BaseDesk.class).sky(job.id()).isPresent());
    }

    @AfterEach
    void well() throws Exception {
        ground.antenna(PracticeGround.Of.TRIPOD, true);
        ground.crew(false);
        ground.tripodMoved(0, 0, 0);
        post("/base/end", Map.of("id", anId()));
        post("/base/disconnect", Map.of());
        post("/receiver/disconnect", Map.of());
    }

    /** In the job's own grid and heights. */
    private Position inJob(GridPoint at, double elevation) {
        return state().geodesy().position(OnEarth.at(at, elevation)).orElseThrow();
    }

    private Position trueMark() {
        return inJob(T2, Ternholm.surface(T2).metres());
    }

    private Position trueTip() {
        PracticeGround.Sight seen = ground.look();
        return inJob(seen.tip().plan(), seen.tip().elevation().orElseThrow().metres());
    }

    /** Sites have their own antennas. */
    private String dish() {
        return "DISH " + job.id().toString().substring(0, 8);
    }

    private Map<String, String> fields(String from, String name, Position at) {
        Map<String, String> all = new HashMap<>(Map.of("id", anId(), "from", from, from.equals("KNOWN") ? "mark" : "newMark", name, "way",
                "OTHER", "kind", "7", "seconds", "1"));
        if (at != null) {
            all.putAll(Map.of("northing", Double.toString(at.plan().northing()), "easting", Double.toString(at.plan().easting()),
                    "elevation", Double.toString(at.elevation().orElseThrow().metres())));
        }
        return all;
    }

    private HttpResponse<String> start(Map<String, String> fields) throws Exception {
        return post("/base/start", fields);
    }

    private boolean isProvisional(String name) {
        return OnProvisional.of(journal()).has(point(name).orElseThrow());
    }

    private long lines() {
        return journal().entries().size();
    }

    /**
     * A day's way: provisional over the internet, a rover's point that says so everywhere, the truth in the evening, and the point lies
     * where the pole truly stood. The second start is told of the first.
     */
    @Test
    void aProvisionalBaseCorrectedInTheEvening() throws Exception {
        Map<String, String> sky = fields("SKY", "BASE1", null);
        String mountpoint = "B" + job.id().toString().substring(0, 8);
        sky.putAll(Map.of("way", "INTERNET", "caster", "127.0.0.1:" + verge.standIn().casterPort(), "mountpoint", "GALLERY"));
        assertThat(start(sky).body()).contains("UPLINK_REFUSED");
        assertThat(state().bases().all()).isEmpty();
        sky.put("mountpoint", mountpoint);
        assertThat(start(sky).statusCode()).isEqualTo(204);
        assertThat(start(sky).statusCode()).as("sent twice").isEqualTo(204);
        assertThat(start(fields("SKY", "BASE2", null)).body()).contains("BASE_RUNS");
        assertThat(state().bases().all()).hasSize(1);
        post("/receiver", Map.of("address", "127.0.0.1:" + verge.standIn().receiverPort(), "name", "rover"));
        post("/receiver/corrections", Map.of("caster", "127.0.0.1:" + verge.standIn().casterPort(), "mountpoint", mountpoint));
        antenna("/receiver", dish(), Double.toString(ground.look().mount().metres()), "MOUNT");
        until(() -> snapshot(Seat.rover(job.id())).now().filter(p -> p.kind() == Kind.FIXED).isPresent() && snapshot(Seat.rover(job.id()))
                .base().filter(state().bases().all().get(0)::isHeard).isPresent());
        assertThat(post("/measure/shots", Map.of("id", anId(), "name", "R1", "code", "GRD", "by", "receiver")).statusCode()).isEqualTo(200);
        assertThat(isProvisional("R1")).isTrue();
        assertThat(state().bases().all().get(0).reference().minus(state().bases().all().get(0).sent().place()).length())
                .as("what was sent is what is kept").isLessThan(1e-3);
        until(() -> verge.bean(BaseDesk.class).uplink(job.id()).flatMap(u -> u.back()).flatMap(b -> b.told().base()).isPresent());
        String bench = visitor.get("/jobs/" + job.id() + "/setup/base").body();
        assertThat(bench).contains("Sends, provisional").contains("number 7, ").contains("It never fixes").contains("BASE1 provisional");
        assertThat(visitor.get("/jobs/" + job.id() + "/handover/points.csv?what=MEASURED").body())
                .contains("# PROVISIONAL: 2 points rest on base BASE1").contains("Provisional\r\n").containsPattern("R1,.*,base BASE1\r\n");
        assertThat(visitor.get("/jobs/" + job.id() + "/book").body()).contains("provisional");

        UUID entry = state().bases().all().get(0).entry();
        Map<String, String> truth = fields("TYPED", "", trueMark());
        HttpResponse<String> seen = post("/base/" + entry + "/correct/preview", truth);
        assertThat(seen.body()).contains("2 points move").contains("R1");
        Map<String, String> wrong = new HashMap<>(truth);
        wrong.put("elevation", "45.2");
        assertThat(post("/base/" + entry + "/correct/preview", wrong).body()).contains("BASE_OFF_SKY")
                .contains("height above the ellipsoid");
        truth.put("reason", "levelled in");
        assertThat(post("/base/" + entry + "/correct", truth).statusCode()).isEqualTo(204);
        StoredPoint measured = point("R1").orElseThrow();
        assertThat(measured.position().plan().distanceMetres(trueTip().plan()))
                .isLessThan(5 * measured.sigma().orElseThrow().plan().metres());
        assertThat(measured.position().elevation().orElseThrow().minus(trueTip().elevation().orElseThrow()).metres())
                .isBetween(-0.08, 0.08);
        assertThat(isProvisional("R1")).isFalse();
        assertThat(visitor.get("/jobs/" + job.id() + "/handover/points.csv?what=MEASURED").body()).doesNotContain("PROVISIONAL");

        String token = verge.bean(TokenService.class).make("surveyor", "bases");
        assertThat(visitor.program("GET", "/api/v1/jobs/" + job.id() + "/bases", token, "").body()).contains("\"mark\":\"BASE1\"")
                .contains("\"provisional\":false").contains("\"points\":1").contains("\"until\":null");
        assertThat(visitor.program("GET", "/api/v1/jobs/" + job.id() + "/control-seen", token, "").body()).isEqualTo("[]");
        assertThat(visitor.program("POST", "/api/v1/jobs/" + job.id() + "/bases/" + entry + "/corrections/preview", token,
                "{\"fields\":{\"from\":\"KNOWN\",\"mark\":\"NOWHERE\"}}").body()).contains("POINT_UNKNOWN");
        String report = visitor.get("/jobs/" + job.id() + "/setup/base/" + entry + "/report").body();
        assertThat(report).contains("Base report, BASE1").contains("the mark&#39;s coordinates").contains("R1").contains("levelled in")
                .contains("how it came about").doesNotContain("Provisional.");
        assertThat(visitor.get("/jobs/" + job.id() + "/setup/base/" + entry + "/report.pdf").body()).startsWith("%PDF");

        assertThat(post("/base/end", Map.of("id", anId())).statusCode()).isEqualTo(204);
        assertThat(start(fields("SKY", "BASE2", null)).body()).contains("BASE_HERE_AGAIN").contains("over BASE1");
        assertThat(start(fields("KNOWN", "BASE1", null)).statusCode()).isEqualTo(204);
        assertThat(state().bases().all()).hasSize(2).allSatisfy(b -> assertThat(b.provisional()).isFalse());
    }

    /**
     * A crew that begins a job each day: the other job's base over the same mark is offered, provisional or known as it is there, and a
     * start from the sky alone is told of the shift. Not where the antenna was carried away, nor another site's.
     */
    @Test
    void theSameMarkInTheNextJob() throws Exception {
        assertThat(start(fields("SKY", "BASE1", null)).statusCode()).isEqualTo(204);
        Job first = job;
        Base before = state().bases().all().get(0);
        post("/base/end", Map.of("id", anId()));
        post("/base/disconnect", Map.of());
        job = Jobs.beside(verge, first);
        atTheTripod();
        assertThat(page("/base/now")).contains("over <b>BASE1 of the job Files</b>", "data-job=\"" + first.id() + "\"");
        assertThat(start(fields("SKY", "BASE1", null)).body()).contains("BASE_HERE_AGAIN", "over BASE1 of the job Files");
        Map<String, String> earlier = fields("EARLIER", "BASE1", null);
        earlier.putAll(Map.of("earlierJob", first.id().toString(), "earlier", before.entry().toString()));
        assertThat(page("/base/held?from=EARLIER&newMark=BASE1&earlierJob=" + first.id() + "&earlier=" + before.entry()))
                .contains("Taken over as it is there, over BASE1 of the job Files. The sky says: off by");
        assertThat(start(earlier).statusCode()).isEqualTo(204);
        assertThat(state().bases().all()).hasSize(2).allSatisfy(b -> {
            assertThat(b.provisional()).isTrue();
            assertThat(b.ground().minus(before.ground()).length()).isLessThan(1e-3);
        });
        Base now = state().bases().all().get(1);
        post("/rework/" + now.entry(), Map.of("antennaHeight", "1.7", "reason", "read again", "id", anId()));
        assertThat(state().bases().all().get(1).ground().minus(before.ground()).length()).as("the mark stays").isLessThan(1e-3);
        assertThat(state().bases().all().get(1).reference().minus(now.reference()).length()).as("its antenna does not")
                .isCloseTo(0.1, within(1e-3));
        assertThat(visitor.get("/jobs/" + job.id() + "/book").body()).contains("noted: over BASE1 of the job Files");
        post("/base/end", Map.of("id", anId()));
        Map<String, String> truth = fields("TYPED", "", trueMark());
        truth.put("reason", "levelled in");
        assertThat(visitor.post("/jobs/" + first.id() + "/base/" + before.entry() + "/correct", truth).statusCode()).isEqualTo(204);
        earlier.putAll(Map.of("id", anId(), "newMark", "T2"));
        assertThat(start(earlier).statusCode()).isEqualTo(204);
        assertThat(state().bases().all()).hasSize(3);
        assertThat(state().bases().all().get(2).provisional()).isFalse();
        assertThat(point("T2").orElseThrow().position().plan().distanceMetres(trueMark().plan())).isLessThan(1e-3);
        post("/base/end", Map.of("id", anId()));
        earlier.putAll(Map.of("id", anId(), "newMark", "T3"));
        ground.tripodMoved(40, 10, 0);
        until(() -> verge.bean(BaseDesk.class).sky(job.id()).filter(s -> s.antenna().minus(before.ground()).length() > 20).isPresent());
        assertThat(start(earlier).body()).contains("EARLIER_BASE_NOT_HERE");
        ground.tripodMoved(0, 0, 0);
        post("/base/disconnect", Map.of());
        job = Jobs.elsewhere(verge);
        atTheTripod();
        assertThat(page("/base/now")).doesNotContain("stood here before");
        assertThat(start(earlier).body()).contains("NO_BASE");
    }

    /**
     * Figures that the sky does not bear out start nothing and write nothing: a question wants a yes, a stop a reason, and the likeliest
     * slip is named.
     */
    @Test
    void mistypedCoordinatesAreStopped() throws Exception {
        Position mark = trueMark();
        long before = lines();
        Position off = new Position(mark.plan().plus(8, 0), mark.elevation());
        assertThat(start(fields("TYPED", "T2", off)).body()).contains("BASE_OFF_SKY");
        Position exchanged = new Position(new GridPoint(mark.plan().easting(), mark.plan().northing()), mark.elevation());
        assertThat(start(fields("TYPED", "T2", exchanged)).body()).contains("BASE_FAR_OFF_SKY").contains("coordinates look exchanged");
        Position far = new Position(mark.plan().plus(300, 0), mark.elevation());
        assertThat(start(fields("TYPED", "T2", far)).body()).contains("BASE_FAR_OFF_SKY").contains("northing looks wrong");
        assertThat(start(fields("KNOWN", "NOWHERE", null)).body()).contains("POINT_UNKNOWN");
        Map<String, String> never = fields("SKY", "T2", null);
        never.put("seconds", "0");
        assertThat(start(never).body()).contains("OUT_OF_RANGE");
        assertThat(lines()).isEqualTo(before);
        assertThat(visitor.get("/jobs/" + job.id() + "/base/held?from=TYPED&newMark=T2&northing=" + off.plan().northing() + "&easting="
                + off.plan().easting() + "&elevation=" + off.elevation().orElseThrow().metres()).body()).contains("\"grade\":\"question\"");
        Map<String, String> sure = fields("TYPED", "T2", off);
        sure.put("sure", "true");
        assertThat(start(sure).statusCode()).isEqualTo(204);
        assertThat(state().bases().all()).singleElement().satisfies(b -> assertThat(b.provisional()).isFalse());
        post("/base/end", Map.of("id", anId()));
        Map<String, String> reasoned = fields("TYPED", "T3", far);
        reasoned.put("reason", "own grid, moved on purpose");
        assertThat(start(reasoned).statusCode()).isEqualTo(204);
        assertThat(journal().entries()).extracting(e -> e.payload().getClass().getSimpleName())
                .containsSubsequence("PointsImported", "BaseSetUp", "BaseEnded", "PointsImported", "BaseSetUp");
    }

    /**
     * What it writes beside is a session like others: named, ended with the base, fetched from its card; after a loss of power the same
     * file goes on.
     */
    @Test
    void rawObservationsBesideABase() throws Exception {
        Map<String, String> sky = fields("SKY", "BASE1", null);
        sky.put("logging", "true");
        assertThat(start(sky).statusCode()).isEqualTo(204);
        Session beside = state().all(new Sessions()).get(0);
        until(() -> snapshot(Seat.base(job.id())).condition().flatMap(ReceiverCondition::writing)
                .filter(w -> w.file().equals(beside.said().name().file()) && w.epochs() > 1).isPresent());
        ground.receiverBattery(PracticeGround.Of.TRIPOD, 0);
        until(() -> snapshot(Seat.base(job.id())).condition().isEmpty());
        ground.receiverBattery(PracticeGround.Of.TRIPOD, -1);
        until(() -> snapshot(Seat.base(job.id())).condition().isPresent());
        assertThat(post("/base/again", Map.of()).statusCode()).isEqualTo(204);
        until(() -> snapshot(Seat.base(job.id())).condition().flatMap(ReceiverCondition::writing)
                .filter(w -> w.file().equals(beside.said().name().file()) && w.epochs() > 1).isPresent());
        assertThat(post("/base/end", Map.of("id", anId())).statusCode()).isEqualTo(204);
        assertThat(state().latest(new EndOfSession(beside.entry()))).isPresent();
        UUID base = state().bases().all().get(0).entry();
        verge.bean(JournalService.class).strike(job.id(), Author.atPage("surveyor"), state().latest(new EndOf(base)).orElseThrow());
        assertThat(page("/setup/base")).contains("End it in the book");
        assertThat(post("/base/" + base + "/end", Map.of("id", anId())).statusCode()).isEqualTo(204);
        assertThat(post("/base/" + base + "/end", Map.of("id", anId())).body()).as("it has ended").contains("NO_BASE");
        assertThat(post("/static/" + beside.entry() + "/fetch", Map.of("id", anId())).statusCode()).isEqualTo(204);
        assertThat(state().latest(new RawOf(beside.entry())).orElseThrow().summary().gaps()).hasSize(1);
    }

    /**
     * One receiver is not both; one that sends unasked is told of; a start from two tabs is one base; a height in feet, and one of another
     * day, are doubted.
     */
    @Test
    void whoTriesTwice() throws Exception {
        post("/receiver", Map.of("address", "127.0.0.1:" + verge.standIn().tripodReceiverPort(), "name", "tripod"));
        assertThat(start(fields("SKY", "BASE1", null)).body()).contains("BASE_IS_ROVER");
        post("/receiver/disconnect", Map.of());
        antenna("/base", dish(), "5.25", "MOUNT");
        assertThat(visitor.get("/jobs/" + job.id() + "/setup/base").body()).contains("was that feet?");
        antenna("/base", dish(), TRIPOD, "MOUNT");
        CompletableFuture<HttpResponse<String>> other = meanwhile("/base/start", fields("SKY", "BASE2", null));
        HttpResponse<String> one = start(fields("SKY", "BASE1", null));
        assertThat(List.of(one.statusCode(), other.join().statusCode())).containsExactlyInAnyOrder(204, 422);
        assertThat(state().bases().all()).hasSize(1);
        assertThat(post("/base", Map.of("address", "127.0.0.1:" + verge.standIn().receiverPort(), "name", "other")).body())
                .contains("still sends");
        Entry base = verge.bean(JournalService.class).journal(job.id()).entry(state().bases().all().get(0).entry()).orElseThrow();
        parted(base, false);
        assertThat(visitor.get("/jobs/" + job.id() + "/setup/base").body()).contains("It sends as a base already, as number 7");
        parted(base, true);
    }

    /** As if what is kept of the seat and its journal had parted. */
    private void parted(Entry base, boolean runs) {
        Appending what = verge.bean(ReceiverDesk.class)
                .running(Seat.base(job.id()), runs, Appending.of(Author.atPage("surveyor"), base.payload()));
        verge.bean(TransactionTemplate.class).executeWithoutResult(status -> what.within().accept(base));
        what.after().accept(base);
    }

    /**
     * By radio: a channel on which somebody sends is heard before anything goes out; a code read aloud means its channel; without an
     * antenna nothing starts.
     */
    @Test
    void onTheAir() throws Exception {
        Map<String, String> air = fields("SKY", "BASE1", null);
        air.putAll(Map.of("way", "RADIO", "megahertz", "441.5", "spacing", "12.5", "modulation", "GMSK", "watts", "1"));
        ground.crew(true);
        assertThat(start(air).body()).contains("CHANNEL_IN_USE").contains("441.500 MHz");
        ground.crew(false);
        air.put("code", "1234 5678");
        assertThat(start(air).body()).contains("RADIO_CODE_UNFIT");
        ground.antenna(PracticeGround.Of.TRIPOD, false);
        until(() -> snapshot(Seat.base(job.id())).condition().filter(c -> c.antenna().isBlank()).isPresent());
        assertThat(start(air).body()).contains("NO_ANTENNA");
        ground.antenna(PracticeGround.Of.TRIPOD, true);
        until(() -> snapshot(Seat.base(job.id())).condition().filter(c -> !c.antenna().isBlank()).isPresent() && verge.bean(BaseDesk.class)
                .sky(job.id()).isPresent());
        air.put("code", new RadioChannel(442, 25, "4FSK").code());
        assertThat(start(air).statusCode()).isEqualTo(204);
        until(() -> snapshot(Seat.base(job.id())).condition().flatMap(c -> c.radio())
                .filter(r -> r.megahertz() == 442 && r.modulation().equals("4FSK")).isPresent());
        assertThat(visitor.get("/jobs/" + job.id() + "/setup/base").body()).contains("442.000 MHz, 25 kHz apart, 4FSK")
                .contains("Carries over flat land");
        assertThat(List.copyOf(state().bases().all())).hasSize(1);
    }

    /**
     * What goes wrong while it sends is told on its bench: another crew that joins on its channel, a tripod that is carried away, that both
     * are over again, and a receiver that somebody set otherwise.
     */
    @Test
    void whatGoesWrongWhileItSends() throws Exception {
        Map<String, String> air = fields("SKY", "BASE1", null);
        air.putAll(Map.of("way", "RADIO", "megahertz", "441.5", "spacing", "12.5", "modulation", "GMSK", "watts", "1"));
        assertThat(start(air).statusCode()).isEqualTo(204);
        assertThat(page("/base/now")).doesNotContain("Somebody else sends", "carried away");
        ground.crew(true);
        until(() -> page("/base/now").contains("Somebody else sends on its channel"));
        ground.crew(false);
        until(() -> !page("/base/now").contains("Somebody else sends"));
        ground.tripodMoved(40, 10, 0);
        until(() -> page("/base/now").contains("was it carried away?"));
        ground.tripodMoved(0, 0, 0);
        verge.bean(ReceiverDesk.class).ready(Seat.base(job.id())).set("ROLE", "ROVER").join();   // at its own panel
        until(() -> page("/base/now").contains("does not send any more"));
        assertThat(page("/base/now")).contains("Does not send");
        assertThat(post("/base/again", Map.of()).statusCode()).isEqualTo(204);
        until(() -> !page("/base/now").contains("does not send any more"));
    }

    /**
     * A stream that carries somebody else's base since noon: nothing is measured from it without a reason, and the reason stands in the
     * book.
     */
    @Test
    void aStreamThatCarriesAnothersBase() throws Exception {
        post("/receiver", Map.of("address", "127.0.0.1:" + verge.standIn().receiverPort(), "name", "rover"));
        post("/receiver/corrections", Map.of("caster", "127.0.0.1:" + verge.standIn().casterPort(), "mountpoint", "GALLERY"));
        antenna("/receiver", dish(), Double.toString(ground.look().mount().metres()), "MOUNT");
        until(() -> snapshot(Seat.rover(job.id())).now().filter(p -> p.kind() == Kind.FIXED).isPresent() && snapshot(Seat.rover(job.id()))
                .base().filter(b -> b.station() == 417).isPresent());
        assertThat(shot("R1", "").statusCode()).isEqualTo(200);
        try {
            ground.neighbourOnGallery(true);
            until(() -> snapshot(Seat.rover(job.id())).base().filter(b -> b.station() == 530).isPresent());
            until(() -> snapshot(Seat.rover(job.id())).now().filter(p -> p.kind() == Kind.FIXED && p.base().equals("0530")).isPresent());
            assertThat(visitor.get("/jobs/" + job.id() + "/setup/receiver").body())
                    .contains("The stream GALLERY carries base 530 now; your points were measured from base 417.");
            assertThat(shot("R2", "").body()).contains("BASE_NOT_AS_BEFORE");
            assertThat(point("R2")).isEmpty();
            assertThat(shot("R2", "the gallery's base is being repaired").statusCode()).isEqualTo(200);
            assertThat(visitor.get("/jobs/" + job.id() + "/setup/receiver/report").body())
                    .contains("the gallery&#39;s base is being repaired", "GALLERY, number 530");
        } finally {
            ground.neighbourOnGallery(false);
        }
    }

    private HttpResponse<String> shot(String name, String reason) throws Exception {
        return post("/measure/shots", Map.of("id", anId(), "name", name, "code", "GRD", "by", "receiver", "reason", reason));
    }
}
