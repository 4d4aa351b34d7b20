package verge.instruments.receiver;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static verge.instruments.Until.until;

import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import javax.net.ServerSocketFactory;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.problem.SurveyException;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.GpsTime;
import verge.core.satellite.Sight;
import verge.core.satellite.SolvedPosition;
import verge.core.satellite.SolvedPosition.Kind;
import verge.instruments.ntrip.CasterSetting;
import verge.instruments.ntrip.SourceTable;
import verge.instruments.port.LinkSetting;
import verge.instruments.port.LinkState;
import verge.instruments.rtcm.RtcmFrames;
import verge.instruments.rtcm.RtcmMessage;
import verge.instruments.rtcm.RtcmMessages;
import verge.instruments.sky.Antenna;
import verge.instruments.sky.BaseStream;
import verge.instruments.sky.RoverModel;
import verge.instruments.sky.Sky;
import verge.instruments.standin.Caster;
import verge.instruments.standin.ReceiverStandIn;

/**
 * A rover under the sky, by itself and with a base: what it says of its own errors holds, and over real sockets it is found, corrected,
 * doubted and found again.
 */
class StreamReceiverTest {
    private static final GpsTime NOON = GpsTime.ofUtc(Instant.parse("2026-06-01T12:00:00Z"));
    private static final EarthPlace BASE = new EarthPlace(Geographic.ofDegrees(56.95, 11.451), new EllipsoidHeight(52.345));
    private static final EarthCentred BASE_CENTRED = EarthCentred.of(BASE, ReferenceEllipsoid.WGS84);
    private static final EarthPlace ROVER = BASE_CENTRED.plus(EarthCentred.ofNorthEastUp(120, -80, -6, BASE.position()))
            .place(ReferenceEllipsoid.WGS84);
    private static final Predicate<Sight> OPEN = s -> s.elevation().degrees() > 10;
    private static final Sky SKY = Sky.of(20_260_601, NOON);

    private final List<AutoCloseable> open = new ArrayList<>();

    @AfterEach
    void close() throws Exception {
        for (AutoCloseable each : open) {
            each.close();
        }
    }

    private static RoverModel model(long seed, double wrong) {
        return new RoverModel(SKY, station -> station == 417 ? Optional.of(BASE) : Optional.empty(), seed, wrong);
    }

    /** What a base sends in 41 seconds, from a second of ten on, in which it says who it is. */
    private static List<List<RtcmMessage>> base(EarthCentred says) {
        BaseStream base = new BaseStream(417, says, BASE, new Antenna(SKY, 5, NOON), OPEN);
        return IntStream.rangeClosed(0, 40)
                .mapToObj(i -> base.at(NOON.plusSeconds(2 + i)).stream().map(m -> RtcmMessages.read(RtcmMessages.write(m)).orElseThrow())
                .toList()).toList();
    }

    /** After so many seconds with a base, one a second. */
    private static SolvedPosition after(RoverModel model, List<List<RtcmMessage>> base, int seconds) {
        SolvedPosition last = null;
        for (int i = 0; i <= seconds; i++) {
            GpsTime time = NOON.plusSeconds(2 + i);
            base.get(i).forEach(m -> model.hear(m, time));
            last = model.solve(time, ROVER, OPEN);
        }
        return last;
    }

    private static double[] error(SolvedPosition solved) {
        return EarthCentred.of(solved.place().orElseThrow(), ReferenceEllipsoid.WGS84)
                .minus(EarthCentred.of(ROVER, ReferenceEllipsoid.WGS84)).northEastUp(ROVER.position());
    }

    /** Over 200 rovers the errors are as large as they say, alone and with whole cycles. */
    @Test
    void whatItSaysOfItsErrorsHolds() {
        double alone = 0;
        double fixed = 0;
        List<List<RtcmMessage>> base = base(BASE_CENTRED);
        for (long seed = 0; seed < 200; seed++) {
            SolvedPosition a = model(seed, 0).solve(NOON, ROVER, OPEN);
            assertThat(a.kind()).isEqualTo(Kind.AUTONOMOUS);
            alone += normalised(a);
            SolvedPosition f = after(model(seed, 0), base, 30);
            assertThat(f.kind()).isEqualTo(Kind.FIXED);
            assertThat(f.sigma().orElseThrow().plan()).isLessThan(0.015);
            fixed += normalised(f);
        }
        assertThat(Math.sqrt(alone / 200)).isBetween(0.8, 1.2);
        assertThat(Math.sqrt(fixed / 200)).isBetween(0.8, 1.2);
    }

    private static double normalised(SolvedPosition solved) {
        double[] e = error(solved);
        SolvedPosition.Sigma s = solved.sigma().orElseThrow();
        return (Math.pow(e[0] / s.north(), 2) + Math.pow(e[1] / s.east(), 2) + Math.pow(e[2] / s.up(), 2)) / 3;
    }

    /** It is where the base's coordinates put it; a base that says it stands 40 m beside shifts it by as much, and it cannot know. */
    @Test
    void aWrongBaseShiftsTheRover() {
        EarthCentred off = EarthCentred.ofNorthEastUp(30, -20, 17, BASE.position());
        double[] error = error(after(model(3, 0), base(BASE_CENTRED.plus(off)), 40));
        assertThat(error).containsExactly(new double[] {30, -20, 17}, within(0.06));
    }

    /**
     * Float before fixed, older corrections than ten seconds lose the cycles, a minute's lose the base; behind the cliff nothing is left;
     * wrong cycles look right.
     */
    @Test
    void solutionsComeAndGo() {
        RoverModel model = model(4, 0);
        assertThat(after(model, base(BASE_CENTRED), 1).kind()).isEqualTo(Kind.FLOAT);
        assertThat(after(model, base(BASE_CENTRED), 40).kind()).isEqualTo(Kind.FIXED);
        assertThat(model.solve(NOON.plusSeconds(50), ROVER, OPEN).age()).hasValue(8);
        assertThat(model.solve(NOON.plusSeconds(60), ROVER, OPEN).kind()).isEqualTo(Kind.FLOAT);
        assertThat(model.solve(NOON.plusSeconds(110), ROVER, OPEN).kind()).isEqualTo(Kind.AUTONOMOUS);
        assertThat(model.solve(NOON.plusSeconds(111), ROVER, s -> s.elevation().degrees() > 80).kind()).isEqualTo(Kind.NONE);
        SolvedPosition wrong = after(model(5, 1), base(BASE_CENTRED), 40);
        assertThat(wrong.kind()).isEqualTo(Kind.FIXED);
        assertThat(Math.hypot(Math.hypot(error(wrong)[0], error(wrong)[1]), error(wrong)[2])).isGreaterThan(0.25);
    }

    private ReceiverStandIn standIn(double perSecond) throws IOException {
        ReceiverStandIn standIn = new ReceiverStandIn(0, SKY, model(7, 0), () -> ROVER, OPEN, perSecond);
        open.add(standIn);
        return standIn;
    }

    private StreamReceiver receiver(ReceiverStandIn of, List<SolvedPosition> into) {
        StreamReceiver receiver = new StreamReceiver(LinkSetting.cable(NmeaDriver.ID, "localhost", of.port()));
        receiver.listen(epoch -> into.add(epoch.position()));
        open.add(receiver);
        return receiver;
    }

    /** A machine that is busy for half a second lets a receiver's epochs through late; the receiver measured every one of them. */
    @Test
    void noEpochIsLeftOutOnABusyMachine() throws Exception {
        AtomicInteger solved = new AtomicInteger();
        ReceiverStandIn standIn = new ReceiverStandIn(0, SKY, model(7, 0), () -> {
            if (solved.incrementAndGet() == 8) {
                LockSupport.parkNanos(Duration.ofMillis(550).toNanos());
            }
            return ROVER;
        }, OPEN, 10);
        open.add(standIn);
        List<SolvedPosition> positions = new CopyOnWriteArrayList<>();
        receiver(standIn, positions);
        until(() -> solved.get() > 30 && positions.size() > 20);
        List<SolvedPosition> all = List.copyOf(positions);
        for (int i = 1; i < all.size(); i++) {
            assertThat(Duration.between(all.get(i - 1).at(), all.get(i).at())).isEqualTo(Duration.ofMillis(100));
        }
    }

    /** From a base over a caster to a rover and back to whoever looks, all over sockets: fixed, a centimetre from the truth. */
    @Test
    void correctionsComeOverTheInternetAndFixIt() throws Exception {
        Caster caster = new Caster(0, Map.of(), ServerSocketFactory.getDefault());
        open.add(caster);
        caster.offer(new SourceTable.Stream("GALLERY", "Ternholm", "RTCM 3.3", "", "", Optional.empty(), false, true));
        List<SolvedPosition> positions = new CopyOnWriteArrayList<>();
        StreamReceiver receiver = receiver(standIn(10), positions);
        receiver.corrections(Optional.of(new CasterSetting("localhost", caster.port(), false, CasterSetting.Version.TWO, "GALLERY", "",
                "")));
        until(() -> caster.listeners() == 1 && receiver.snapshot().link() == LinkState.UP && receiver.snapshot().now().isPresent());
        assertThat(receiver.snapshot().now().orElseThrow().kind()).isEqualTo(Kind.AUTONOMOUS);
        BaseStream base = new BaseStream(417, BASE_CENTRED, BASE, new Antenna(SKY, 5, NOON), OPEN);
        GpsTime began = GpsTime.ofUtc(Instant.now());
        GpsTime ten = began.plusSeconds(10 - began.secondsOfWeek() % 10);
        for (int i = 0; i < 40 && receiver.snapshot().now().filter(p -> p.kind() == Kind.FIXED).isEmpty(); i++) {
            base.at(ten.plusSeconds(i)).forEach(m -> caster.publish("GALLERY", RtcmFrames.frame(RtcmMessages.write(m))));
            Thread.sleep(1_000);
        }
        SolvedPosition came = receiver.snapshot().now().orElseThrow();
        assertThat(came.kind()).isEqualTo(Kind.FIXED);
        assertThat(came.base()).isEqualTo("0417");
        assertThat(Math.hypot(error(came)[0], error(came)[1])).isLessThan(0.05);
        CorrectionsHeard heard = receiver.snapshot().corrections().orElseThrow();
        assertThat(heard.told().base().orElseThrow()).satisfies(b -> assertThat(b.place().minus(BASE_CENTRED).length()).isLessThan(1e-3))
                .extracting(BaseHeard::name, BaseHeard::station).containsExactly("GALLERY", 417);
        assertThat(heard.told().messages()).containsKeys(1006, 1033, 1077, 1127);
        assertThat(heard.told().equipment()).isEqualTo("STAND-IN BASE, TERNHOLM DISH NONE");
        assertThat(receiver.snapshot().condition()).as("it speaks the open sentences alone").isEmpty();
        assertThatThrownBy(() -> receiver.set("MASK", "15").join()).hasRootCauseInstanceOf(SurveyException.class);
        assertThat(receiver.snapshot().sky()).hasSize(4);
        assertThat(receiver.snapshot().damaged()).isZero();
        assertThat(positions).extracting(SolvedPosition::kind).contains(Kind.AUTONOMOUS, Kind.FLOAT, Kind.FIXED);
    }

    /** Whatever goes wrong with it is noticed; nothing wrong comes through; when it is well again, so is the link. */
    @ParameterizedTest
    @CsvSource({"STALLS, LOST", "HALVES, STRANGER", "GARBLES, STRANGER", "SPEAKS_OTHERWISE, STRANGER"})
    void whatGoesWrongIsNoticed(ReceiverStandIn.Fault fault, LinkState expected) throws Exception {
        ReceiverStandIn standIn = standIn(50);
        List<SolvedPosition> positions = new CopyOnWriteArrayList<>();
        StreamReceiver receiver = receiver(standIn, positions);
        until(() -> positions.size() > 3);
        standIn.misbehave(fault);
        until(() -> receiver.snapshot().link() == expected);
        assertThat(receiver.snapshot().now()).isEmpty();
        int before = positions.size();
        Thread.sleep(500);
        assertThat(positions).hasSize(before);
        standIn.misbehave(ReceiverStandIn.Fault.NONE);
        until(() -> receiver.snapshot().link() == LinkState.UP && positions.size() > before + 3);
    }

    /** A clock that jumps back is told, once; what it says from there on counts as late. */
    @Test
    void timeThatGoesBackIsTold() throws Exception {
        ReceiverStandIn standIn = standIn(2);   // the doubt stands until the next position: long enough to be seen in one of the looks
        List<SolvedPosition> positions = new CopyOnWriteArrayList<>();
        StreamReceiver receiver = receiver(standIn, positions);
        until(() -> receiver.snapshot().latest().filter(e -> e.value().timing().kind() == Epoch.Kind.TIMELY).isPresent());
        List<StreamDoubt> doubts = new ArrayList<>();
        standIn.misbehave(ReceiverStandIn.Fault.BACKWARDS);
        until(() -> {
            receiver.snapshot().doubt().ifPresent(doubts::add);
            return !doubts.isEmpty();
        });
        assertThat(doubts).containsOnly(StreamDoubt.BACKWARDS);
        until(() -> receiver.snapshot().doubt().isEmpty() && receiver.snapshot().late().filter(d -> d.toSeconds() >= 59).isPresent());
        assertThat(receiver.snapshot().now()).isEmpty();
    }
}
