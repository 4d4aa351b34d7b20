package verge.instruments.receiver;

import java.io.IOException;
import java.io.InputStream;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Consumer;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.SatelliteSystem;
import verge.instruments.nmea.NmeaEpochs;
import verge.instruments.nmea.NmeaLines;
import verge.instruments.nmea.NmeaParser;
import verge.instruments.nmea.NmeaSentence;
import verge.instruments.nmea.NmeaWriter;
import verge.instruments.ntrip.CasterSetting;
import verge.instruments.port.Background;
import verge.instruments.port.Device;
import verge.instruments.port.LinkSetting;
import verge.instruments.port.LinkState;
import verge.instruments.port.Stamped;
import verge.instruments.rtcm.RtcmFrames;

/**
 * Any receiver that sends NMEA 0183 over a socket and takes RTCM 3 on the same one. The link keeps itself: silence is a dead link, and it is tried again until it is closed. One that
 * has the sentences of receiver-protocol.md tells how it fares as well, and can be set.
 */
public final class StreamReceiver implements Device {
    private static final int CONNECT_MILLIS = 3_000;
    private static final int SILENCE_MILLIS = 3_500;
    private static final long PAUSE_MILLIS = 500;
    private static final long ANSWER_SECONDS = 4;
    /** Of a receiver's stream something is understood long before. */
    private static final int BYTES_WITHOUT_SENSE = 20_000;
    private static final Map<String, SatelliteSystem> SYSTEMS = Map.of("GP", SatelliteSystem.GPS, "GL", SatelliteSystem.GLONASS, "GA", SatelliteSystem.GALILEO, "GB", SatelliteSystem.BEIDOU);

    private final LinkSetting setting;
    private final List<Consumer<Epoch>> each = new CopyOnWriteArrayList<>();
    private final List<Consumer<byte[]>> eachFrame = new CopyOnWriteArrayList<>();
    private final Thread thread;
    private final Map<String, CompletableFuture<Void>> asked = new ConcurrentHashMap<>();
    private final AtomicLong tags = new AtomicLong();
    /** Over all connections: a line that was held breaks, and is let go over the next. */
    private final EpochTie tie = new EpochTie();
    private volatile ReceiverSnapshot snapshot;
    private volatile Corrections corrections;
    private volatile StreamTold sent = StreamTold.NOTHING;
    private volatile String lastPlace = "";
    private volatile Socket socket;
    private volatile boolean closed;

    public StreamReceiver(LinkSetting setting) {
        this.setting = setting;
        snapshot = ReceiverSnapshot.connecting(setting);
        thread = Background.start("receiver at " + setting.address(), this::keep);
    }

    @Override
    public ReceiverSnapshot snapshot() {
        return snapshot.with(Optional.ofNullable(corrections).map(Corrections::heard), sent.at(Instant.now()));
    }

    /** Tells every position that is whole and without a doubt, from the link's own thread. @return what ends that */
    public Runnable listen(Consumer<Epoch> listener) {
        each.add(listener);
        return () -> each.remove(listener);
    }

    /** Hands on every whole frame of RTCM 3 that it sends as a base, from the link's own thread. @return what ends that */
    public Runnable listenToFrames(Consumer<byte[]> listener) {
        eachFrame.add(listener);
        return () -> eachFrame.remove(listener);
    }

    /** Brings it corrections from now on, others than before, or none. */
    public synchronized void corrections(Optional<CasterSetting> from) {
        Corrections before = corrections;
        if (before != null && from.equals(Optional.of(before.heard().setting())) && before.heard().state().triesAgain()) {
            return;
        }
        corrections = from.map(s -> new Corrections(s, this::corrections, () -> lastPlace)).orElse(null);
        if (before != null) {
            before.close();
        }
    }

    /** Hands on what a base sent. What comes while the link is down is lost, as it is old when the link is back. */
    private void corrections(byte[] bytes, int count) {
        if (snapshot.link() == LinkState.UP) {
            send(bytes, count);
        }
    }

    private synchronized boolean send(byte[] bytes, int count) {
        Socket open = socket;
        if (open == null) {
            return false;
        }
        try {
            open.getOutputStream().write(bytes, 0, count);
            open.getOutputStream().flush();
            return true;
        } catch (IOException lost) {
            return false;   // whoever reads notices and connects again
        }
    }

    /**
     * Sets it, as receiver-protocol.md has it. Fails with LINK_LOST, NO_ANSWER, INSTRUMENT_REFUSED, or RECEIVER_SAYS_LITTLE if it does not know such sentences.
     */
    public CompletableFuture<Void> set(String what, String... values) {
        if (snapshot.link() != LinkState.UP) {
            return CompletableFuture.failedFuture(new SurveyException(Problem.LINK_LOST, setting.address()));
        }
        if (snapshot.condition().isEmpty()) {
            return CompletableFuture.failedFuture(new SurveyException(Problem.RECEIVER_SAYS_LITTLE));
        }
        String tag = Long.toString(tags.incrementAndGet());
        CompletableFuture<Void> answer = new CompletableFuture<>();
        asked.put(tag, answer);
        byte[] line = NmeaWriter.line(new ReceiverWords.Asked(tag, what, List.of(values)).sentence()).getBytes(StandardCharsets.US_ASCII);
        if (!send(line, line.length)) {
            answer.completeExceptionally(new SurveyException(Problem.LINK_LOST, setting.address()));
        }
        return answer.orTimeout(ANSWER_SECONDS, TimeUnit.SECONDS).handle((done, failed) -> {
            asked.remove(tag);
            if (failed instanceof TimeoutException) {
                throw new SurveyException(Problem.NO_ANSWER, ANSWER_SECONDS);
            } else if (failed instanceof SurveyException refused) {
                throw refused;
            }
            return done;
        });
    }

    private void keep() {
        while (!closed) {
            LinkState ended = once();
            if (closed) {
                return;
            }
            snapshot = snapshot.with(ended);
            try {
                Thread.sleep(PAUSE_MILLIS);
            } catch (InterruptedException closing) {
                Thread.currentThread().interrupt();
            }
        }
    }

    private LinkState once() {
        Reading reading = new Reading();
        try (Socket open = new Socket()) {
            open.connect(new InetSocketAddress(setting.host(), setting.port()), CONNECT_MILLIS);
            open.setSoTimeout(SILENCE_MILLIS);
            open.setTcpNoDelay(true);
            socket = open;
            InputStream in = open.getInputStream();
            byte[] bytes = new byte[4_096];
            for (int count = in.read(bytes); count >= 0 && !closed; count = in.read(bytes)) {
                reading.take(bytes, count);
                if (reading.withoutSense > BYTES_WITHOUT_SENSE) {
                    return LinkState.STRANGER;
                }
            }
            return LinkState.LOST;
        } catch (IOException lost) {
            return reading.understood == 0 && reading.withoutSense > 0 ? LinkState.STRANGER : LinkState.LOST;
        } finally {
            sent = StreamTold.NOTHING;
            socket = null;
        }
    }

    /** What comes over one connection. */
    private final class Reading {
        private final NmeaLines lines = new NmeaLines();
        private final RtcmFrames frames = new RtcmFrames();
        private final StreamReader sends = new StreamReader("");
        private final NmeaEpochs epochs = new NmeaEpochs();
        private final Map<SatelliteSystem, List<NmeaSentence.Gsv.Seen>> growing = new TreeMap<>();
        private long understood;
        private long faulty;
        private int withoutSense;
        private NmeaSentence before;

        void take(byte[] bytes, int count) {
            withoutSense += count;
            lines.take(bytes, count, this::line);
            frames.take(bytes, count, this::frame);
        }

        private void frame(byte[] message) {
            withoutSense = understood > 0 ? 0 : withoutSense;   // what only corrects is no receiver
            sends.message(message);
            sent = sends.told();
            byte[] frame = RtcmFrames.frame(message);
            eachFrame.forEach(listener -> listener.accept(frame));
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
            Instant now = Instant.now();
            ReceiverSnapshot was = snapshot;
            Map<SatelliteSystem, List<NmeaSentence.Gsv.Seen>> sky = sentence instanceof NmeaSentence.Gsv gsv ? with(was.sky(), gsv) : was.sky();
            Map<SatelliteSystem, List<Integer>> used = sentence instanceof NmeaSentence.Gsa gsa ? with(was.used(), gsa, last) : was.used();
            Optional<NmeaEpochs.Event> event = epochs.take(sentence, now);
            Optional<Epoch> solved = event.filter(NmeaEpochs.Event.Solved.class::isInstance).map(e -> ((NmeaEpochs.Event.Solved) e).position()).map(p -> new Epoch(p, tie.take(p.at(), System.nanoTime())));
            Optional<NmeaEpochs.Event.Doubt.Kind> doubt = event.isEmpty() ? was.doubt() : event.filter(NmeaEpochs.Event.Doubt.class::isInstance).map(e -> ((NmeaEpochs.Event.Doubt) e).kind());
            Optional<Stamped<Epoch>> came = solved.map(e -> new Stamped<>(e, e.timing().observedNanos())).or(() -> doubt.isPresent() || was.link() != LinkState.UP ? Optional.empty() : was.latest());
            snapshot = new ReceiverSnapshot(setting, LinkState.UP, now, came, sky, used, doubt, faulty + lines.broken(), was.condition(), was.byRadio(), Optional.empty(), StreamTold.NOTHING);
            solved.ifPresent(p -> each.forEach(listener -> listener.accept(p)));
        }

        private void own(NmeaSentence.Proprietary sentence) {
            try {
                ReceiverWords.read(sentence).ifPresent(this::told);
            } catch (IllegalArgumentException unfit) {
                faulty++;
            }
        }

        private void told(ReceiverWords.Told told) {
            ReceiverSnapshot was = snapshot;
            ReceiverCondition condition = was.condition().orElseGet(ReceiverCondition::unknown);
            if (told instanceof ReceiverWords.Told.State state) {
                tell(was, condition.withState(state.condition()), was.byRadio());
            } else if (told instanceof ReceiverWords.Told.Writes writes) {
                tell(was, condition.with(writes.writing()), was.byRadio());
            } else if (told instanceof ReceiverWords.Told.Files files) {
                tell(was, condition.withFiles(files.port()), was.byRadio());
            } else if (told instanceof ReceiverWords.Told.Tilted tilted) {
                tell(was, condition.with(tilted.leaning()), was.byRadio());
            } else if (told instanceof ReceiverWords.Told.OnAir air) {
                tell(was, condition.with(air.radio()), air.radio().hears() == ReceiverCondition.Hears.MESSAGES ? was.byRadio() : Optional.empty());
            } else if (told instanceof ReceiverWords.Told.Base base) {
                tell(was, condition, Optional.of(base.base()));
            } else if (told instanceof ReceiverWords.Told.Answer answer) {
                Optional.ofNullable(asked.get(answer.tag())).ifPresent(waiting -> {
                    if (answer.why().isEmpty()) {
                        waiting.complete(null);
                    } else {
                        waiting.completeExceptionally(new SurveyException(Problem.INSTRUMENT_REFUSED, answer.why()));
                    }
                });
            }
        }

        private void tell(ReceiverSnapshot was, ReceiverCondition condition, Optional<BaseHeard> byRadio) {
            snapshot = new ReceiverSnapshot(setting, LinkState.UP, Instant.now(), was.latest(), was.sky(), was.used(), was.doubt(), was.damaged(), Optional.of(condition), byRadio, Optional.empty(), StreamTold.NOTHING);
        }

        /** The parts of a system's sky come one after another. */
        private Map<SatelliteSystem, List<NmeaSentence.Gsv.Seen>> with(Map<SatelliteSystem, List<NmeaSentence.Gsv.Seen>> told, NmeaSentence.Gsv gsv) {
            SatelliteSystem system = SYSTEMS.get(gsv.talker());
            if (system == null) {
                return told;
            }
            List<NmeaSentence.Gsv.Seen> so = gsv.part() == 1 ? new ArrayList<>() : growing.getOrDefault(system, new ArrayList<>());
            so.addAll(gsv.seen());
            growing.put(system, so);
            return gsv.part() < gsv.parts() ? told : with(told, system, so);
        }

        private static <V> Map<SatelliteSystem, List<V>> with(Map<SatelliteSystem, List<V>> told, SatelliteSystem system, List<V> of) {
            Map<SatelliteSystem, List<V>> all = new TreeMap<>(told);
            all.put(system, List.copyOf(of));
            return all;
        }

        /** More satellites of one system than a line has room for come in the next one. */
        private Map<SatelliteSystem, List<Integer>> with(Map<SatelliteSystem, List<Integer>> told, NmeaSentence.Gsa gsa, NmeaSentence last) {
            return system(gsa).map(system -> {
                boolean goesOn = last instanceof NmeaSentence.Gsa other && system(other).equals(Optional.of(system));
                List<Integer> all = new ArrayList<>(goesOn ? told.getOrDefault(system, List.of()) : List.of());
                all.addAll(gsa.numbers());
                return with(told, system, all);
            }).orElse(told);
        }

        private static Optional<SatelliteSystem> system(NmeaSentence.Gsa gsa) {
            return gsa.system().or(() -> Optional.ofNullable(SYSTEMS.get(gsa.talker())));
        }
    }

    @Override
    public void close() {
        closed = true;
        snapshot = snapshot.with(LinkState.CLOSED);
        corrections(Optional.empty());
        thread.interrupt();
        Background.close(socket);
    }
}
