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
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verge.core.coding.PointName;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.FlatSite;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Atmosphere;
import verge.core.reading.Face;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.InstrumentPrecision;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.setup.Arrangement;
import verge.core.setup.Conditions;
import verge.core.setup.KnownMark;
import verge.core.setup.ObservedPoint;
import verge.core.setup.Sighting;
import verge.core.setup.StationFit;
import verge.core.setup.StationSolution;
import verge.core.units.Angle;
import verge.core.units.Length;
import verge.instruments.line.LineConnection;
import verge.instruments.line.LineDriver;
import verge.instruments.line.LineTotalStation;
import verge.instruments.line.WireMessage;
import verge.instruments.port.InstrumentCondition;
import verge.instruments.port.InstrumentIdentity;
import verge.instruments.port.InstrumentSnapshot;
import verge.instruments.port.InstrumentSwitches;
import verge.instruments.port.LinkKind;
import verge.instruments.port.LinkSetting;
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
        standIn = new StandIn(42, Duration.ofHours(10), directory.resolve("scene.properties"));
        ground = new PracticeGround(standIn.groundPort());
        station = new LineTotalStation(LinkSetting.cable(LineDriver.ID, "127.0.0.1", standIn.instrumentPort()));
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
        assertThat(condition.tilt().arcSeconds()).isBetween(0.0, 20.0);
        assertThat(condition.batteryPercent()).isBetween(80, 90);
        assertThat(condition.targetInSight()).isFalse();
    }

    @Test
    void withoutATripodItRefusesInWords() {
        assertThat(problemOf(station.measure()).problem()).isEqualTo(Problem.INSTRUMENT_REFUSED);
        assertThatThrownBy(() -> ground.stand("T99"))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.INSTRUMENT_REFUSED));
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
        try (StandIn again = new StandIn(42, Duration.ofHours(10), directory.resolve("scene.properties"))) {
            PracticeGround.Sight after = new PracticeGround(again.groundPort()).look();
            assertThat(after.occupied()).isEqualTo(before.occupied());
            assertThat(after.tip().plan().distanceMetres(Ternholm.YARD)).isCloseTo(5, within(1e-3));
        }
    }

    @Test
    void itTurnsOverAndReadsTheSameMarkInBothFaces() {
        ground.stand("T2");
        ground.go("T4");
        TotalStationReading one = station.measure(3).join();
        station.changeFace().join();
        TotalStationReading two = station.measure(3).join();
        assertThat(one.face()).isEqualTo(Face.ONE);
        assertThat(two.face()).isEqualTo(Face.TWO);
        assertThat(two.faceOneDirection().minus(one.faceOneDirection()).halfCircle().arcSeconds()).as("twice the collimation")
                .isBetween(-15.0, -1.0);
        assertThat(two.faceOneZenith().minus(one.faceOneZenith()).arcSeconds()).as("twice the index error").isBetween(0.0, 10.0);
        await(() -> station.snapshot().switches().orElseThrow().face() == Face.TWO);
    }

    @Test
    void itTurnsToAPrismThatStandsByItself() {
        ground.stand("T2");
        ground.pole(Ternholm.YARD);
        ground.place("T1", new Length(1.5), new Length(-0.012));
        TotalStationReading pole = station.measure().join();
        GridPoint here = Ternholm.mark("T2").orElseThrow().truth().plan();
        double toPole = azimuth(here, Ternholm.YARD);
        double toMark = azimuth(here, Ternholm.mark("T1").orElseThrow().truth().plan());
        Angle roughly = pole.horizontalDirection().plus(new Angle(toMark - toPole + 0.005));
        station.turn(roughly, Angle.ofDegrees(88)).join();
        TotalStationReading mark = station.measure().join();
        assertThat(mark.horizontalDirection().minus(pole.horizontalDirection()).minus(new Angle(toMark - toPole)).halfCircle().degrees())
                .isCloseTo(0, within(0.02));
        station.turn(roughly.plus(Angle.ofDegrees(60)), Angle.ofDegrees(90)).join();
        assertThat(problemOf(station.measure()).problem()).isEqualTo(Problem.INSTRUMENT_REFUSED);
        station.turn(roughly.plus(Angle.ofDegrees(9)), Angle.ofDegrees(90)).join();
        station.search().join();
        assertThat(station.measure().join().slopeDistance().metres()).isCloseTo(mark.slopeDistance().metres(), within(0.01));
    }

    private static double azimuth(GridPoint from, GridPoint to) {
        return Math.atan2(to.easting() - from.easting(), to.northing() - from.northing());
    }

    @Test
    void withoutAPrismItMeasuresWhatTheBeamMeets() {
        ground.stand("T2");
        ground.pole(Ternholm.YARD);
        station.mode(InstrumentSwitches.Mode.REFLECTORLESS).join();
        station.turn(Angle.ofDegrees(10), Angle.ofDegrees(100)).join();
        assertThat(station.measure().join().slopeDistance().metres()).as("the ground, ten degrees below level").isBetween(2.0, 40.0);
        station.turn(Angle.ofDegrees(10), Angle.ofDegrees(60)).join();
        assertThat(problemOf(station.measure()).problem()).as("the sky").isEqualTo(Problem.INSTRUMENT_REFUSED);
        station.set(InstrumentSwitches.Switch.LASER, true).join();
        await(() -> station.snapshot().switches().orElseThrow().laser());
    }

    /** What the compensator takes off shows when it is off: a tilted axis moves the zenith angle. */
    @Test
    void withoutItsCompensatorTheTiltShows() {
        ground.stand("T2");
        ground.go("T4");
        ground.knock(120);
        double with = station.measure(20).join().zenith().arcSeconds();
        station.set(InstrumentSwitches.Switch.COMPENSATOR, false).join();
        double without = station.measure(20).join().zenith().arcSeconds();
        assertThat(Math.abs(without - with)).isBetween(20.0, 130.0);
        await(() -> station.snapshot().condition().orElseThrow().tilt().arcSeconds() > 80);
        ground.level();
        await(() -> station.snapshot().condition().orElseThrow().tilt().arcSeconds() < 30);
    }

    @Test
    void anotherSharedAddressIsToldWithBothEnds() {
        try (LineTotalStation radio = new LineTotalStation(new LinkSetting(LineDriver.ID, LinkKind.FAR_RADIO, "127.0.0.1",
                standIn.port(LinkKind.FAR_RADIO), "7"))) {
            await(() -> radio.snapshot().link() == LinkState.MISMATCH);
            assertThat(radio.snapshot().mismatch()).contains(new InstrumentSnapshot.Mismatch("shared address", "7", "12"));
        }
        try (LineTotalStation radio = new LineTotalStation(new LinkSetting(LineDriver.ID, LinkKind.FAR_RADIO, "127.0.0.1",
                standIn.port(LinkKind.FAR_RADIO), "12"))) {
            await(() -> radio.snapshot().link() == LinkState.UP);
        }
    }

    @Test
    void theNearRadioDropsOutAsThePoleWalksOffAndComesBack() {
        ground.stand("T2");
        ground.go("T2");
        try (LineTotalStation radio = new LineTotalStation(new LinkSetting(LineDriver.ID, LinkKind.NEAR_RADIO, "127.0.0.1",
                standIn.port(LinkKind.NEAR_RADIO), "4417"))) {
            await(() -> radio.snapshot().link() == LinkState.UP);
            ground.walk(70, 0);
            await(() -> radio.snapshot().link() == LinkState.LOST);
            assertThat(station.snapshot().link()).as("the cable holds").isEqualTo(LinkState.UP);
            ground.walk(-40, 0);
            await(() -> radio.snapshot().link() == LinkState.UP);
        }
    }

    @Test
    void senselessAndLateAnswersAreNoReadingsAndAnEmptyBatteryIsALostLink() {
        ground.stand("T2");
        ground.pole(Ternholm.YARD);
        ground.garble(1);
        assertThat(problemOf(station.measure()).problem()).isEqualTo(Problem.INSTRUMENT_REFUSED);
        ground.delay(5.5);
        assertThat(problemOf(station.measure()).problem()).isEqualTo(Problem.NO_ANSWER);
        assertThat(station.measure().join().slopeDistance().metres()).isBetween(20.0, 60.0);
        ground.battery(0);
        await(() -> station.snapshot().link() == LinkState.LOST);
        assertThat(problemOf(station.measure()).problem()).isEqualTo(Problem.LINK_LOST);
        ground.battery(60);
        await(() -> station.snapshot().link() == LinkState.UP && station.snapshot().condition().orElseThrow().batteryPercent() == 60);
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
            StationSolution solved = setUp(setup % 2 == 0 ? "T2" : "T6", setup % 3 == 0 ? "T4" : "T1");
            for (int shot = 0; shot < 8; shot++) {
                GridPoint place = Ternholm.YARD.plus(25 * Math.sin(shot + setup), 30 * Math.cos(shot * 2.0 + setup));
                Position truth = ground.pole(place).tip();
                ObservedPoint point = solved.station().observe(station.measure().join(), target());
                double[] errors = {(point.position().plan().northing() - truth.plan().northing()) / point.sigma().north().metres(),
                    (point.position().plan().easting() - truth.plan().easting()) / point.sigma().east().metres(),
                    (point.position().elevation().orElseThrow().metres() - truth.elevation().orElseThrow().metres()) / point.sigma().up()
                    .metres()};
                for (double error : errors) {
                    assertThat(Math.abs(error)).isLessThan(4);
                    squares += error * error;
                    count++;
                }
            }
        }
        assertThat(Math.sqrt(squares / count)).isBetween(0.8, 1.2);
    }

    @Test
    void theDisturbedMarkIsFoundOut() {
        StationSolution good = setUp("T2", "T4");
        assertThat(good.within()).isTrue();
        ground.go("T5");
        ObservedPoint t5 = good.station().observe(station.measure().join(), target());
        GridPoint filed = Ternholm.YARD.plus(61.547, 14.902);
        assertThat(t5.position().plan().distanceMetres(filed)).isCloseTo(Ternholm.T5_SHIFT_METRES, within(0.012));
    }

    private StationSolution setUp(String stationMark, String backsightMark) {
        PracticeGround.Sight standing = ground.stand(stationMark);
        ground.go(backsightMark);
        InstrumentIdentity identity = station.snapshot().identity().orElseThrow();
        Conditions conditions = new Conditions(new Atmosphere(11.4, 1008.6, 60),
                InstrumentPrecision.withUsualCare(identity.sigmaAngle(), identity.distanceMeter()),
                InstrumentErrors.NONE, 0.13);
        Arrangement arrangement = Arrangement.knownPoint(new PointName(stationMark), standing.occupied().orElseThrow().tape(),
                Sighting.of(new PointName(backsightMark), target(), Pointing.of(station.measure().join())));
        return (StationSolution) StationFit.solve(arrangement, conditions, new FlatSite(Ternholm.GRID_PER_GROUND),
                name -> Optional.of(KnownMark.exact(rounded(name.text()))));
    }

    private static Target target() {
        return new Target(new Length(1.6), new Length(-0.012));
    }

    /** A mark's coordinates as a file would give them: to the millimetre. */
    private static Position rounded(String mark) {
        Position truth = Ternholm.mark(mark).orElseThrow().truth();
        return new Position(new GridPoint(Math.rint(truth.plan().northing() * 1000) / 1000,
                Math.rint(truth.plan().easting() * 1000) / 1000),
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
