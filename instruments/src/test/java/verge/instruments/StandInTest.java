package verge.instruments;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.FlatSite;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Atmosphere;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.setup.KnownPointSetup;
import verge.core.setup.ObservedPoint;
import verge.core.setup.Occupation;
import verge.core.units.Length;
import verge.instruments.line.LineConnection;
import verge.instruments.line.LineTotalStation;
import verge.instruments.line.WireMessage;
import verge.instruments.port.InstrumentCondition;
import verge.instruments.port.InstrumentIdentity;
import verge.instruments.port.LinkState;
import verge.instruments.standin.PracticeGround;
import verge.instruments.standin.StandIn;
import verge.instruments.world.Ternholm;

/** The stand-in and the driver, over real sockets. */
class StandInTest {
    @TempDir
    private Path directory;
    private StandIn standIn;
    private PracticeGround ground;
    private LineTotalStation station;

    @BeforeEach
    void start() throws IOException {
        standIn = new StandIn(0, 0, 42, directory.resolve("scene.properties"));
        ground = new PracticeGround(standIn.groundPort());
        station = new LineTotalStation("127.0.0.1", standIn.instrumentPort());
        await(() -> station.snapshot().link() == LinkState.UP && station.snapshot().condition().isPresent());
    }

    @AfterEach
    void stop() {
        station.close();
        standIn.close();
    }

    @Test
    void itSaysWhoItIsAndHowItFares() {
        InstrumentIdentity identity = station.snapshot().identity().orElseThrow();
        assertThat(identity.title()).isEqualTo("Stand-in total station TH-0001");
        assertThat(identity.sigmaAngle().arcSeconds()).isCloseTo(1.5, within(1e-9));
        InstrumentCondition condition = station.snapshot().condition().orElseThrow();
        assertThat(condition.tilt().arcSeconds()).isBetween(0.5, 15.0);
        assertThat(condition.batteryPercent()).isBetween(80, 90);
        assertThat(condition.targetInSight()).isFalse();
    }

    @Test
    void withoutATripodItRefusesInWords() {
        assertThat(problemOf(station.measure()).problem()).isEqualTo(Problem.INSTRUMENT_REFUSED);
        assertThatThrownBy(() -> ground.stand("T99")).isInstanceOf(SurveyException.class);
    }

    @Test
    void carryingTheTripodIsNoticed() {
        long before = station.snapshot().condition().orElseThrow().upsets();
        ground.stand("T2");
        await(() -> station.snapshot().condition().orElseThrow().upsets() == before + 1);
    }

    @Test
    void itTracksAtLeastFiveTimesASecond() {
        ground.stand("T2");
        ground.pole(Ternholm.YARD);
        station.track(true);
        await(() -> station.snapshot().tracked().isPresent());
        List<TotalStationReading> seen = new ArrayList<>();
        await(() -> {
            TotalStationReading now = station.snapshot().tracked().orElseThrow();
            if (seen.isEmpty() || !seen.get(seen.size() - 1).equals(now)) {
                seen.add(now);
            }
            return seen.size() > 10;
        });
        station.track(false);
        await(() -> station.snapshot().tracked().isEmpty());
    }

    @Test
    void aLinkThatDropsInTheMiddleOfAnAnswerGivesNoReadingAndComesBack() {
        ground.stand("T2");
        ground.pole(Ternholm.YARD);
        ground.cutNextAnswer();
        assertThat(problemOf(station.measure()).problem()).isEqualTo(Problem.LINK_LOST);
        await(() -> station.snapshot().link() == LinkState.UP);
        assertThat(station.measure().join().slopeDistance().metres()).isBetween(20.0, 60.0);
    }

    @Test
    void aLinkThatIsGoneForAWhileIsTriedUntilItIsBackAndTracksAgain() {
        ground.stand("T2");
        ground.pole(Ternholm.YARD);
        station.track(true);
        await(() -> station.snapshot().tracked().isPresent());
        ground.cut(1.2);
        await(() -> station.snapshot().link() == LinkState.LOST);
        assertThat(station.snapshot().tracked()).isEmpty();
        assertThat(problemOf(station.measure()).problem()).isEqualTo(Problem.LINK_LOST);
        await(() -> station.snapshot().link() == LinkState.UP && station.snapshot().tracked().isPresent());
    }

    @Test
    void theTripodStaysWhereItIsOverARestart() throws IOException {
        PracticeGround.Sight before = ground.stand("T3");
        ground.pole(Ternholm.YARD.plus(3, 4));
        standIn.close();
        try (StandIn again = new StandIn(0, 0, 42, directory.resolve("scene.properties"))) {
            PracticeGround.Sight after = new PracticeGround(again.groundPort()).look();
            assertThat(after.occupied()).isEqualTo(before.occupied());
            assertThat(after.tip().plan().distanceMetres(Ternholm.YARD)).isCloseTo(5, within(1e-3));
        }
    }

    @Test
    void aLineWithoutEndIsADeadLinkAndFillsNoMemory() throws IOException {
        try (ServerSocket babbler = new ServerSocket(0, 1, InetAddress.getLoopbackAddress());
                LineConnection link = LineConnection.open(new InetSocketAddress("127.0.0.1", babbler.getLocalPort()), 1000, 2000);
                Socket other = babbler.accept()) {
            other.getOutputStream().write("x".repeat(100_000).getBytes(StandardCharsets.US_ASCII));
            assertThatThrownBy(link::receive).isInstanceOf(IOException.class).hasMessageContaining("without end");
        }
    }

    @Test
    void whatIsNotOfTheProtocolIsRefusedOrIgnored() throws IOException {
        try (LineConnection link = LineConnection.open(new InetSocketAddress("127.0.0.1", standIn.instrumentPort()), 1000, 2000)) {
            link.send(WireMessage.of("5", "DANCE"));
            assertThat(link.receive().orElseThrow().message().verb()).isEqualTo(WireMessage.NO);
            link.send(WireMessage.of("6", "TRACK"));
            assertThat(link.receive().orElseThrow().message().text("why")).isEqualTo("no on");
        }
        assertThat(station.snapshot().link()).isEqualTo(LinkState.UP);
    }

    /**
     * The loop closed: what the core makes of the stand-in's readings against where the pole truly stood. Over many setups and
     * points the errors must be what the stated standard deviations say.
     */
    @Test
    void trueCoordinatesAreFoundAgain() {
        double squares = 0;
        int count = 0;
        for (int setup = 0; setup < 12; setup++) {
            KnownPointSetup.Result solved = setUp(setup % 2 == 0 ? "T2" : "T6", setup % 3 == 0 ? "T4" : "T1");
            for (int shot = 0; shot < 8; shot++) {
                GridPoint place = Ternholm.YARD.plus(25 * Math.sin(shot + setup), 30 * Math.cos(shot * 2.0 + setup));
                Position truth = ground.pole(place).tip();
                ObservedPoint point = solved.station().observe(station.measure().join(), target());
                double[] errors = {(point.position().plan().northing() - truth.plan().northing()) / point.sigma().north().metres(),
                    (point.position().plan().easting() - truth.plan().easting()) / point.sigma().east().metres(),
                    (point.position().elevation().orElseThrow().metres() - truth.elevation().orElseThrow().metres()) / point.sigma().up().metres()};
                for (double error : errors) {
                    assertThat(Math.abs(error)).isLessThan(3);
                    squares += error * error;
                    count++;
                }
            }
        }
        // The stated figures hold more care with pole and tape than the stand-in's person takes, hence the low end.
        assertThat(Math.sqrt(squares / count)).isBetween(0.4, 1.2);
    }

    @Test
    void theDisturbedMarkIsFoundOut() {
        KnownPointSetup.Result good = setUp("T2", "T4");
        assertThat(good.within()).isTrue();
        ground.go("T5");
        ObservedPoint t5 = good.station().observe(station.measure().join(), target());
        GridPoint filed = Ternholm.YARD.plus(61.547, 14.902);
        assertThat(t5.position().plan().distanceMetres(filed)).isCloseTo(Ternholm.T5_SHIFT_METRES, within(0.010));
    }

    private KnownPointSetup.Result setUp(String stationMark, String backsightMark) {
        PracticeGround.Sight standing = ground.stand(stationMark);
        ground.go(backsightMark);
        InstrumentIdentity identity = station.snapshot().identity().orElseThrow();
        Occupation occupation = new Occupation(rounded(stationMark), standing.occupied().orElseThrow().tape(), new Atmosphere(11.4, 1008.6, 60),
                InstrumentPrecision.withUsualCare(identity.sigmaAngle(), identity.distanceMeter()), 0.13, new FlatSite(Ternholm.GRID_PER_GROUND));
        return KnownPointSetup.solve(occupation, rounded(backsightMark), station.measure().join(), target());
    }

    private static Target target() {
        return new Target(new Length(1.6), new Length(-0.012));
    }

    /** A mark's coordinates as a file would give them: to the millimetre. */
    private static Position rounded(String mark) {
        Position truth = Ternholm.mark(mark).orElseThrow().truth();
        return new Position(new GridPoint(Math.rint(truth.plan().northing() * 1000) / 1000, Math.rint(truth.plan().easting() * 1000) / 1000),
                truth.elevation().map(e -> new Elevation(Math.rint(e.metres() * 1000) / 1000)));
    }

    private static SurveyException problemOf(CompletableFuture<?> future) {
        try {
            future.join();
            throw new AssertionError("it succeeded");
        } catch (CompletionException failed) {
            return (SurveyException) failed.getCause();
        }
    }

    private static void await(BooleanSupplier reached) {
        Instant end = Instant.now().plus(Duration.ofSeconds(15));
        while (!reached.getAsBoolean()) {
            assertThat(Instant.now()).as("waiting").isBefore(end);
            Thread.onSpinWait();
        }
    }
}
