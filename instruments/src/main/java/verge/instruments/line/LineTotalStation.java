package verge.instruments.line;

import java.io.IOException;
import java.time.Duration;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicLong;
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
import verge.instruments.link.Codec;
import verge.instruments.link.Connection;
import verge.instruments.link.Link;
import verge.instruments.link.Questions;
import verge.instruments.link.Rules;
import verge.instruments.link.Runner;
import verge.instruments.link.Way;
import verge.instruments.port.InstrumentCondition;
import verge.instruments.port.InstrumentIdentity;
import verge.instruments.port.InstrumentSnapshot;
import verge.instruments.port.InstrumentSwitches;
import verge.instruments.port.LinkSetting;
import verge.instruments.port.Stamped;
import verge.instruments.port.TotalStation;

/** A total station that speaks the line protocol, in one framing or another. */
public final class LineTotalStation implements TotalStation {
    /** The instrument tells its state every second; three missed ones are a dead link. */
    private static final Rules RULES = Rules.steady(Duration.ofSeconds(2), Duration.ofMillis(3_500), Duration.ofMillis(500));
    /** What needs nothing to move. */
    private static final Duration AT_ONCE = Duration.ofSeconds(5);
    /** Half a turn of a slow drive, and the fine pointing behind it. */
    private static final Duration TURNING = Duration.ofSeconds(20);
    /** A search looks all around. */
    private static final Duration SEARCHING = Duration.ofSeconds(40);
    private static final Duration EACH_READING = Duration.ofSeconds(3);
    /** A greeting that was lost, damaged or refused is said again, for the socket alone does not make a link. */
    private static final Duration GREETED_AGAIN = Duration.ofSeconds(1);
    private static final Duration GREETED_IN_VAIN = Duration.ofSeconds(3);
    /** Bounds of what an instrument can say; beyond them a line is damaged, whatever its checksum. */
    private static final double CIRCLE = 360;
    private static final double FARTHEST_METRES = 100_000;
    private static final double STEEPEST_TILT_SECONDS = 90 * 3600;
    private static final double MOST_UPSETS = 1e15;
    private static final int LONGEST_NAME = 60;
    private static final String GREETING = "hello-";

    private final LinkSetting setting;
    private final Framing framing;
    private final Runner runner;
    private final Link<InstrumentEvent.Known, InstrumentEvent> link;
    private final Questions<LineConnection.Received> questions;
    /** When the tracked reading came that was taken last. */
    private final AtomicLong taken = new AtomicLong(Long.MIN_VALUE);

    /** Begins to connect at once. */
    public LineTotalStation(LinkSetting setting, Framing framing, Runner runner) {
        this.setting = setting;
        this.framing = framing;
        this.runner = runner;
        questions = new Questions<>(runner, this::linkLost);
        link = new Link<>("total station " + setting.address(), Way.tcp(setting.host(), setting.port()), new Speech(),
                new InstrumentEvent.Known(InstrumentSnapshot.connecting(setting), false), RULES, runner);
        link.open();
    }

    /** On lines, by the machine's clock. */
    public LineTotalStation(LinkSetting setting) {
        this(setting, Framing.LINES, Runner.usual());
    }

    @Override
    public Optional<TotalStationReading> takeTracked(Duration age) {
        Optional<Stamped<TotalStationReading>> fresh = snapshot().latest().filter(t -> t.within(age));
        return fresh.filter(t -> taken.getAndSet(t.nanos()) != t.nanos()).map(Stamped::value);
    }

    @Override
    public InstrumentSnapshot snapshot() {
        return link.known().shown();
    }

    @Override
    public CompletableFuture<TotalStationReading> measure(int times) {
        return ask(AT_ONCE.plus(EACH_READING.multipliedBy(times - 1L)), "MEASURE", message -> message.with("times", times))
                .thenApply(answer -> understood(() -> reading(answer.message(), answer.line())));
    }

    @Override
    public CompletableFuture<Pointing> circles() {
        return ask(AT_ONCE, "CIRCLES", UnaryOperator.identity())
                .thenApply(answer -> understood(() -> new Pointing(circle(answer.message(), "hz"),
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
        return done(ask(TURNING, "TURN", message -> message.with("hz", direction.wholeCircle().degrees(), 5)
                .with("v", zenith.wholeCircle().degrees(), 5)));
    }

    @Override
    public CompletableFuture<Void> changeFace() {
        return done(ask(TURNING, "FACE", UnaryOperator.identity()));
    }

    @Override
    public CompletableFuture<Void> search() {
        return done(ask(SEARCHING, "SEARCH", UnaryOperator.identity()));
    }

    @Override
    public CompletableFuture<Void> mode(InstrumentSwitches.Mode mode) {
        return done(ask(AT_ONCE, "SET", message -> message.with("mode", mode.name().toLowerCase(Locale.ROOT))));
    }

    @Override
    public CompletableFuture<Void> set(InstrumentSwitches.Switch what, boolean on) {
        return done(ask(AT_ONCE, "SET", message -> message.with(what.name().toLowerCase(Locale.ROOT), on ? 1 : 0)));
    }

    private static CompletableFuture<Void> done(CompletableFuture<LineConnection.Received> answer) {
        return answer.thenApply(received -> null);
    }

    @Override
    public void track(boolean on) {
        link.tell(new InstrumentEvent.TrackWanted(on));
        askForTrack(on);   // without a link this fails; a greeting asks again
    }

    private void askForTrack(boolean on) {
        ask(AT_ONCE, "TRACK", message -> message.with("on", on ? 1 : 0));
    }

    @Override
    public void close() {
        link.close();
    }

    private CompletableFuture<LineConnection.Received> ask(Duration within, String verb, UnaryOperator<WireMessage> fields) {
        return questions.ask(within, tag -> link.send(framing.framed(fields.apply(WireMessage.of(tag, verb)).encoded())));
    }

    private SurveyException linkLost() {
        return new SurveyException(Problem.LINK_LOST, setting.address());
    }

    /** What is spoken over the link. */
    private final class Speech implements Codec<InstrumentEvent.Known, InstrumentEvent> {
        @Override
        public InstrumentEvent.Known reduce(InstrumentEvent.Known known, InstrumentEvent event) {
            return event.after(known);
        }

        @Override
        public InstrumentEvent connecting() {
            return new InstrumentEvent.Connecting();
        }

        @Override
        public InstrumentEvent speak(Connection<InstrumentEvent> over) throws IOException {
            Conversation conversation = new Conversation(over);
            conversation.greet();
            Framing.Reader in = framing.reader(over.in());
            while (over.stands()) {
                LineConnection.Received.of(in.next()).ifPresent(conversation::handle);
            }
            return new InstrumentEvent.Gone();
        }

        @Override
        public InstrumentEvent broken(IOException why) {
            return new InstrumentEvent.Gone();
        }

        @Override
        public InstrumentEvent closed() {
            return new InstrumentEvent.Closed();
        }

        @Override
        public void gone() {
            questions.lost();
        }
    }

    /** One connection. The greeting is this conversation's own question: whoever answers late, over an earlier one, makes no link. */
    private final class Conversation {
        private final Connection<InstrumentEvent> over;
        private int greetings;
        private boolean greeted;

        Conversation(Connection<InstrumentEvent> over) {
            this.over = over;
        }

        /** Says who we are, and again until the other end has said who it is. */
        private synchronized void greet() {
            if (greeted) {
                return;
            }
            int now = ++greetings;
            over.send(framing.framed(WireMessage.of(GREETING + now, "HELLO").with("version", 2)
                    .with("link", setting.kind().name().toLowerCase(Locale.ROOT)).with("partner", setting.partner()).encoded()));
            greetAgain(now, GREETED_IN_VAIN);
        }

        private void greetAgain(int unlessAfter, Duration after) {
            over.later(after, () -> {
                synchronized (this) {
                    if (greetings == unlessAfter) {
                        greet();
                    }
                }
            });
        }

        private synchronized void greeted(LineConnection.Received answer) {
            WireMessage m = answer.message();
            if (greeted || !m.tag().equals(GREETING + greetings)) {
                return;
            }
            try {
                if (m.verb().equals(WireMessage.OK)) {
                    over.tell(new InstrumentEvent.Greeted(identity(m)));
                    greeted = true;
                    if (link.known().track()) {
                        askForTrack(true);
                    }
                    return;
                }
                differs(m);
            } catch (WireMessage.GarbledLine | IllegalArgumentException senseless) {
                // who it is was not to be understood: it is asked once more
            }
            greetAgain(greetings, GREETED_AGAIN);
        }

        /** A refused greeting that says what both ends should share. */
        private void differs(WireMessage refusal) {
            String what = refusal.fields().get("differs");
            if (what != null) {
                over.tell(new InstrumentEvent.Differs(new InstrumentSnapshot.Mismatch(what, setting.partner(),
                        refusal.fields().getOrDefault("theirs", ""))));
            }
        }

        void handle(LineConnection.Received received) {
            WireMessage message = received.message();
            try {
                switch (message.verb()) {
                    case "STATE" -> over.tell(new InstrumentEvent.Fares(condition(message), switches(message), runner.now()));
                    case "TRACK" -> over.tell(new InstrumentEvent.Tracked(
                            new Stamped<>(reading(message, received.line()), runner.nanos())));
                    default -> answer(received);
                }
            } catch (WireMessage.GarbledLine | IllegalArgumentException damaged) {
                // a line with a right checksum and wrong fields is no reading either
            }
        }

        /** One that comes too late finds nobody: whoever asked has been told that no answer came. */
        private void answer(LineConnection.Received received) {
            WireMessage message = received.message();
            if (message.tag().startsWith(GREETING)) {
                greeted(received);
            } else if (message.verb().equals(WireMessage.OK)) {
                questions.answer(message.tag(), received);
            } else {
                questions.end(message.tag(), new SurveyException(Problem.INSTRUMENT_REFUSED, message.fields().getOrDefault("why", "")));
            }
        }
    }

    private static InstrumentIdentity identity(WireMessage m) {
        return new InstrumentIdentity(name(m, "model"), name(m, "serial"), Angle.ofArcSeconds(m.number("sigma-angle", 0.01, 3600)),
                new DistanceMeter(m.number("wavelength", 0.1, 10), m.number("reference-index", 1, 1.01),
                new Length(m.number("sigma-edm", 0, 10)),
                        m.number("sigma-edm-ppm", 0, 1000)));
    }

    private static String name(WireMessage m, String field) {
        String text = m.text(field);
        if (text.length() > LONGEST_NAME || text.chars().anyMatch(Character::isISOControl)) {
            throw new IllegalArgumentException(field + " is no name");
        }
        return text;
    }

    private static TotalStationReading reading(WireMessage m, String line) {
        return new TotalStationReading(circle(m, "hz"), circle(m, "v"), new Length(m.number("sd", 0, FARTHEST_METRES)), line);
    }

    private static Angle circle(WireMessage m, String field) {
        return Angle.ofDegrees(m.number(field, 0, CIRCLE));
    }

    private static InstrumentSwitches switches(WireMessage m) {
        return new InstrumentSwitches(InstrumentSwitches.Mode.valueOf(m.text("mode").toUpperCase(Locale.ROOT)),
                m.number("face", 1, 2) == 2 ? Face.TWO : Face.ONE,
                m.number("locked") != 0, m.number("compensator") != 0, m.number("laser") != 0, circle(m, "hz"), circle(m, "v"));
    }

    private static InstrumentCondition condition(WireMessage m) {
        return new InstrumentCondition(tilt(m, "tilt-along"), tilt(m, "tilt-across"), (int) m.number("battery", 0, 100),
                m.number("temperature"), m.number("pressure"),
                (long) m.number("upsets", 0, MOST_UPSETS), m.number("sight") != 0);
    }

    private static Angle tilt(WireMessage m, String field) {
        return Angle.ofArcSeconds(m.number(field, -STEEPEST_TILT_SECONDS, STEEPEST_TILT_SECONDS));
    }
}
