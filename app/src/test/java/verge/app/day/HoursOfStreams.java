package verge.app.day;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.ByteBuffer;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.LongAccumulator;
import java.util.stream.IntStream;
import javax.net.ServerSocketFactory;
import org.junit.jupiter.api.Test;
import verge.app.support.Bench;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.satellite.GpsTime;
import verge.instruments.link.Runner;
import verge.instruments.ntrip.CasterSetting;
import verge.instruments.ntrip.CorrectionLink;
import verge.instruments.ntrip.SourceTable;
import verge.instruments.port.Background;
import verge.instruments.port.LinkSetting;
import verge.instruments.port.LinkState;
import verge.instruments.receiver.NmeaDriver;
import verge.instruments.receiver.StreamReceiver;
import verge.instruments.rtcm.RtcmFrames;
import verge.instruments.rtcm.RtcmMessages;
import verge.instruments.sky.Antenna;
import verge.instruments.sky.BaseStream;
import verge.instruments.sky.RoverModel;
import verge.instruments.sky.Sky;
import verge.instruments.standin.Caster;
import verge.instruments.standin.ReceiverStandIn;

/**
 * Prints how old positions are when they come, and how memory goes, over an hour of two receivers, and how a caster fares with many
 * listeners; run by './verge bench-streams', not with the tests.
 */
class HoursOfStreams {
    private static final int POSITIONS_A_SECOND = 20;
    private static final int LISTENERS = 200;
    private static final int STATION = 417;
    private static final EarthPlace BASE = new EarthPlace(Geographic.ofDegrees(56.95, 11.451), new EllipsoidHeight(52));
    private static final EarthPlace ROVER = new EarthPlace(Geographic.ofDegrees(56.951, 11.452), new EllipsoidHeight(44));

    private static Duration of(int minutes) {
        return Duration.ofMinutes(Optional.ofNullable(System.getenv("VERGE_BENCH_MINUTES")).map(Integer::parseInt)
                .map(m -> Math.min(m, minutes)).orElse(minutes));
    }

    private static Caster caster() throws IOException {
        Caster caster = new Caster(0, Map.of(), ServerSocketFactory.getDefault());
        caster.offer(new SourceTable.Stream("GALLERY", "Ternholm", "RTCM 3.3", "", "", Optional.empty(), false, true));
        return caster;
    }

    private static CasterSetting at(Caster caster) {
        return new CasterSetting("localhost", caster.port(), false, CasterSetting.Version.TWO, "GALLERY", "", "");
    }

    private static long megabytes() {
        System.gc();
        return (Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory()) >> 20;
    }

    @Test
    void twoReceivers() throws Exception {
        Sky sky = Sky.of(17, GpsTime.ofUtc(Instant.now()));
        BaseStream base = new BaseStream(STATION, EarthCentred.of(BASE, ReferenceEllipsoid.WGS84), BASE,
                new Antenna(sky, 5, GpsTime.ofUtc(Instant.now())), s -> s.elevation().degrees() > 10);
        List<AutoCloseable> open = new ArrayList<>();
        Caster caster = caster();
        open.add(caster);
        AtomicLong came = new AtomicLong();
        AtomicLong late = new AtomicLong();
        LongAccumulator oldest = new LongAccumulator(Math::max, 0);
        for (int i = 0; i < 2; i++) {
            ReceiverStandIn standIn = new ReceiverStandIn(0, sky, new RoverModel(sky, s -> Optional.of(BASE), i, 0), () -> ROVER,
                    s -> s.elevation().degrees() > 10, POSITIONS_A_SECOND);
            open.add(standIn);
            StreamReceiver receiver = new StreamReceiver(LinkSetting.cable(NmeaDriver.ID, "localhost", standIn.port()));
            open.add(receiver);
            receiver.corrections(Optional.of(at(caster)));
            receiver.listen(epoch -> {
                long age = Duration.between(epoch.position().at(), Instant.now()).toMillis();
                came.incrementAndGet();
                oldest.accumulate(age);
                late.addAndGet(age > 200 ? 1 : 0);
            });
        }
        Instant end = Instant.now().plus(of(60));
        for (int second = 0; Instant.now().isBefore(end); second++) {
            Thread.sleep(1_000 - System.currentTimeMillis() % 1_000);
            ByteArrayOutputStream frames = new ByteArrayOutputStream();
            base.at(GpsTime.ofUtc(Instant.ofEpochSecond(Instant.now().getEpochSecond())))
                    .forEach(m -> frames.writeBytes(RtcmFrames.frame(RtcmMessages.write(m))));
            caster.publish("GALLERY", frames.toByteArray());
            if (second % 300 == 60) {
                Bench.say("two receivers, minute %d: %d positions, oldest %d ms, older than 200 ms %d, memory %d MB", second / 60,
                        came.get(), oldest.get(), late.get(), megabytes());
                oldest.reset();
            }
        }
        Bench.say("two receivers, at the end: %d positions, older than 200 ms %d, memory %d MB", came.get(), late.get(), megabytes());
        for (AutoCloseable each : open) {
            each.close();
        }
        assertThat(came.get()).isPositive();
    }

    @Test
    void manyListeners() throws Exception {
        Caster caster = caster();
        LongAccumulator slowest = new LongAccumulator(Math::max, 0);
        AtomicLong heard = new AtomicLong();
        List<CorrectionLink> links = IntStream.range(0, LISTENERS)
                .mapToObj(i -> new CorrectionLink(at(caster), () -> "", new CorrectionLink.Listener() {
            @Override
            public void bytes(byte[] bytes, int count) {
                heard.addAndGet(count);
                if (count >= Long.BYTES) {
                    slowest.accumulate((System.nanoTime() - ByteBuffer.wrap(bytes).getLong()) / 1_000_000);
                }
            }
        }, Runner.usual())).toList();
        while (caster.listeners() < LISTENERS) {
            Thread.sleep(50);
        }
        Instant end = Instant.now().plus(of(10));
        long sent = 0;
        long before = megabytes();
        while (Instant.now().isBefore(end)) {
            byte[] second = new byte[1_000];
            ByteBuffer.wrap(second).putLong(System.nanoTime());
            caster.publish("GALLERY", second);
            sent += second.length;
            Thread.sleep(1_000);
        }
        Thread.sleep(2_000);   // the last of it is under way
        Bench.say("%d listeners: %d kB sent to each, %.4f of it heard by all, slowest %d ms, memory %d MB before, %d MB at the end",
        LISTENERS, sent / 1_000, (double) heard.get() / (sent * LISTENERS), slowest.get(), before, megabytes());
        links.forEach(CorrectionLink::close);
        caster.close();
        assertThat(heard.get()).isEqualTo(sent * LISTENERS);
    }

    /**
     * A receiver that sends its positions and takes none of its corrections: whoever changes these must not wait for it, and its link is
     * known for dead.
     */
    @Test
    void aReceiverThatDoesNotRead() throws Exception {
        Sky sky = Sky.of(17, GpsTime.ofUtc(Instant.now()));
        Caster caster = caster();
        LongAccumulator slowest = new LongAccumulator(Math::max, 0);
        long lost = 0;
        long changed = 0;
        try (ReceiverStandIn standIn = new ReceiverStandIn(0, sky, new RoverModel(sky, s -> Optional.of(BASE), 1, 0), () -> ROVER,
                s -> s.elevation().degrees() > 10, 1); ServerSocket deaf = new ServerSocket(0)) {
            Background.start("deaf", () -> deaf(deaf, standIn.port()));
            try (StreamReceiver receiver = new StreamReceiver(LinkSetting.cable(NmeaDriver.ID, "localhost", deaf.getLocalPort()))) {
                Instant end = Instant.now().plus(of(3));
                LinkState before = LinkState.CONNECTING;
                byte[] burst = new byte[400_000];
                while (Instant.now().isBefore(end)) {
                    long began = System.nanoTime();
                    receiver.corrections(changed++ % 20 == 19 ? Optional.empty() : Optional.of(at(caster)));
                    receiver.set("MASK", "10");
                    slowest.accumulate((System.nanoTime() - began) / 1_000);
                    caster.publish("GALLERY", burst);
                    LinkState now = receiver.snapshot().link();
                    lost += before == LinkState.UP && now != LinkState.UP ? 1 : 0;
                    before = now;
                    Thread.sleep(100);
                }
            }
        }
        caster.close();
        Bench.say(
                "a receiver that does not read: its corrections changed and it was set %d times, slowest %.1f ms; its link was told lost "
                + "%d times", changed, slowest.get() / 1e3, lost);
        assertThat(lost).isPositive();
    }

    /** Passes on what a receiver says, and never reads what it is sent. */
    private static void deaf(ServerSocket deaf, int port) {
        while (!deaf.isClosed()) {
            try (Socket caller = deaf.accept(); Socket receiver = new Socket("localhost", port)) {
                receiver.getInputStream().transferTo(caller.getOutputStream());
            } catch (IOException gone) {
                // the next call is taken
            }
        }
    }
}
