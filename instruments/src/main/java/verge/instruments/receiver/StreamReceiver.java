package verge.instruments.receiver;

import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Consumer;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.SolvedPosition;
import verge.instruments.nmea.NmeaEpochs;
import verge.instruments.nmea.NmeaLines;
import verge.instruments.nmea.NmeaParser;
import verge.instruments.nmea.NmeaSentence;
import verge.instruments.port.Background;
import verge.instruments.receiver.ReceiverSnapshot.State;

/**
 * Any receiver that sends NMEA 0183 over a socket and takes RTCM 3 on the same one. The link keeps itself: silence is a dead link, and it is tried again until it is closed.
 */
public final class StreamReceiver implements Closeable {
    private static final int CONNECT_MILLIS = 3_000;
    private static final int SILENCE_MILLIS = 3_500;
    private static final long PAUSE_MILLIS = 500;
    /** Of a receiver's stream something is understood long before. */
    private static final int BYTES_WITHOUT_SENSE = 20_000;
    private static final Map<String, SatelliteSystem> SYSTEMS = Map.of("GP", SatelliteSystem.GPS, "GL", SatelliteSystem.GLONASS, "GA", SatelliteSystem.GALILEO, "GB", SatelliteSystem.BEIDOU);

    private final InetSocketAddress address;
    private final Consumer<SolvedPosition> each;
    private final Thread thread;
    private volatile ReceiverSnapshot snapshot = ReceiverSnapshot.CONNECTING;
    private volatile Socket socket;
    private volatile boolean closed;

    /** @param each gets every position that is whole and without a doubt, from the link's own thread */
    public StreamReceiver(InetSocketAddress address, Consumer<SolvedPosition> each) {
        this.address = address;
        this.each = each;
        thread = Background.start("receiver at " + address, this::keep);
    }

    public ReceiverSnapshot snapshot() {
        return snapshot;
    }

    /** Hands on what a base sent. What comes while the link is down is lost, as it is old when the link is back. */
    public void corrections(byte[] bytes, int count) {
        Socket open = socket;
        if (open != null && snapshot.state() == State.UP) {
            try {
                open.getOutputStream().write(bytes, 0, count);
                open.getOutputStream().flush();
            } catch (IOException lost) {
                // whoever reads notices and connects again
            }
        }
    }

    private void keep() {
        while (!closed) {
            State ended = once();
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

    private State once() {
        Reading reading = new Reading();
        try (Socket open = new Socket()) {
            open.connect(address, CONNECT_MILLIS);
            open.setSoTimeout(SILENCE_MILLIS);
            open.setTcpNoDelay(true);
            socket = open;
            InputStream in = open.getInputStream();
            byte[] bytes = new byte[4_096];
            for (int count = in.read(bytes); count >= 0 && !closed; count = in.read(bytes)) {
                reading.take(bytes, count);
                if (reading.withoutSense > BYTES_WITHOUT_SENSE) {
                    return State.NO_RECEIVER;
                }
            }
            return State.LOST;
        } catch (IOException lost) {
            return reading.understood == 0 && reading.withoutSense > 0 ? State.NO_RECEIVER : State.LOST;
        }
    }

    /** What comes over one connection. */
    private final class Reading {
        private final NmeaLines lines = new NmeaLines();
        private final NmeaEpochs epochs = new NmeaEpochs();
        private final Map<SatelliteSystem, List<NmeaSentence.Gsv.Seen>> growing = new TreeMap<>();
        private long understood;
        private long faulty;
        private int withoutSense;

        void take(byte[] bytes, int count) {
            withoutSense += count;
            lines.take(bytes, count, this::line);
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
            Instant now = Instant.now();
            ReceiverSnapshot was = snapshot;
            Map<SatelliteSystem, List<NmeaSentence.Gsv.Seen>> sky = sentence instanceof NmeaSentence.Gsv gsv ? with(was.sky(), gsv) : was.sky();
            Optional<NmeaEpochs.Event> event = epochs.take(sentence, now);
            Optional<SolvedPosition> solved = event.filter(NmeaEpochs.Event.Solved.class::isInstance).map(e -> ((NmeaEpochs.Event.Solved) e).position());
            Optional<NmeaEpochs.Event.Doubt.Kind> doubt = event.isEmpty() ? was.doubt() : event.filter(NmeaEpochs.Event.Doubt.class::isInstance).map(e -> ((NmeaEpochs.Event.Doubt) e).kind());
            Optional<ReceiverSnapshot.Came> came = solved.map(p -> new ReceiverSnapshot.Came(p, now)).or(() -> doubt.isPresent() || was.state() != State.UP ? Optional.empty() : was.position());
            snapshot = new ReceiverSnapshot(State.UP, now, came, sky, doubt, faulty + lines.broken());
            solved.ifPresent(each);
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
            if (gsv.part() < gsv.parts()) {
                return told;
            }
            Map<SatelliteSystem, List<NmeaSentence.Gsv.Seen>> all = new TreeMap<>(told);
            all.put(system, List.copyOf(so));
            return all;
        }
    }

    @Override
    public void close() {
        closed = true;
        thread.interrupt();
        Background.close(socket);
    }
}
