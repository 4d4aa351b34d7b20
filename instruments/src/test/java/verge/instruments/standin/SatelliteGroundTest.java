package verge.instruments.standin;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static verge.instruments.Until.until;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.CompletionException;
import java.util.function.Supplier;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.SystemText;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.Broadcast;
import verge.core.satellite.GpsTime;
import verge.core.satellite.ObservationEpoch;
import verge.core.satellite.PoleTilt;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.Sight;
import verge.core.satellite.SolvedPosition;
import verge.core.satellite.SolvedPosition.Kind;
import verge.core.units.Angle;
import verge.core.units.Length;
import verge.formats.geoid.ShippedGeoid;
import verge.instruments.link.Runner;
import verge.instruments.ntrip.CasterSetting;
import verge.instruments.ntrip.CorrectionLink;
import verge.instruments.ntrip.SourceTable;
import verge.instruments.port.LinkSetting;
import verge.instruments.port.LinkState;
import verge.instruments.rawlog.RawLogReader;
import verge.instruments.receiver.BaseUplink;
import verge.instruments.receiver.CardFiles;
import verge.instruments.receiver.NmeaDriver;
import verge.instruments.receiver.ReceiverCondition;
import verge.instruments.receiver.ReceiverCondition.Hears;
import verge.instruments.receiver.ReceiverCondition.TiltState;
import verge.instruments.receiver.StreamReceiver;
import verge.instruments.sky.Sky;
import verge.instruments.world.Horizon;
import verge.instruments.world.OnEarth;
import verge.instruments.world.Ternholm;

/**
 * The island under the sky, over real sockets only: where it lies, what hides satellites, and a receiver with all that it is besides its
 * solutions.
 */
class SatelliteGroundTest {
    @TempDir
    static Path directory;
    private static StandIn standIn;
    private static PracticeGround ground;
    private static StreamReceiver receiver;

    @BeforeAll
    static void start() throws Exception {
        standIn = new StandIn(17, Duration.ofHours(10), directory.resolve("scene"));
        ground = new PracticeGround(standIn.groundPort());
        receiver = new StreamReceiver(LinkSetting.cable(NmeaDriver.ID, "localhost", standIn.receiverPort()));
        receiver.corrections(Optional.of(new CasterSetting("localhost", standIn.casterPort(), false, CasterSetting.Version.TWO, "GALLERY",
                "", "")));
        until(() -> receiver.snapshot().now().isPresent() && receiver.snapshot().condition().isPresent());
    }

    @BeforeEach
    void upright() {
        ground.pole(Ternholm.YARD);
    }

    @AfterAll
    static void stop() {
        receiver.close();
        standIn.close();
    }

    private static ReceiverCondition condition() {
        return receiver.snapshot().condition().orElseThrow();
    }

    private static void untilFixed() throws InterruptedException {
        until(() -> receiver.snapshot().now().filter(p -> p.kind() == Kind.FIXED).isPresent());
    }

    /**
     * The world's own way onto the earth agrees with the core's projection and the geoid that ships: to a tenth of a millimetre in plan,
     * two millimetres in height.
     */
    @Test
    void theIslandLiesWhereItsGridSays() {
        var utm = SystemText.projection(
                (CoordinateSystem.OnEarth) SystemText.read("+proj=utm +zone=32 +ellps=WGS84 +towgs84=0,0,0 +units=m +no_defs"));
        for (double[] off : new double[][] {{0, 0}, {250, -200}, {-180, 240}, {900, -1_400}}) {
            GridPoint at = Ternholm.YARD.plus(off[0], off[1]);
            EarthPlace place = OnEarth.at(at, 12);
            assertThat(utm.grid(place.position()).distanceMetres(at)).isLessThan(1e-4);
            assertThat(place.height().metres() - 12)
                    .isCloseTo(ShippedGeoid.egm96().undulation(place.position()).orElseThrow(), within(0.002));
        }
    }

    private static boolean open(GridPoint at, double azimuth, double elevation) {
        return Horizon.open(at, Ternholm.surface(at).metres() + 1.8, new Sight(Angle.ofDegrees(azimuth), Angle.ofDegrees(elevation)));
    }

    /**
     * Below the cliff the western sky is gone up to 50°, in the yard it is not; the tower hides what is behind it, and nothing from its own
     * gallery.
     */
    @Test
    void whatStandsBeforeTheSky() {
        GridPoint below = Ternholm.YARD.plus(5, -72);
        assertThat(List.of(open(below, 270, 48), open(below, 270, 75), open(below, 90, 20), open(Ternholm.YARD, 272, 20)))
                .containsExactly(false, true, true, true);
        GridPoint southOfTower = Ternholm.YARD.plus(-4, 33);
        assertThat(List.of(open(southOfTower, 2, 60), open(southOfTower, 2, 80), open(southOfTower, 182, 15)))
                .containsExactly(false, true, true);
        var gallery = Ternholm.mark(Ternholm.GALLERY).orElseThrow().truth();
        assertThat(Horizon.open(gallery.plan(), gallery.elevation().orElseThrow().metres(),
                new Sight(Angle.ofDegrees(120), Angle.ofDegrees(5)))).isTrue();
    }

    private static double[] offTip(Length height, Optional<PoleTilt> tilt) {
        SolvedPosition now = receiver.snapshot().now().orElseThrow();
        Geographic at = now.place().orElseThrow().position();
        EarthCentred foot = EarthCentred.of(now.place().get(), ReferenceEllipsoid.WGS84)
                .minus(tilt.map(t -> t.upwards(height, at)).orElseGet(() -> EarthCentred.ofNorthEastUp(0, 0, height.metres(), at)));
        PracticeGround.Sight seen = ground.look();
        return foot.minus(EarthCentred.of(OnEarth.at(seen.tip().plan(), seen.tip().elevation().orElseThrow().metres()),
                ReferenceEllipsoid.WGS84)).northEastUp(at);
    }

    /**
     * Waits until the foot is seen so far off where the tip is, as one look: a pole that was just carried is told where it was for a
     * moment.
     *
     * @param up NaN for any
     */
    private static void untilOff(Length height, Supplier<Optional<PoleTilt>> tilt, double allowed, double north, double east, double up)
            throws InterruptedException {
        untilFixed();
        until(() -> {
            double[] off = offTip(height, tilt.get());
            return Math.abs(off[0] - north) < allowed && Math.abs(off[1] - east) < allowed && !(Math.abs(off[2] - up) >= allowed);
        });
    }

    /**
     * Fixed by the gallery's base the foot is found to centimetres; below the cliff the fix is lost and comes back; a base that says
     * something else shifts it.
     */
    @Test
    void aRoverOnTheIsland() throws Exception {
        untilFixed();
        // all of them are told, however many lines that takes
        until(() -> receiver.snapshot().used().values().stream().mapToInt(List::size).sum() == receiver.snapshot().now().orElseThrow()
                .satellites());
        Length high = ground.look().mount().plus(new Length(0.035));
        untilOff(high, Optional::empty, 0.08, 0, 0, 0);
        int before = receiver.snapshot().now().orElseThrow().satellites();   // while it still stands in the open
        ground.pole(Ternholm.YARD.plus(5, -75));
        until(() -> receiver.snapshot().now().map(p -> p.satellites() < 0.9 * before).orElse(true));
        ground.pole(Ternholm.YARD);
        untilFixed();
        ground.baseSays(3, 0, -1);
        until(() -> Math.abs(offTip(high, Optional.empty())[0] - 3) < 0.3);
        ground.baseSays(0, 0, 0);
        until(() -> Math.abs(offTip(high, Optional.empty())[0]) < 0.3);
    }

    /** Its pole's lean is known after some steps; with it the foot is found, without it it is off by the lean. */
    @Test
    void aLeaningPole() throws Exception {
        untilFixed();
        receiver.set("TILT", "1").join();
        until(() -> condition().tilt().state() == TiltState.WALK);
        ground.pole(Ternholm.YARD.plus(2, 3));
        until(() -> condition().tilt().state() == TiltState.READY);
        assertThat(ground.lean(20, 130).leanDegrees()).isEqualTo(20);
        until(() -> condition().tilt().by().filter(t -> Math.abs(t.tilt().degrees() - 20) < 2).isPresent());
        Length high = ground.look().mount().plus(new Length(0.035));
        untilOff(high, () -> condition().tilt().by(), 0.1, 0, 0, 0);
        double aside = high.metres() * Math.sin(Math.toRadians(20));
        untilOff(high, Optional::empty, 0.1, aside * Math.cos(Math.toRadians(130)), aside * Math.sin(Math.toRadians(130)), Double.NaN);
        receiver.set("TILT", "0").join();
        until(() -> condition().tilt().state() == TiltState.OFF);
    }

    /** What it is set to holds; what cannot be is refused in words; battery, card and antenna are told. */
    @Test
    void settingsAndWhatItLacks() throws Exception {
        receiver.set("MASK", "25").join();
        receiver.set("SYSTEMS", "GE").join();
        until(() -> condition().mask().degrees() == 25 && condition().systems()
                .equals(Set.of(SatelliteSystem.GPS, SatelliteSystem.GALILEO)));
        until(() -> receiver.snapshot().now().map(p -> p.satellites() < 20).orElse(false));
        receiver.set("MASK", "10").join();
        receiver.set("SYSTEMS", "GREC").join();
        for (String[] unfit : new String[][] {{"MASK", "75"}, {"SYSTEMS", ""}, {"MASK", "steep"}, {"FLY", "1"}, {"ROLE", "BASE"},
                {"RADIO", "441", "12.5", "8PSK", "1"}}) {
            assertThatThrownBy(() -> receiver.set(unfit[0], unfit.length > 4 ? new String[] {unfit[1], unfit[2], unfit[3], unfit[4]}
                    : new String[] {unfit[1]}).join()).isInstanceOf(CompletionException.class).hasCauseInstanceOf(SurveyException.class);
        }
        ground.card(PracticeGround.Of.POLE, -1);
        until(() -> condition().storage().isEmpty());
        assertThatThrownBy(() -> receiver.set("SESSION", "T2-2026-332-A", "1").join()).cause()
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.arguments()).containsExactly("there is no card"));
        ground.card(PracticeGround.Of.POLE, 500);
        ground.receiverBattery(PracticeGround.Of.POLE, 18);
        until(() -> condition().power().orElseThrow().percent() == 18 && condition().power().orElseThrow().hours().orElseThrow() < 2);
        ground.receiverBattery(PracticeGround.Of.POLE, -1);
        ground.antenna(PracticeGround.Of.POLE, false);
        until(() -> condition().antenna().isEmpty() && receiver.snapshot().now().map(p -> p.kind() == Kind.NONE).orElse(false));
        ground.antenna(PracticeGround.Of.POLE, true);
        untilFixed();
    }

    /**
     * Sessions on the card: written epoch by epoch, gone on with after the battery was changed, ended by a full card, and fetched as they
     * were written although the connection breaks off; one that came otherwise is refused.
     */
    @Test
    void sessionsOnTheCard(@TempDir Path to) throws Exception {
        try {
            receiver.set("SESSION", "T2-A", "1").join();
            until(() -> condition().writing().filter(w -> w.epochs() >= 4 && w.satellites() > 12 && w.slips() == 0).isPresent());
            assertThat(condition().storage().orElseThrow().hours().orElseThrow()).isBetween(40.0, 1_000.0);
            ground.receiverBattery(PracticeGround.Of.POLE, 0);
            until(() -> receiver.snapshot().link() != LinkState.UP);
            ground.receiverBattery(PracticeGround.Of.POLE, 80);
            until(() -> receiver.snapshot().condition().filter(c -> c.filesPort().isPresent() && c.storage().isPresent()).isPresent());
            assertThat(condition().writing()).isEmpty();
            receiver.set("SESSION", "T2-A", "1").join();
            until(() -> condition().writing().filter(w -> w.epochs() >= 2).isPresent());
            ground.antenna(PracticeGround.Of.POLE, false);
            until(() -> condition().writing().filter(w -> w.satellites() == 0).isPresent());
            ground.antenna(PracticeGround.Of.POLE, true);
            until(() -> condition().writing().filter(w -> w.slips() > 12).isPresent());
            receiver.set("SESSION", "").join();
            ground.card(PracticeGround.Of.POLE, 0.004);
            receiver.set("SESSION", "T2-B", "1").join();
            until(() -> condition().storage().filter(s -> !s.logging() && s.free() == 0).isPresent());
            CardFiles files = new CardFiles("localhost", condition().filesPort().orElseThrow(), Runner.usual());
            List<CardFiles.OnCard> listed = files.list();
            assertThat(listed).extracting(CardFiles.OnCard::name).containsExactly("T2-A", "T2-B");
            ground.cardHands(PracticeGround.Of.POLE, Card.Fault.CUTS);
            files.fetch(listed.get(0), to.resolve("a"));
            assertThat(Files.size(to.resolve("a"))).isEqualTo(listed.get(0).bytes());
            List<ObservationEpoch> epochs = new ArrayList<>();
            List<Broadcast> broadcasts = new ArrayList<>();
            try (InputStream in = Files.newInputStream(to.resolve("a"))) {
                RawLogReader.read(in, GpsTime.ofUtc(Instant.now().plusSeconds(100_000)), new RawLogReader.Told() {
                    @Override
                    public void epoch(ObservationEpoch epoch) {
                        epochs.add(epoch);
                    }

                    @Override
                    public void broadcast(Broadcast of) {
                        broadcasts.add(of);
                    }
                });
            }
            assertThat(epochs).hasSizeGreaterThan(5)
                    .allSatisfy(e -> assertThat(Math.abs(e.time().secondsSince(GpsTime.ofUtc(Instant.now())))).isLessThan(120));
            assertThat(epochs.get(0).observed())
                    .allSatisfy(o -> assertThat(Math.abs(o.cycles() * o.signal().wavelength(Sky.channel(o.satellite())) - o.range()))
                    .isLessThan(300)).noneMatch(ObservationEpoch.Observed::slipped);
            assertThat(epochs.stream().flatMap(e -> e.observed().stream()).filter(ObservationEpoch.Observed::slipped).count())
                    .isGreaterThan(24);
            assertThat(broadcasts.stream().map(Broadcast::satellite))
                    .containsAll(epochs.stream().flatMap(e -> e.observed().stream()).map(ObservationEpoch.Observed::satellite).toList());
            ground.cardHands(PracticeGround.Of.POLE, Card.Fault.SPOILS);
            assertThatThrownBy(() -> files.fetch(listed.get(1), to.resolve("b")))
                    .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.CARD_FILE_DAMAGED));
            assertThatThrownBy(() -> files.fetch(new CardFiles.OnCard("T2-C", 1), to.resolve("c")))
                    .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.CARD_WITHOUT_FILE));
            ground.card(PracticeGround.Of.POLE, -1);
            assertThatThrownBy(files::list)
                    .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.CARD_UNREACHABLE));
        } finally {
            ground.card(PracticeGround.Of.POLE, 500);
            ground.receiverBattery(PracticeGround.Of.POLE, -1);
            ground.antenna(PracticeGround.Of.POLE, true);
        }
        untilFixed();
    }

    /**
     * By radio: what both ends share is heard and fixes it, another modulation is a carrier without a word, and a third on the channel
     * drowns the weaker.
     */
    @Test
    void byRadio() throws Exception {
        List<AutoCloseable> open = new ArrayList<>();
        try {
            StreamReceiver base = new StreamReceiver(LinkSetting.cable(NmeaDriver.ID, "localhost", standIn.tripodReceiverPort()));
            open.add(base);
            receiver.corrections(Optional.empty());
            until(() -> base.snapshot().condition().isPresent() && base.snapshot().now().flatMap(SolvedPosition::place).isPresent()
                    && condition().radio().orElseThrow().hears() == Hears.NOTHING);
            EarthCentred says = EarthCentred.of(base.snapshot().now().orElseThrow().place().orElseThrow(), ReferenceEllipsoid.WGS84);
            base.set("PLACE", Double.toString(says.x()), Double.toString(says.y()), Double.toString(says.z())).join();
            base.set("RADIO", "441.5", "12.5", "4FSK", "1").join();
            base.set("ROLE", "BASE").join();
            until(() -> condition().radio().orElseThrow().hears() == Hears.CARRIER);
            receiver.set("RADIO", "441.5", "12.5", "4FSK", "0").join();
            until(() -> condition().radio().orElseThrow().hears() == Hears.MESSAGES && receiver.snapshot().base()
                    .filter(b -> b.station() == 7).isPresent());
            assertThat(receiver.snapshot().base().orElseThrow().place().minus(says).length()).isLessThan(1e-3);
            untilFixed();
            ground.crew(true);
            base.set("RADIO", "441.5", "12.5", "4FSK", "0.000001").join();
            until(() -> condition().radio().orElseThrow().hears() == Hears.CARRIER);
        } finally {
            ground.crew(false);
            for (AutoCloseable each : open) {
                each.close();
            }
            receiver.corrections(Optional.of(new CasterSetting("localhost", standIn.casterPort(), false, CasterSetting.Version.TWO,
                    "GALLERY", "", "")));
        }
    }

    /**
     * A base of one's own over the internet: its stream is there while it is sent, comes back as it went, and fixes the rover; one that
     * somebody else feeds is taken, and where nobody answers it is tried again.
     */
    @Test
    void ownBaseOverTheInternet() throws Exception {
        CasterSetting own = new CasterSetting("localhost", standIn.casterPort(), false, CasterSetting.Version.TWO, "YARD", "", "");
        SourceTable.Stream says = new SourceTable.Stream("YARD", "Ternholm yard", "RTCM 3.3", "1006(2),1074(2)", "GPS+GLO+GAL+BDS",
                Optional.of(Geographic.ofDegrees(56.95, 11.45)), false, true);
        try (StreamReceiver base = new StreamReceiver(LinkSetting.cable(NmeaDriver.ID, "localhost", standIn.tripodReceiverPort()));
                BaseUplink up = new BaseUplink(base, own, says, Runner.usual());
                BaseUplink taken = new BaseUplink(base,
                        new CasterSetting("localhost", standIn.casterPort(), false, CasterSetting.Version.ONE, "GALLERY", "", ""), says,
                        Runner.usual())) {
            until(() -> base.snapshot().condition().isPresent() && base.snapshot().now().flatMap(SolvedPosition::place).isPresent());
            EarthCentred stands = EarthCentred.of(base.snapshot().now().orElseThrow().place().orElseThrow(), ReferenceEllipsoid.WGS84);
            base.set("PLACE", Double.toString(stands.x()), Double.toString(stands.y()), Double.toString(stands.z())).join();
            base.set("SENDS", "4", "2").join();
            base.set("RADIO", "441.5", "12.5", "GMSK", "0").join();
            base.set("ROLE", "BASE").join();
            until(() -> up.heard().back().filter(b -> b.told().base().isPresent() && b.told().messages().getOrDefault(1074, 0L) > 2)
                    .isPresent());
            assertThat(up.heard().up()).isEqualTo(CorrectionLink.State.UP);
            assertThat(up.heard().back().orElseThrow().told().base().orElseThrow())
                    .isEqualTo(new BaseHeard("YARD", 7, base.snapshot().sends().base().orElseThrow().place()));
            assertThat(up.heard().back().orElseThrow().told().base().orElseThrow().place().minus(stands).length()).isLessThan(1e-3);
            // by when they come, which a busy machine delays now and then
            until(() -> Math.abs(base.snapshot().sends().seconds(1074).orElse(0) - 2) < 0.4);
            assertThat(CorrectionLink.table(own).find("YARD").orElseThrow().place()).isEqualTo("Ternholm yard");
            assertThat(taken.heard().up()).isEqualTo(CorrectionLink.State.BUSY);   // and tried again
            receiver.corrections(Optional.of(own));
            until(() -> receiver.snapshot().base().filter(b -> b.name().equals("YARD")).isPresent());
            untilFixed();
            base.set("ROLE", "ROVER").join();
        } finally {
            receiver.corrections(Optional.of(new CasterSetting("localhost", standIn.casterPort(), false, CasterSetting.Version.TWO,
                    "GALLERY", "", "")));
        }
        for (int i = 0; i < 100 && CorrectionLink.table(own).find("YARD").isPresent(); i++) {
            Thread.sleep(50);
        }
        assertThat(CorrectionLink.table(own).find("YARD")).isEmpty();
    }

    /** A stream that carries another's base all at once says so by its number; a tripod that is carried away says so by its own sky. */
    @Test
    void anothersBaseAndATripodCarriedAway() throws Exception {
        try (StreamReceiver base = new StreamReceiver(LinkSetting.cable(NmeaDriver.ID, "localhost", standIn.tripodReceiverPort()))) {
            until(() -> receiver.snapshot().base().filter(b -> b.station() == 417).isPresent() && base.snapshot().now()
                    .flatMap(SolvedPosition::place).isPresent());
            ground.neighbourOnGallery(true);
            until(() -> receiver.snapshot().base().filter(b -> b.station() == 530 && b.name().equals("GALLERY")).isPresent());
            ground.neighbourOnGallery(false);
            ground.baseFrame(14);
            until(() -> receiver.snapshot().base().filter(b -> b.station() == 417 && b.frameYear() == 14).isPresent());
            EarthCentred before = EarthCentred.of(base.snapshot().now().flatMap(SolvedPosition::place).orElseThrow(),
                    ReferenceEllipsoid.WGS84);
            ground.tripodMoved(40, 0, 0);
            until(() -> base.snapshot().now().flatMap(SolvedPosition::place)
                    .map(p -> EarthCentred.of(p, ReferenceEllipsoid.WGS84).minus(before).length()).filter(m -> m > 30 && m < 50)
                    .isPresent());
        } finally {
            ground.neighbourOnGallery(false);
            ground.baseFrame(0);
            ground.tripodMoved(0, 0, 0);
        }
        until(() -> receiver.snapshot().base().filter(b -> b.station() == 417 && b.frameYear() == 0).isPresent());
    }

    /** The neighbour's stream is heard as well as one's own: only the distance tells. */
    @Test
    void theNeighboursStream() throws IOException {
        var table = CorrectionLink.table(new CasterSetting("localhost", standIn.casterPort(), false, CasterSetting.Version.TWO, "", "",
                ""));
        assertThat(table.streams()).extracting(s -> s.mountpoint()).containsExactly("GALLERY", "SKARVHOLM");
        EarthCentred far = EarthCentred.of(new EarthPlace(table.find("SKARVHOLM").orElseThrow().at().orElseThrow(),
                OnEarth.at(Ternholm.YARD, 5).height()), ReferenceEllipsoid.WGS84);
        assertThat(far.minus(EarthCentred.of(OnEarth.at(Ternholm.YARD, 5), ReferenceEllipsoid.WGS84)).length())
                .isBetween(25_000.0, 35_000.0);
    }
}
