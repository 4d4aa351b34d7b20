package verge.instruments.receiver;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import java.util.function.Consumer;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.SatelliteSystem;
import verge.instruments.link.Codec;
import verge.instruments.link.Connection;
import verge.instruments.link.Link;
import verge.instruments.link.Questions;
import verge.instruments.link.Rules;
import verge.instruments.link.Runner;
import verge.instruments.link.Way;
import verge.instruments.nmea.NmeaEpochs;
import verge.instruments.nmea.NmeaLines;
import verge.instruments.nmea.NmeaParser;
import verge.instruments.nmea.NmeaSentence;
import verge.instruments.nmea.NmeaWriter;
import verge.instruments.ntrip.CasterSetting;
import verge.instruments.port.LinkSetting;
import verge.instruments.port.LinkState;
import verge.instruments.port.Stamped;
import verge.instruments.rtcm.RtcmFrames;

/**
 * Any receiver that sends NMEA 0183 over a socket and takes RTCM 3 on the same one. The link keeps itself: silence is a dead link, and it
 * is tried again until it is closed. One that has the sentences of receiver-protocol.md tells how it fares as well, and can be set.
 */
public final class StreamReceiver implements Receiver {
    private static final Rules RULES = Rules.steady(Duration.ofSeconds(3), Duration.ofMillis(3_500), Duration.ofMillis(500));
    private static final Duration ANSWER = Duration.ofSeconds(4);
    /** Of a receiver's stream something is understood long before. */
    private static final int BYTES_WITHOUT_SENSE = 20_000;
    private static final Map<String, SatelliteSystem> SYSTEMS = Map.of("GP", SatelliteSystem.GPS, "GL", SatelliteSystem.GLONASS, "GA",
            SatelliteSystem.GALILEO, "GB", SatelliteSystem.BEIDOU);

    private final LinkSetting setting;
    private final Runner runner;
    private final Listeners<Epoch> each = new Listeners<>();
    private final Listeners<byte[]> eachFrame = new Listeners<>();
    private final Link<ReceiverSnapshot, ReceiverEvent> link;
    private final Questions<Void> questions;
    /** Over all connections: a line that was held breaks, and is let go over the next. */
    private final EpochTie tie = new EpochTie();
    private volatile Corrections corrections;
    private volatile String lastPlace = "";

    public StreamReceiver(LinkSetting setting, Runner runner) {
        this.setting = setting;
        this.runner = runner;
        questions = new Questions<>(runner, this::linkLost);
        link = new Link<>("receiver at " + setting.address(), Way.tcp(setting.host(), setting.port()), new Speech(),
                ReceiverSnapshot.connecting(setting), RULES, runner);
        link.open();
    }

    /** By the machine's clock. */
    public StreamReceiver(LinkSetting setting) {
        this(setting, Runner.usual());
    }

    @Override
    public ReceiverSnapshot snapshot() {
        ReceiverSnapshot known = link.known();
        return known.with(Optional.ofNullable(corrections).map(Corrections::heard), known.sends().at(runner.now()));
    }

    @Override
    public Runnable listen(Consumer<Epoch> listener) {
        return each.add(listener);
    }

    @Override
    public Runnable listenToFrames(Consumer<byte[]> listener) {
        return eachFrame.add(listener);
    }

    @Override
    public synchronized void corrections(Optional<CasterSetting> from) {
        Corrections before = corrections;
        if (before != null && from.equals(Optional.of(before.heard().setting())) && before.heard().state().triesAgain()) {
            return;
        }
        corrections = from.map(s -> new Corrections(s, this::corrections, () -> lastPlace, runner)).orElse(null);
        if (before != null) {
            before.close();
        }
    }

    /** Hands on what a base sent. What comes while the link is down is lost, as it is old when the link is back. */
    private void corrections(byte[] bytes, int count) {
        if (link.known().link() == LinkState.UP) {
            link.send(Arrays.copyOf(bytes, count));
        }
    }

    @Override
    public CompletableFuture<Void> set(String what, String... values) {
        ReceiverSnapshot now = link.known();
        if (now.link() != LinkState.UP) {
            return CompletableFuture.failedFuture(linkLost());
        }
        if (now.condition().isEmpty()) {
            return CompletableFuture.failedFuture(new SurveyException(Problem.RECEIVER_SAYS_LITTLE));
        }
        return questions.ask(ANSWER, tag ->
                link.send(NmeaWriter.line(new ReceiverWords.Asked(tag, what, List.of(values)).sentence())
                .getBytes(StandardCharsets.US_ASCII)));
    }

    private SurveyException linkLost() {
        return new SurveyException(Problem.LINK_LOST, setting.address());
    }

    @Override
    public void close() {
        link.close();
        corrections(Optional.empty());
    }

    /** What is spoken over the link. */
    private final class Speech implements Codec<ReceiverSnapshot, ReceiverEvent> {
        private Reading reading;

        @Override
        public ReceiverSnapshot reduce(ReceiverSnapshot known, ReceiverEvent event) {
            return event.after(known);
        }

        @Override
        public ReceiverEvent connecting() {
            reading = null;
            return new ReceiverEvent.Connecting();
        }

        @Override
        public ReceiverEvent speak(Connection<ReceiverEvent> over) throws IOException {
            reading = new Reading(over);
            InputStream in = over.in();
            byte[] bytes = new byte[4_096];
            for (int count = in.read(bytes); count >= 0 && over.stands(); count = in.read(bytes)) {
                reading.take(bytes, count);
                if (reading.withoutSense > BYTES_WITHOUT_SENSE) {
                    return new ReceiverEvent.Ended(LinkState.STRANGER);
                }
            }
            return new ReceiverEvent.Ended(LinkState.LOST);
        }

        @Override
        public ReceiverEvent broken(IOException why) {
            return new ReceiverEvent.Ended(reading != null && reading.understood == 0
                    && reading.withoutSense > 0 ? LinkState.STRANGER : LinkState.LOST);
        }

        @Override
        public ReceiverEvent closed() {
            return new ReceiverEvent.Ended(LinkState.CLOSED);
        }

        @Override
        public void gone() {
            questions.lost();
        }
    }

    /** What comes over one connection. */
    private final class Reading {
        private final Connection<ReceiverEvent> over;
        private final NmeaLines lines = new NmeaLines();
        private final RtcmFrames frames = new RtcmFrames();
        private final StreamReader sends = new StreamReader("");
        private final NmeaEpochs epochs = new NmeaEpochs();
        private final Map<SatelliteSystem, List<NmeaSentence.Gsv.Seen>> growing = new TreeMap<>();
        private long understood;
        private long faulty;
        private int withoutSense;
        private NmeaSentence before;

        Reading(Connection<ReceiverEvent> over) {
            this.over = over;
        }

        void take(byte[] bytes, int count) {
            withoutSense += count;
            lines.take(bytes, count, this::line);
            frames.take(bytes, count, this::frame);
        }

        private void frame(byte[] message) {
            withoutSense = understood > 0 ? 0 : withoutSense;   // what only corrects is no receiver
            sends.message(message);
            over.tell(new ReceiverEvent.Sends(sends.told()));
            eachFrame.tell(RtcmFrames.frame(message));
        }

        private void line(String line) {
            NmeaParser.Read read = NmeaParser.read(line);
            if (read.sentence().isEmpty()) {
                faulty++;
                return;
            }
            understood++;
            withoutSense = 0;
            NmeaSentence sentence = read.sentence().get();
            NmeaSentence last = before;
            before = sentence;
            if (sentence instanceof NmeaSentence.Proprietary own) {
                own(own);
                return;
            }
            if (sentence instanceof NmeaSentence.Gga gga && gga.place().isPresent()) {
                lastPlace = line + "\r\n";
            }
            Instant now = runner.now();
            Optional<NmeaEpochs.Event> brought = epochs.take(sentence, now);
            Optional<Epoch> solved = brought.filter(NmeaEpochs.Event.Solved.class::isInstance)
                    .map(e -> ((NmeaEpochs.Event.Solved) e).position()).map(p -> new Epoch(p, tie.take(p.at(), runner.nanos())));
            over.tell(new ReceiverEvent.Sentence(now, faulty + lines.broken(), brought,
                    solved.map(e -> new Stamped<>(e, e.timing().observedNanos()))));
            if (sentence instanceof NmeaSentence.Gsv gsv) {
                sky(gsv);
            } else if (sentence instanceof NmeaSentence.Gsa gsa) {
                used(gsa, last);
            }
            solved.ifPresent(each::tell);
        }

        private void own(NmeaSentence.Proprietary sentence) {
            try {
                ReceiverWords.read(sentence).ifPresent(this::told);
            } catch (IllegalArgumentException unfit) {
                faulty++;
            }
        }

        private void told(ReceiverWords.Told told) {
            if (!(told instanceof ReceiverWords.Told.Answer answer)) {
                over.tell(new ReceiverEvent.Own(runner.now(), told));
            } else if (answer.why().isEmpty()) {
                questions.answer(answer.tag(), null);
            } else {
                questions.end(answer.tag(), new SurveyException(Problem.INSTRUMENT_REFUSED, answer.why()));
            }
        }

        /** The parts of a system's sky come one after another. */
        private void sky(NmeaSentence.Gsv gsv) {
            SatelliteSystem system = SYSTEMS.get(gsv.talker());
            if (system != null) {
                List<NmeaSentence.Gsv.Seen> so = gsv.part() == 1 ? new ArrayList<>() : growing.getOrDefault(system, new ArrayList<>());
                so.addAll(gsv.seen());
                growing.put(system, so);
                if (gsv.part() >= gsv.parts()) {
                    over.tell(new ReceiverEvent.Sky(system, List.copyOf(so)));
                }
            }
        }

        /** More satellites of one system than a line has room for come in the next one. */
        private void used(NmeaSentence.Gsa gsa, NmeaSentence last) {
            system(gsa).ifPresent(system -> {
                boolean goesOn = last instanceof NmeaSentence.Gsa other && system(other).equals(Optional.of(system));
                over.tell(new ReceiverEvent.Used(system, gsa.numbers(), goesOn));
            });
        }

        private static Optional<SatelliteSystem> system(NmeaSentence.Gsa gsa) {
            return gsa.system().or(() -> Optional.ofNullable(SYSTEMS.get(gsa.talker())));
        }
    }
}
