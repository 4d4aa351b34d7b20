package verge.instruments.line;

import java.io.IOException;
import java.net.InetSocketAddress;
import java.time.Duration;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Supplier;
import java.util.function.UnaryOperator;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.DistanceMeter;
import verge.core.reading.Face;
import verge.core.reading.Pointing;
import verge.core.reading.TotalStationReading;
import verge.core.units.Angle;
import verge.core.units.Length;
import verge.instruments.port.InstrumentCondition;
import verge.instruments.port.InstrumentIdentity;
import verge.instruments.port.InstrumentSnapshot;
import verge.instruments.port.InstrumentSwitches;
import verge.instruments.port.LinkSetting;
import verge.instruments.port.LinkState;
import verge.instruments.port.Stamped;
import verge.instruments.port.TotalStation;

/** Driver for a total station that speaks the line protocol over TCP. */
public final class LineTotalStation implements TotalStation {
    private static final int CONNECT_MILLIS = 2_000;
    /** The instrument tells its state every second; three missed ones are a dead link. */
    private static final int SILENCE_MILLIS = 3_500;
    private static final int RETRY_MILLIS = 500;
    private static final int ANSWER_SECONDS = 5;
    /** A greeting that was lost, damaged or refused is said again, for the socket alone does not make a link. */
    private static final int GREETING_MILLIS = 1_000;
    /** Bounds of what an instrument can say; beyond them a line is damaged, whatever its checksum. */
    private static final double CIRCLE = 360;
    private static final double FARTHEST_METRES = 100_000;
    private static final double STEEPEST_TILT_SECONDS = 90 * 3600;
    private static final double MOST_UPSETS = 1e15;
    private static final int LONGEST_NAME = 60;
    /** What follows an answer may solve and wait for a database: it goes on here. */
    private static final ExecutorService ANSWERS = Executors.newCachedThreadPool(task -> daemon(task, "instrument's answer"));

    private final LinkSetting setting;
    private final AtomicReference<InstrumentSnapshot> snapshot;
    private final Map<String, CompletableFuture<LineConnection.Received>> waiting = new ConcurrentHashMap<>();
    private final AtomicLong tags = new AtomicLong();
    /** When the tracked reading came that was taken last. */
    private final AtomicLong taken = new AtomicLong(Long.MIN_VALUE);
    private final ScheduledExecutorService link;
    private volatile LineConnection connection;
    private volatile boolean tracking;
    private volatile boolean closed;

    /** Begins to connect at once. */
    public LineTotalStation(LinkSetting setting) {
        this.setting = setting;
        snapshot = new AtomicReference<>(InstrumentSnapshot.connecting(setting));
        link = Executors.newSingleThreadScheduledExecutor(task -> daemon(task, "total station " + setting.address()));
        link.scheduleWithFixedDelay(this::connectAndListen, 0, RETRY_MILLIS, TimeUnit.MILLISECONDS);
    }

    private static Thread daemon(Runnable task, String name) {
        Thread thread = new Thread(task, name);
        thread.setDaemon(true);
        return thread;
    }

    @Override
    public Optional<TotalStationReading> takeTracked(Duration age) {
        Optional<Stamped<TotalStationReading>> fresh = snapshot().latest().filter(t -> t.within(age));
        return fresh.filter(t -> taken.getAndSet(t.nanos()) != t.nanos()).map(Stamped::value);
    }

    @Override
    public InstrumentSnapshot snapshot() {
        return snapshot.get();
    }

    @Override
    public CompletableFuture<TotalStationReading> measure(int times) {
        return ask("MEASURE", message -> message.with("times", times)).thenApply(answer -> understood(() -> reading(answer.message(), answer.line())));
    }

    @Override
    public CompletableFuture<Pointing> circles() {
        return ask("CIRCLES", UnaryOperator.identity()).thenApply(answer -> understood(() -> new Pointing(circle(answer.message(), "hz"),
                circle(answer.message(), "v"), Optional.empty(), answer.line())));
    }

    /** A whole line with a right checksum and fields that make no reading is no answer either. */
    private static <T> T understood(Supplier<T> reading) {
        try {
            return reading.get();
        } catch (WireMessage.GarbledLine | IllegalArgumentException senseless) {
            throw new SurveyException(Problem.INSTRUMENT_REFUSED, "an answer without sense: " + senseless.getMessage());
        }
    }

    @Override
    public CompletableFuture<Void> turn(Angle direction, Angle zenith) {
        return done(ask("TURN", message -> message.with("hz", direction.wholeCircle().degrees(), 5).with("v", zenith.wholeCircle().degrees(), 5)));
    }

    @Override
    public CompletableFuture<Void> changeFace() {
        return done(ask("FACE", UnaryOperator.identity()));
    }

    @Override
    public CompletableFuture<Void> search() {
        return done(ask("SEARCH", UnaryOperator.identity()));
    }

    @Override
    public CompletableFuture<Void> mode(InstrumentSwitches.Mode mode) {
        return done(ask("SET", message -> message.with("mode", mode.name().toLowerCase(Locale.ROOT))));
    }

    @Override
    public CompletableFuture<Void> set(InstrumentSwitches.Switch what, boolean on) {
        return done(ask("SET", message -> message.with(what.name().toLowerCase(Locale.ROOT), on ? 1 : 0)));
    }

    private static CompletableFuture<Void> done(CompletableFuture<LineConnection.Received> answer) {
        return answer.thenApply(received -> null);
    }

    @Override
    public void track(boolean on) {
        tracking = on;
        if (!on) {
            snapshot.updateAndGet(InstrumentSnapshot::withoutTrack);
        }
        ask("TRACK", message -> message.with("on", on ? 1 : 0));   // without a link this fails; connecting asks again
    }

    @Override
    public void close() {
        closed = true;
        link.shutdownNow();
        LineConnection open = connection;
        if (open != null) {
            open.close();
        }
        snapshot.updateAndGet(s -> s.with(LinkState.CLOSED));
    }

    private CompletableFuture<LineConnection.Received> ask(String verb, UnaryOperator<WireMessage> fields) {
        LineConnection open = connection;
        if (open == null) {
            return CompletableFuture.failedFuture(linkLost());
        }
        String tag = Long.toString(tags.incrementAndGet());
        CompletableFuture<LineConnection.Received> answer = new CompletableFuture<>();
        waiting.put(tag, answer);
        try {
            open.send(fields.apply(WireMessage.of(tag, verb)));
        } catch (IOException down) {
            waiting.remove(tag);
            return CompletableFuture.failedFuture(linkLost());
        }
        return answer.orTimeout(ANSWER_SECONDS, TimeUnit.SECONDS)
                .whenCompleteAsync((received, failure) -> waiting.remove(tag), ANSWERS)
                .exceptionallyCompose(failure -> CompletableFuture.failedFuture(failure instanceof TimeoutException || failure.getCause() instanceof TimeoutException
                        ? new SurveyException(Problem.NO_ANSWER, ANSWER_SECONDS) : failure));
    }

    private SurveyException linkLost() {
        return new SurveyException(Problem.LINK_LOST, snapshot().address());
    }

    private void connectAndListen() {
        if (closed) {
            return;
        }
        try (LineConnection open = LineConnection.open(new InetSocketAddress(setting.host(), setting.port()), CONNECT_MILLIS, SILENCE_MILLIS)) {
            connection = open;
            if (closed) {
                return;
            }
            greet(open);
            while (!closed) {
                open.receive().ifPresent(this::handle);
            }
        } catch (IOException down) {
            // the state below says so, and the next round tries again
        } finally {
            connection = null;
            snapshot.updateAndGet(s -> s.link() == LinkState.UP ? s.with(LinkState.LOST) : s);
            waiting.values().forEach(answer -> answer.completeExceptionally(linkLost()));
        }
    }

    /** Says who we are and again, as long as this connection stands, until the other end has said who it is. */
    private void greet(LineConnection over) {
        if (closed || connection != over) {
            return;
        }
        ask("HELLO", message -> message.with("version", 2).with("link", setting.kind().name().toLowerCase(Locale.ROOT)).with("partner", setting.partner()))
                .thenAccept(this::greeted)
                .exceptionally(lost -> {
                    CompletableFuture.delayedExecutor(GREETING_MILLIS, TimeUnit.MILLISECONDS, ANSWERS).execute(() -> greet(over));
                    return null;
                });
    }

    private void greeted(LineConnection.Received answer) {
        WireMessage m = answer.message();
        InstrumentIdentity identity = new InstrumentIdentity(name(m, "model"), name(m, "serial"), Angle.ofArcSeconds(m.number("sigma-angle", 0.01, 3600)),
                new DistanceMeter(m.number("wavelength", 0.1, 10), m.number("reference-index", 1, 1.01), new Length(m.number("sigma-edm", 0, 10)),
                        m.number("sigma-edm-ppm", 0, 1000)));
        snapshot.updateAndGet(s -> s.with(identity).with(LinkState.UP));
        if (tracking) {
            track(true);
        }
    }

    private static String name(WireMessage m, String field) {
        String text = m.text(field);
        if (text.length() > LONGEST_NAME || text.chars().anyMatch(Character::isISOControl)) {
            throw new IllegalArgumentException(field + " is no name");
        }
        return text;
    }

    private void handle(LineConnection.Received received) {
        WireMessage message = received.message();
        try {
            switch (message.verb()) {
                case "STATE" -> {
                    InstrumentCondition told = condition(message);
                    InstrumentSwitches set = switches(message);
                    snapshot.updateAndGet(s -> s.with(told, set));
                }
                case "TRACK" -> {
                    TotalStationReading reading = reading(message, received.line());
                    snapshot.updateAndGet(s -> tracking ? s.with(reading) : s);
                }
                default -> answer(received);
            }
        } catch (WireMessage.GarbledLine | IllegalArgumentException damaged) {
            // a line with a right checksum and wrong fields is no reading either
        }
    }

    private void answer(LineConnection.Received received) {
        CompletableFuture<LineConnection.Received> asked = waiting.get(received.message().tag());
        if (asked == null) {
            return;   // too late: whoever asked has been told that no answer came
        }
        if (received.message().verb().equals(WireMessage.OK)) {
            asked.complete(received);
        } else {
            differs(received.message());
            asked.completeExceptionally(new SurveyException(Problem.INSTRUMENT_REFUSED, received.message().fields().getOrDefault("why", "")));
        }
    }

    /** A refused greeting that says what both ends should share. */
    private void differs(WireMessage refusal) {
        String what = refusal.fields().get("differs");
        if (what != null) {
            snapshot.updateAndGet(s -> s.with(new InstrumentSnapshot.Mismatch(what, setting.partner(), refusal.fields().getOrDefault("theirs", ""))));
        }
    }

    private static TotalStationReading reading(WireMessage m, String line) {
        return new TotalStationReading(circle(m, "hz"), circle(m, "v"), new Length(m.number("sd", 0, FARTHEST_METRES)), line);
    }

    private static Angle circle(WireMessage m, String field) {
        return Angle.ofDegrees(m.number(field, 0, CIRCLE));
    }

    private static InstrumentSwitches switches(WireMessage m) {
        return new InstrumentSwitches(InstrumentSwitches.Mode.valueOf(m.text("mode").toUpperCase(Locale.ROOT)), m.number("face", 1, 2) == 2 ? Face.TWO : Face.ONE,
                m.number("locked") != 0, m.number("compensator") != 0, m.number("laser") != 0, circle(m, "hz"), circle(m, "v"));
    }

    private static InstrumentCondition condition(WireMessage m) {
        return new InstrumentCondition(tilt(m, "tilt-along"), tilt(m, "tilt-across"), (int) m.number("battery", 0, 100), m.number("temperature"), m.number("pressure"),
                (long) m.number("upsets", 0, MOST_UPSETS), m.number("sight") != 0);
    }

    private static Angle tilt(WireMessage m, String field) {
        return Angle.ofArcSeconds(m.number(field, -STEEPEST_TILT_SECONDS, STEEPEST_TILT_SECONDS));
    }
}
