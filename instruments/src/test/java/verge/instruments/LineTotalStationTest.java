package verge.instruments;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import java.util.zip.CRC32;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.TotalStationReading;
import verge.instruments.line.Framing;
import verge.instruments.line.LineConnection;
import verge.instruments.line.LineDriver;
import verge.instruments.line.LineTotalStation;
import verge.instruments.line.WireMessage;
import verge.instruments.link.Runner;
import verge.instruments.port.LinkSetting;
import verge.instruments.port.LinkState;

/** The driver against instruments that answer late, wrongly, twice or not at all. */
class LineTotalStationTest {
    private static final WireMessage STATE = filled("-", "STATE",
            "tilt-along=1 tilt-across=1 battery=70 temperature=11 pressure=1008 upsets=3 sight=1 mode=lock face=1 locked=1 compensator=1 "
            + "laser=0 hz=10 v=90");
    private static final String IDENTITY =
            "version=2 model=M serial=7 sigma-angle=1 sigma-edm=0.001 sigma-edm-ppm=1 wavelength=0.658 reference-index=1.00028";

    private ServerSocket server;
    private LineTotalStation station;
    private volatile LineConnection instrument;

    @AfterEach
    void end() throws IOException {
        if (server != null) {
            station.close();
            server.close();
        }
    }

    private static WireMessage filled(String tag, String verb, String fields) {
        WireMessage message = WireMessage.of(tag, verb);
        for (String field : fields.isEmpty() ? new String[0] : fields.split(" ")) {
            message = message.with(field.substring(0, field.indexOf('=')), field.substring(field.indexOf('=') + 1));
        }
        return message;
    }

    /** An instrument that tells its state ten times a second whatever it is asked. @param answers to a question; empty for silence */
    private void stand(Function<WireMessage, Optional<WireMessage>> answers) throws IOException {
        server = new ServerSocket(0, 1, InetAddress.getLoopbackAddress());
        new Thread(() -> serve(answers), "instrument").start();
        station = new LineTotalStation(LinkSetting.cable(LineDriver.ID, "127.0.0.1", server.getLocalPort()));
    }

    private void serve(Function<WireMessage, Optional<WireMessage>> answers) {
        while (!server.isClosed()) {
            try (LineConnection open = new LineConnection(server.accept())) {
                instrument = open;
                Thread teller = new Thread(() -> tellState(open), "state");
                teller.setDaemon(true);
                teller.start();
                while (true) {
                    Optional<LineConnection.Received> asked = open.receive();
                    if (asked.isPresent()) {
                        Optional<WireMessage> answer = answers.apply(asked.get().message());
                        if (answer.isPresent()) {
                            open.send(answer.get());
                        }
                    }
                }
            } catch (IOException gone) {
                // the next connection, or the end
            }
        }
    }

    private static void tellState(LineConnection open) {
        try {
            while (true) {
                open.send(STATE);
                Thread.sleep(100);
            }
        } catch (IOException | InterruptedException gone) {
            Thread.currentThread().interrupt();
        }
    }

    private static void await(BooleanSupplier reached) {
        Instant end = Instant.now().plus(Duration.ofSeconds(12));
        while (!reached.getAsBoolean()) {
            assertThat(Instant.now()).as("waiting").isBefore(end);
            Thread.onSpinWait();
        }
    }

    /** The other end answers before whoever began the link goes on: nothing that its listener needs may be missing by then. */
    @Test
    void anAnswerMayComeBeforeTheLinkIsHeld() throws Exception {
        int[] greetings = {0};
        server = new ServerSocket(0, 1, InetAddress.getLoopbackAddress());
        new Thread(() -> serve(asked -> {
            greetings[0] += asked.verb().equals("HELLO") ? 1 : 0;
            return usual(asked);
        }), "instrument").start();
        CountDownLatch heard = new CountDownLatch(3);
        Runner slow = new Runner() {
            @Override
            public void beside(String name, Runnable task) {
                Runner.usual().beside(name, task);
                if (name.endsWith("" + server.getLocalPort())) {   // who listens; the writer goes on at once
                    try {
                        heard.await(1, TimeUnit.SECONDS);
                    } catch (InterruptedException ended) {
                        throw new IllegalStateException(ended);
                    }
                }
            }

            @Override
            public Future<?> later(Duration after, Runnable task) {
                return Runner.usual().later(after, task);
            }

            @Override
            public long nanos() {
                return System.nanoTime();
            }

            @Override
            public Instant now() {   // asked for with each state that is heard
                heard.countDown();
                return Instant.EPOCH;
            }
        };
        station = new LineTotalStation(LinkSetting.cable(LineDriver.ID, "127.0.0.1", server.getLocalPort()), Framing.LINES, slow);
        await(() -> station.snapshot().link() == LinkState.UP);
        assertThat(greetings[0]).isEqualTo(1);
        assertThat(station.measure(1).join().slopeDistance().metres()).isEqualTo(20);
    }

    private static Optional<WireMessage> usual(WireMessage asked) {
        return Optional.of(asked.verb().equals("HELLO") ? filled(asked.tag(), "OK", IDENTITY)
                : filled(asked.tag(), "OK", "hz=10 v=90 sd=20"));
    }

    /** The state that it tells by itself keeps the socket alive: only another greeting makes a link of it. */
    @ParameterizedTest
    @ValueSource(strings = {"lost", "refused", "without its fields", "hexadecimal", "impossible"})
    void aGreetingThatGoesWrongOnceIsSaidAgain(String how) throws Exception {
        int[] greetings = {0};
        stand(asked -> !asked.verb().equals("HELLO") || ++greetings[0] > 1 ? usual(asked) : switch (how) {
            case "lost" -> Optional.empty();
            case "refused" -> Optional.of(WireMessage.no(asked.tag(), "busy"));
            case "hexadecimal" -> Optional.of(filled(asked.tag(), "OK", IDENTITY.replace("sigma-angle=1", "sigma-angle=0x1p1")));
            case "impossible" -> Optional.of(filled(asked.tag(), "OK", IDENTITY.replace("sigma-edm=0.001", "sigma-edm=1e308")));
            default -> Optional.of(WireMessage.of(asked.tag(), "OK"));
        });
        await(() -> station.snapshot().link() == LinkState.UP);
        assertThat(station.snapshot().identity().orElseThrow().serial()).isEqualTo("7");
        assertThat(greetings[0]).isEqualTo(2);
    }

    @ParameterizedTest
    @ValueSource(strings = {"hz=361 v=90 sd=20", "hz=-1 v=90 sd=20", "hz=10 v=400 sd=20", "hz=10 v=90 sd=1e308", "hz=10 v=90 sd=-3",
            "hz=10 v=90 sd=0x1p4", "hz=10 v=90 sd=20d",
        "hz=10 v=90 sd=NaN", "hz=10 v=90", "hz=10 v=90 sd=20,5"})
    void figuresThatCannotBeAreNoReading(String answer) throws Exception {
        stand(asked -> asked.verb().equals("MEASURE") ? Optional.of(filled(asked.tag(), "OK", answer)) : usual(asked));
        await(() -> station.snapshot().link() == LinkState.UP);
        assertThat(problemOf(station.measure(1))).isEqualTo(Problem.INSTRUMENT_REFUSED);
        instrument.send(filled("-", "TRACK", answer));
        instrument.send(filled("-", "TRACK", "hz=11 v=91 sd=21"));
        station.track(true);
        await(() -> {
            try {
                instrument.send(filled("-", "TRACK", answer));
                instrument.send(filled("-", "TRACK", "hz=11 v=91 sd=21"));
            } catch (IOException gone) {
                throw new IllegalStateException(gone);
            }
            return station.snapshot().tracked().map(r -> r.slopeDistance().metres() == 21).orElse(false);
        });
    }

    private static Problem problemOf(CompletableFuture<?> asked) {
        try {
            asked.join();
            throw new AssertionError("it succeeded");
        } catch (CompletionException failed) {
            return ((SurveyException) failed.getCause()).problem();
        }
    }

    /** When the track stops while the state goes on, what it said last is where the pole was. */
    @Test
    void aTrackedReadingMakesOneShotAndGrowsOld() throws Exception {
        stand(LineTotalStationTest::usual);
        await(() -> station.snapshot().link() == LinkState.UP);
        station.track(true);
        instrument.send(filled("-", "TRACK", "hz=11 v=91 sd=21"));
        await(() -> station.snapshot().tracked().isPresent());
        Optional<TotalStationReading> taken = station.takeTracked(Duration.ofSeconds(5));
        assertThat(taken.orElseThrow().slopeDistance().metres()).isEqualTo(21);
        assertThat(station.takeTracked(Duration.ofSeconds(5))).as("one reading, one shot").isEmpty();
        instrument.send(filled("-", "TRACK", "hz=11 v=91 sd=22"));
        await(() -> station.snapshot().tracked().map(r -> r.slopeDistance().metres() == 22).orElse(false));
        Thread.sleep(60);
        assertThat(station.takeTracked(Duration.ofMillis(50))).as("too old").isEmpty();
        await(() -> station.snapshot().tracked().isEmpty());
        assertThat(station.snapshot().link()).as("the state still comes").isEqualTo(LinkState.UP);
    }

    /** Whoever waits for an answer may wait for a database as well: the instrument is listened to all the same. */
    @Test
    void whatFollowsAnAnswerDoesNotKeepTheDriverFromListening() throws Exception {
        CountDownLatch asked = new CountDownLatch(1);
        stand(question -> {
            if (question.verb().equals("MEASURE")) {
                waited(asked);
            }
            return usual(question);
        });
        await(() -> station.snapshot().link() == LinkState.UP);
        CountDownLatch release = new CountDownLatch(1);
        CompletableFuture<Boolean> follows = station.measure(1).thenApply(reading -> waited(release));
        asked.countDown();   // only now, or whoever asks would do himself what follows
        station.track(true);
        instrument.send(filled("-", "TRACK", "hz=11 v=91 sd=33"));
        await(() -> station.snapshot().tracked().map(r -> r.slopeDistance().metres() == 33).orElse(false));
        release.countDown();
        assertThat(follows.get(10, TimeUnit.SECONDS)).isTrue();
    }

    private static boolean waited(CountDownLatch release) {
        try {
            return release.await(20, TimeUnit.SECONDS);
        } catch (InterruptedException ended) {
            return false;
        }
    }

    @Test
    void aFieldSaidTwiceMakesALineGarbled() {
        String body = "4 OK hz=10 hz=11 v=90 sd=20";
        CRC32 crc = new CRC32();
        crc.update(body.getBytes(StandardCharsets.UTF_8));
        assertThatThrownBy(() -> WireMessage.parse(body + " ~" + String.format("%08x", crc.getValue())))
                .isInstanceOf(WireMessage.GarbledLine.class).hasMessageContaining("hz twice");
        assertThat(WireMessage.parse(STATE.encoded()).fields()).isEqualTo(Map.copyOf(STATE.fields()));
    }
}
