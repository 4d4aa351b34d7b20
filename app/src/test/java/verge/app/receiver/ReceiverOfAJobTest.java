package verge.app.receiver;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.app.job.Job;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.support.JobWithReceivers;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.core.base.BaseSetUp;
import verge.core.base.Sending;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthCovariance;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.GroundUse;
import verge.core.geodesy.Position;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.geodesy.Uncertainty;
import verge.core.job.JobState;
import verge.core.journal.Entry;
import verge.core.occupation.PointOccupied;
import verge.core.points.StoredPoint;
import verge.core.satellite.AntennaHeight;
import verge.core.satellite.AntennaModel;
import verge.core.satellite.AntennaOverMark;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.Epochs;
import verge.core.satellite.SkyMean;
import verge.core.satellite.SolvedPosition.Kind;
import verge.core.units.Length;
import verge.instruments.port.LinkState;
import verge.instruments.receiver.ReceiverCondition.TiltState;
import verge.instruments.receiver.ReceiverSnapshot;
import verge.instruments.standin.Caster;
import verge.instruments.standin.PracticeGround;
import verge.instruments.standin.ReceiverStandIn;
import verge.instruments.world.OnEarth;
import verge.instruments.world.Ternholm;

/** A job with a satellite receiver: connected, corrected, its antenna told; points measured with it, and what must not become one. */
class ReceiverOfAJobTest extends JobWithReceivers {
    private static final String ANTENNA = "DISH " + UUID.randomUUID().toString().substring(0, 8);

    ReceiverOfAJobTest(VergeServer.Running verge) {
        super(verge);
    }

    @BeforeEach
    void connect() throws Exception {
        ground.pole(Ternholm.YARD.plus(3, 4));
        post("/receiver", Map.of("address", "127.0.0.1:" + verge.standIn().receiverPort(), "name", "rover"));
        corrected("GALLERY");
    }

    @AfterEach
    void well() throws Exception {
        ground.caster(Caster.Fault.NONE);
        ground.receiver(PracticeGround.Of.POLE, ReceiverStandIn.Fault.NONE);
        post("/receiver/disconnect", Map.of());
    }

    private void corrected(String mountpoint) throws Exception {
        post("/receiver/corrections", Map.of("caster", "127.0.0.1:" + verge.standIn().casterPort(), "mountpoint", mountpoint));
    }

    private ReceiverSnapshot snapshot() {
        return snapshot(Seat.rover(job.id()));
    }

    private void untilFixed() throws InterruptedException {
        until(() -> snapshot().now().filter(p -> p.kind() == Kind.FIXED && p.base().equals("0417")).isPresent() && snapshot().base()
                .filter(b -> b.name().equals("GALLERY")).isPresent() && snapshot().condition().isPresent());
    }

    private void antenna(String height, String to) throws Exception {
        antenna("/receiver", ANTENNA, height, to);
    }

    private HttpResponse<String> measure(UUID id, String name) throws Exception {
        return post("/measure/shots", shot(id, name));
    }

    private static Map<String, String> shot(UUID id, String name) {
        return Map.of("id", id.toString(), "name", name, "code", "GRD", "by", "receiver");
    }

    private long lines() {
        return journal().entries().size();
    }

    /** Where the tip truly is, as the job's own constant geoid has heights. */
    private Position truth() {
        PracticeGround.Sight seen = ground.look();
        return state().geodesy().position(OnEarth.at(seen.tip().plan(), seen.tip().elevation().orElseThrow().metres())).orElseThrow();
    }

    /**
     * A base that was heard before, a stream that carries another, and one of the number of the job's own that stands elsewhere are not
     * passed over.
     */
    @Test
    void anotherBaseThanBefore() {
        EarthCentred there = EarthCentred.of(OnEarth.at(Ternholm.YARD, 6), ReferenceEllipsoid.WGS84);
        AntennaOverMark antenna = new AntennaOverMark(new AntennaModel("DISH", Optional.empty(), 0, Map.of()),
                new AntennaHeight(new Length(1.6), AntennaHeight.To.MOUNT));
        BaseHeard own = new BaseHeard("YARD", 7, there);
        JournalService journals = verge.bean(JournalService.class);
        Epochs epochs = new Epochs(5, Instant.EPOCH, Instant.EPOCH.plusSeconds(4), Kind.FIXED, 21, OptionalDouble.empty(),
                OptionalDouble.empty());
        journals.append(job.id(), Author.atPage("surveyor"),
                new BaseSetUp(new PointName("B1"), BaseSetUp.Held.SKY, antenna, own,
                Optional.of(new SkyMean(there, new EarthCovariance(1, 0, 0, 1, 0, 1), epochs)), Sending.OTHERWISE, "tripod", ""));
        journals.append(job.id(), Author.atPage("surveyor"),
                new PointOccupied(new PointName("R9"), Code.NONE, Optional.of(new BaseHeard("GALLERY", 417, there)),
                new EarthCentred(10, 20, 30), new EarthCovariance(1e-4, 0, 0, 1e-4, 0, 1e-4), epochs, antenna, Optional.empty(), "rover",
                "", Map.of(), List.of()));
        JobState state = journals.state(job.id());
        EarthCentred off = there.plus(new EarthCentred(1.5, 0, 0));
        assertThat(ReceiverDoubts.changed(own, state)).isEmpty();
        assertThat(ReceiverDoubts.changed(new BaseHeard("GALLERY", 417, there), state)).isEmpty();
        assertThat(ReceiverDoubts.changed(new BaseHeard("OTHER", 7, off), state)).get().asString().contains("not the one over B1")
                .contains("1.500 m");
        assertThat(ReceiverDoubts.changed(new BaseHeard("GALLERY", 530, off), state)).get().asString().contains("carries base 530 now");
        assertThat(ReceiverDoubts.changed(new BaseHeard("GALLERY", 417, off), state)).get().asString()
                .contains("1.500 m from where it stood");
        journals.append(job.id(), Author.atPage("surveyor"),
                new PointOccupied(new PointName("R10"), Code.NONE, Optional.of(new BaseHeard("GALLERY", 417, there, 14)),
                new EarthCentred(10, 20, 30), new EarthCovariance(1e-4, 0, 0, 1e-4, 0, 1e-4), epochs, antenna, Optional.empty(), "rover",
                "", Map.of(), List.of()));
        assertThat(ReceiverDoubts.changed(new BaseHeard("GALLERY", 417, there, 14), journals.state(job.id()))).isEmpty();
        assertThat(ReceiverDoubts.changed(new BaseHeard("GALLERY", 417, there, 20), journals.state(job.id()))).get().asString()
                .contains("in ITRF2020; your points were measured from one in ITRF2014");
    }

    /**
     * Base and vector in the book, the ground below the antenna where it truly is, as well known as it says; its height corrected, it
     * moves; sent twice, it is one.
     */
    @Test
    void aPointIsMeasured() throws Exception {
        antenna(Double.toString(ground.look().mount().metres()), "MOUNT");
        untilFixed();
        UUID id = UUID.randomUUID();
        assertThat(measure(id, "R1").body()).contains("\"before\":false");
        assertThat(measure(id, "R1").body()).contains("\"before\":true");
        assertThat(lines()).isEqualTo(2);
        StoredPoint stored = point("R1").orElseThrow();
        Uncertainty sigma = stored.sigma().orElseThrow();
        assertThat(sigma.plan().metres()).isBetween(0.002, 0.03);
        assertThat(stored.position().plan().distanceMetres(truth().plan())).isLessThan(5 * sigma.plan().metres());
        assertThat(stored.position().elevation().orElseThrow().minus(truth().elevation().orElseThrow()).metres())
                .isCloseTo(0, within(5 * sigma.up().metres()));
        Entry entry = journal().entry(id).orElseThrow();
        PointOccupied said = (PointOccupied) entry.payload();
        assertThat(said.base().orElseThrow().name()).isEqualTo("GALLERY");
        assertThat(said.vector().length()).isBetween(20.0, 100.0);
        assertThat(said.epochs().count()).isEqualTo(5);
        assertThat(page("/setup/receiver/report")).contains("GALLERY, number 417", "1.700 m to the mount", "fixed, ");
        assertThat(page("/setup/receiver/report.pdf")).startsWith("%PDF");
        assertThat(page("/trace/" + id)).contains("Base GALLERY (number 417)", "Vector to the antenna", "1.735 m over the ground");
        double before = stored.position().elevation().orElseThrow().metres();
        post("/rework/" + id, Map.of("antennaHeight", "1.2", "reason", "the pole was shorter", "id", UUID.randomUUID().toString()));
        assertThat(point("R1").orElseThrow().position().elevation().orElseThrow().metres())
                .isCloseTo(before + said.antenna().height().measured().metres() - 1.2, within(1e-5));
    }

    /** Whatever is missing or wrong is said in words, and nothing is stored. */
    @Test
    void whatMustNotBecomeAPoint() throws Exception {
        assertThat(measure(UUID.randomUUID(), "R1").body()).contains("ANTENNA_HEIGHT_MISSING");
        antenna("1.7", "MOUNT");
        untilFixed();
        assertThat(post("/receiver/set", Map.of("what", "INITIALISE")).statusCode()).isEqualTo(204);
        until(() -> snapshot().now().filter(p -> p.kind() == Kind.FLOAT).isPresent());
        assertThat(measure(UUID.randomUUID(), "R1").body()).contains("The solution is float, not fixed.");
        untilFixed();
        post("/receiver/epochs", Map.of("epochs", "20"));
        CompletableFuture<HttpResponse<String>> walked = meanwhile("/measure/shots", shot(UUID.randomUUID(), "R1"));
        while (!walked.isDone()) {
            ground.walk(0.4, 0);
            Thread.sleep(200);
        }
        assertThat(walked.join().body()).contains("POLE_WANDERED");
        assertThat(post("/receiver/set", Map.of("what", "TILT", "value", "1")).statusCode()).isEqualTo(204);
        until(() -> snapshot().condition().orElseThrow().tilt().state() == TiltState.WALK);
        assertThat(measure(UUID.randomUUID(), "R1").body()).contains("TILT_NOT_READY");
        post("/receiver/set", Map.of("what", "TILT", "value", "0"));
        Job flat = Jobs.empty(verge);
        Job here = job;
        job = flat;
        post("/receiver", Map.of("address", "127.0.0.1:" + verge.standIn().receiverPort()));
        antenna("1.7", "MOUNT");
        assertThat(measure(UUID.randomUUID(), "R1").body()).contains("SYSTEM_NOT_ON_EARTH");
        post("/receiver/disconnect", Map.of());
        job = here;
        assertThat(lines()).isEqualTo(1);
    }

    /**
     * A caster that refuses or is none, a neighbour's stream, a line that speaks of something else: the bench says so, and it goes on by
     * itself or when it is asked.
     */
    @ParameterizedTest
    @CsvSource({"REFUSES, does not know this user or password", "HAS_NOTHING, has no such stream", "WEB_PAGE, what answers is no caster"})
    void whatACasterDoesIsSaid(Caster.Fault fault, String words) throws Exception {
        ground.caster(fault);
        corrected("GALLERY");
        post("/receiver/corrections/none", Map.of());
        corrected("GALLERY");
        until(() -> snapshot().corrections().filter(c -> !c.state().triesAgain()).isPresent());
        assertThat(page("/setup/receiver")).contains(words);
        ground.caster(Caster.Fault.NONE);
        corrected("GALLERY");
        untilFixed();
    }

    @Test
    void theNeighboursStreamAndAStranger() throws Exception {
        assertThat(post("/receiver/streams", Map.of("caster", "127.0.0.1:" + verge.standIn().casterPort())).body())
                .containsSubsequence("GALLERY", "Ternholm lighthouse", "SKARVHOLM", " km");
        assertThat(post("/receiver/streams", Map.of("caster", "127.0.0.1:" + verge.standIn().receiverPort())).body())
                .contains("gave no list of its streams");
        corrected("SKARVHOLM");
        until(() -> snapshot().base().filter(b -> b.station() == 530).isPresent() && snapshot().now().flatMap(p -> p.place()).isPresent());
        assertThat(page("/setup/receiver")).contains("km off: is it yours?");
        ground.receiver(PracticeGround.Of.POLE, ReceiverStandIn.Fault.SPEAKS_OTHERWISE);
        until(() -> snapshot().link() == LinkState.STRANGER);
        antenna("1.7", "MOUNT");
        assertThat(measure(UUID.randomUUID(), "R1").body()).contains("RECEIVER_STRANGER");
        assertThat(page("/setup/receiver")).contains("is no receiver");
    }

    /** The factor from where its pole stands: shown; one that is not fixed wants a reason. */
    @Test
    void theGroundFactorFromItsPosition() throws Exception {
        antenna("1.7", "MOUNT");
        untilFixed();
        post("/receiver/set", Map.of("what", "INITIALISE"));
        Map<String, String> asked = new HashMap<>(Map.of("use", "GROUND_DISTANCES", "source", "RECEIVER"));
        until(() -> snapshot().now().filter(p -> p.kind() == Kind.FLOAT).isPresent());
        assertThat(page("/ground?use=GROUND_DISTANCES&source=RECEIVER")).contains("Ground is longer by 134")
                .contains("Why take it all the same?");
        assertThat(post("/ground", asked).body()).contains("reason");
        assertThat(lines()).isEqualTo(1);
        untilFixed();
        until(() -> accepted("/ground", asked));   // an epoch that comes late on a busy machine is refused, and asked for again
        assertThat(state().settings().ground().factor().orElseThrow().groundPerGrid()).isCloseTo(1.000_134_7, within(1e-6));
    }

    private boolean accepted(String path, Map<String, String> fields) {
        try {
            return post(path, fields).statusCode() < 400;
        } catch (Exception failed) {
            throw new IllegalStateException(failed);
        }
    }

    /** In a job of ground coordinates a rover's point is kept in the grid like any other, and told as the job shows it. */
    @Test
    void inGroundCoordinates() throws Exception {
        antenna(Double.toString(ground.look().mount().metres()), "MOUNT");
        untilFixed();
        post("/ground", Map.of("use", "GROUND_COORDINATES", "source", "RECEIVER"));
        GroundUse use = state().settings().ground();
        assertThat(use.movesPoints()).isTrue();
        ground.pole(Ternholm.YARD.plus(63, 54));
        until(() -> snapshot().now().filter(p -> p.kind() == Kind.FIXED).flatMap(p -> p.place()).flatMap(state().geodesy()::position)
                .filter(p -> p.plan().distanceMetres(truth().plan()) < 1).isPresent());
        measure(UUID.randomUUID(), "R1");
        StoredPoint stored = point("R1").orElseThrow();
        assertThat(stored.position().plan().distanceMetres(truth().plan())).isLessThan(5 * stored.sigma().orElseThrow().plan().metres());
        GridPoint shown = use.shown(stored.position().plan());
        assertThat(shown.distanceMetres(stored.position().plan())).isGreaterThan(0.009);
        assertThat(page("/trace/" + stored.entry()))
                .contains(String.format(Locale.ROOT, "%.3f", shown.northing()), String.format(Locale.ROOT, "%.3f", shown.easting()));
        assertThat(page("/handover/points.csv?what=MEASURED"))
                .contains("# Pure grid coordinates",
                String.format(Locale.ROOT, "R1,%.3f,%.3f", stored.position().plan().northing(), stored.position().plan().easting()));
    }

    /**
     * Antennas of an open file and typed ones are one table; a slant to a rim that nobody knows gives no height, and one to a known rim is
     * drawn with what it comes to.
     */
    @Test
    void antennas() throws Exception {
        byte[] file = getClass().getResourceAsStream("/demo/ternholm-antennas.atx").readAllBytes();
        assertThat(visitor.upload("/jobs/" + job.id() + "/receiver/antennas/file?name=TERNHOLM+DISH+NONE", "file", "a.atx", file)
                .statusCode()).isLessThan(400);
        assertThat(visitor.upload("/jobs/" + job.id() + "/receiver/antennas/file?name=NO+SUCH", "file", "a.atx", file).body())
                .contains("The file has no antenna NO SUCH");
        assertThat(visitor.upload("/jobs/" + job.id() + "/receiver/antennas/file?name=X", "file", "a.atx",
                "<html>".getBytes(StandardCharsets.UTF_8)).body()).contains("antenna");
        Map<String, String> slant = Map.of("antenna", "TERNHOLM DISH NONE", "height", "1.75", "to", "RIM");
        assertThat(post("/receiver/antenna", slant).body()).contains("Nobody has said where the rim of TERNHOLM DISH NONE is");
        post("/receiver/antennas", Map.of("name", "TERNHOLM DISH  NONE", "mount", "0.035", "rimRadius", "0.089", "rimAbove", "0.041"));
        assertThat(page("/setup/receiver")).containsOnlyOnce("<td><b>TERNHOLM DISH NONE</b></td>").contains("0.0890 m");
        // √(1.75² − 0.089²) − 0.041
        assertThat(page("/receiver/antenna/drawn?antenna=TERNHOLM+DISH+NONE&height=1.75&to=RIM")).contains("1.707 m")
                .contains("class=\"tape\"");
        assertThat(page("/receiver/antenna/drawn?antenna=TERNHOLM+DISH+NONE&height=5'7\"&to=MOUNT".replace("\"", "%22")
                .replace("'", "%27"))).contains("1.737 m");
        assertThat(page("/receiver/antenna/drawn?antenna=X&height=1750&to=MOUNT")).contains("antenna height");
        assertThat(page("/receiver/antenna/drawn?antenna=" + "X".repeat(21) + "&height=1.7&to=MOUNT")).contains("XXXXX")
                .doesNotContain("class=\"tape\"");
        assertThat(post("/receiver/antennas", Map.of("name", "HALF", "rimRadius", "0.1")).body()).contains("rim above the reference point");
    }
}
