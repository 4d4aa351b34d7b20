package verge.instruments.standin;

import java.io.ByteArrayOutputStream;
import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.satellite.BaseHeard;
import verge.core.satellite.GpsTime;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.Sight;
import verge.core.satellite.SolvedPosition;
import verge.instruments.nmea.NmeaLines;
import verge.instruments.nmea.NmeaParser;
import verge.instruments.nmea.NmeaSentence;
import verge.instruments.nmea.NmeaWriter;
import verge.instruments.port.Background;
import verge.instruments.receiver.ReceiverCondition;
import verge.instruments.receiver.ReceiverWords;
import verge.instruments.rtcm.RtcmFrames;
import verge.instruments.rtcm.RtcmMessages;
import verge.instruments.sky.Antenna;
import verge.instruments.sky.BaseStream;
import verge.instruments.sky.RoverModel;
import verge.instruments.sky.Sky;

/**
 * A simulated satellite receiver on a loopback socket: NMEA 0183 comes out, RTCM 3 goes in on the same connection, as with receivers that
 * anybody can buy. It knows the world and the sky, never a job.
 */
public final class ReceiverStandIn implements Closeable {

    /** The number under which it sends as a base. */
    static final int OWN_STATION = 7;

    /** How it misbehaves. */
    public enum Fault {
        NONE,
        /** It says nothing any more. */
        STALLS,
        /** Each line breaks off in the middle. */
        HALVES,
        /** Checksums are wrong. */
        GARBLES,
        /** Its clock jumps back by a minute and stays there. */
        BACKWARDS,
        /** It speaks of something else. */
        SPEAKS_OTHERWISE
    }

    private static final long MOST_LATE_MILLIS = 5_000;
    private final ServerSocket server;
    private final Sky sky;
    private final RoverModel model;
    private final Supplier<ReceiverBody.Standing> standing;
    private final Optional<ReceiverBody> body;
    private final Optional<RadioAir.Hearer> radio;
    private final Optional<Consumer<byte[]>> sends;
    private final double interval;
    private final Set<Socket> callers = ConcurrentHashMap.newKeySet();
    private BaseStream base;
    private EarthCentred baseSays;
    private RawObservations raw;
    private Object rawOf;
    private volatile Optional<EarthPlace> solvedPlace = Optional.empty();
    private volatile Fault fault = Fault.NONE;
    private volatile boolean closed;

    /** One that says no more than the open sentences. @param perSecond how many positions @param truth where its antenna is now */
    public ReceiverStandIn(int port, Sky sky, RoverModel model, Supplier<EarthPlace> truth, Predicate<Sight> open, double perSecond)
            throws IOException {
        this(port, sky, model, () -> new ReceiverBody.Standing(truth.get(), open, 0, 0), Optional.empty(), Optional.empty(), perSecond);
    }

    /** One that tells of itself and can be set. @param air by which its radio hears and sends @param place of its radio's antenna */
    ReceiverStandIn(int port, Sky sky, RoverModel model, ReceiverBody body, RadioAir air, Supplier<RadioAir.Place> place, double perSecond)
            throws IOException {
        this(port, sky, model, body::standing, Optional.of(body), Optional.of(new OnAir(air, place)), perSecond);
    }

    private record OnAir(RadioAir air, Supplier<RadioAir.Place> place) {
    }

    private ReceiverStandIn(int port, Sky sky, RoverModel model, Supplier<ReceiverBody.Standing> standing, Optional<ReceiverBody> body,
            Optional<OnAir> air, double perSecond) throws IOException {
        this.sky = sky;
        this.model = model;
        this.standing = standing;
        this.body = body;
        RtcmFrames fromAir = new RtcmFrames();
        radio = air.map(a -> new RadioAir.Hearer(name(), body.orElseThrow()::radio, a.place(),
                bytes -> fromAir.take(bytes, bytes.length, this::message)));
        air.ifPresent(a -> a.air().listen(radio.orElseThrow()));
        sends = air.map(a -> bytes -> a.air().send(name(), body.orElseThrow().radio(), a.place().get(), bytes));
        this.interval = 1 / perSecond;
        server = new ServerSocket();
        server.setReuseAddress(true);
        server.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
        Background.start("receiver listens", this::accept);
        Background.start("receiver solves", this::run);
    }

    private String name() {
        return "receiver " + System.identityHashCode(this);
    }

    public int port() {
        return server.getLocalPort();
    }

    public void misbehave(Fault other) {
        fault = other;
    }

    private void accept() {
        while (!closed) {
            try {
                Socket caller = server.accept();
                caller.setTcpNoDelay(true);
                callers.add(caller);
                Background.start("receiver hears corrections", () -> hear(caller));
            } catch (IOException closedOrCallerGone) {
                // a closed server ends the loop
            }
        }
    }

    private void hear(Socket caller) {
        RtcmFrames frames = new RtcmFrames();
        NmeaLines lines = new NmeaLines();
        byte[] bytes = new byte[4_096];
        try {
            InputStream in = caller.getInputStream();
            for (int count = in.read(bytes); count >= 0; count = in.read(bytes)) {
                frames.take(bytes, count, this::message);
                lines.take(bytes, count, line -> NmeaParser.read(line).sentence().filter(NmeaSentence.Proprietary.class::isInstance)
                        .flatMap(s -> ReceiverWords.Asked.of((NmeaSentence.Proprietary) s)).ifPresent(asked -> answer(caller, asked)));
            }
        } catch (IOException gone) {
            // the usual end
        } finally {
            drop(caller);
        }
    }

    private void message(byte[] message) {
        RtcmMessages.read(message).ifPresent(m -> {
            synchronized (model) {
                model.hear(m, GpsTime.ofUtc(Instant.now()));
            }
        });
    }

    private void answer(Socket caller, ReceiverWords.Asked asked) {
        body.ifPresent(b -> {
            String why;
            try {
                why = b.set(asked);
            } catch (IllegalArgumentException | IndexOutOfBoundsException unclear) {
                why = "it does not understand " + asked.what();
            }
            synchronized (model) {
                model.use(b.systems());
            }
            say(caller, NmeaWriter.line(ReceiverWords.answer(asked.tag(), why)).getBytes(StandardCharsets.US_ASCII));
        });
    }

    private synchronized void say(Socket caller, byte[] bytes) {
        try {
            caller.getOutputStream().write(bytes);
            caller.getOutputStream().flush();
        } catch (IOException gone) {
            drop(caller);
        }
    }

    private void drop(Socket caller) {
        callers.remove(caller);
        Background.close(caller);
    }

    /** It measures by its own clock: an epoch that a busy machine lets through late is late, and not left out. */
    private void run() {
        long last = System.currentTimeMillis();
        while (!closed) {
            long now = System.currentTimeMillis();
            boolean clockWasSet = Math.abs(now - last) > MOST_LATE_MILLIS;
            long step = Math.round(interval * 1000);
            long next = ((clockWasSet ? now : last) / step + 1) * step;
            last = next;
            try {
                Thread.sleep(Math.max(0, next - now));
            } catch (InterruptedException closing) {
                Thread.currentThread().interrupt();
                return;
            }
            if (fault != Fault.STALLS && body.map(ReceiverBody::alive).orElse(true)) {
                say(Instant.ofEpochMilli(next));
            }
        }
    }

    private void say(Instant at) {
        String text = fault == Fault.SPEAKS_OTHERWISE ? "@@ 4711 0815 not a word of satellites\r\n".repeat(8) : sentences(at).stream()
                .map(NmeaWriter::line).map(this::spoilt).collect(Collectors.joining());
        byte[] bytes = text.getBytes(StandardCharsets.US_ASCII);
        callers.forEach(caller -> say(caller, bytes));
        body.ifPresent(b -> writeRaw(b, at));
        byte[] frames = at.toEpochMilli() % 1_000 == 0 ? frames(at) : new byte[0];
        if (frames.length > 0) {
            callers.forEach(caller -> say(caller, frames));
            sends.ifPresent(s -> s.accept(frames));
        }
    }

    /** One more epoch of raw observations, if one is due. */
    private void writeRaw(ReceiverBody b, Instant at) {
        OptionalInt each = b.writesEach();
        if (each.isEmpty() || at.toEpochMilli() % (1_000L * each.getAsInt()) != 0) {
            return;
        }
        if (b.writes() != rawOf) {
            rawOf = b.writes();
            EarthCentred about = solvedPlace.map(p -> EarthCentred.of(p, ReferenceEllipsoid.WGS84)).orElse(new EarthCentred(0, 0, 0));
            raw = new RawObservations(sky,
                    new BaseStream(OWN_STATION, about, standing.get().reference(), new Antenna(sky, at.getEpochSecond(), GpsTime.ofUtc(at)),
                    s -> b.uses(s, standing.get())));
        }
        byte[] epoch = raw.at(GpsTime.ofUtc(at), b.systems());
        b.write(epoch, raw.satellites(), raw.slips());
    }

    /** What it sends as a base; nothing as anything else. */
    private byte[] frames(Instant at) {
        Optional<EarthCentred> says = body.flatMap(ReceiverBody::says);
        ReceiverBody.Sends sent = body.map(ReceiverBody::sends).orElse(new ReceiverBody.Sends(BaseStream.FULL, 1));
        if (says.isEmpty()) {
            base = null;
            return new byte[0];
        }
        ReceiverBody.Standing now = standing.get();
        if (base == null || !says.get().equals(baseSays)) {
            baseSays = says.get();
            base = new BaseStream(OWN_STATION, baseSays, now.reference(), new Antenna(sky, at.getEpochSecond(), GpsTime.ofUtc(at)),
                    s -> body.orElseThrow().uses(s, now));
        }
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        if (at.getEpochSecond() % sent.seconds() != 0) {
            return new byte[0];
        }
        base.at(GpsTime.ofUtc(at), sent.kind(), body.orElseThrow().systems())
                .forEach(m -> all.writeBytes(RtcmFrames.frame(RtcmMessages.write(m))));
        return all.toByteArray();
    }

    private String spoilt(String line) {
        return fault == Fault.HALVES ? line.substring(0, line.length() / 2) : fault == Fault.GARBLES ? line.replace("*", "*F")
                .substring(0, line.length() - 2) + "\r\n" : line;
    }

    private List<NmeaSentence> sentences(Instant at) {
        SolvedPosition solved;
        ReceiverBody.Standing now = standing.get();
        Predicate<Sight> tracked = tracked(now);
        synchronized (model) {
            if (body.map(ReceiverBody::takeInitialise).orElse(false)) {
                model.initialise();
            }
            solved = model.solve(GpsTime.ofUtc(at), now.reference(), tracked);
            solvedPlace = solved.place();
        }
        Instant said = fault == Fault.BACKWARDS ? at.minusSeconds(60) : at;
        List<NmeaSentence> all = new ArrayList<>();
        body.ifPresent(b -> all.add(ReceiverWords.tilt(b.leaning())));
        all.addAll(SolutionSentences.place(said, solved));
        if (said.toEpochMilli() % 1_000 == 0) {
            Set<SatelliteSystem> systems = body.map(ReceiverBody::systems).orElse(Set.of(SatelliteSystem.values()));
            all.addAll(SolutionSentences.sky(sky, at, now.reference(), (system, sight) -> systems.contains(system) && tracked.test(sight),
                    solved.dilution()));
            body.ifPresent(b -> ofItself(b, all));
        }
        all.add(SolutionSentences.time(said));
        return all;
    }

    private Predicate<Sight> tracked(ReceiverBody.Standing now) {
        return body.<Predicate<Sight>>map(b -> s -> b.uses(s, now)).orElse(now.open());
    }

    private void ofItself(ReceiverBody b, List<NmeaSentence> all) {
        ReceiverCondition condition = b.condition(radio.map(RadioAir.Hearer::hears).orElse(ReceiverCondition.Hears.NOTHING));
        all.add(ReceiverWords.state(condition));
        condition.writing().map(ReceiverWords::writing).ifPresent(all::add);
        condition.filesPort().ifPresent(port -> all.add(ReceiverWords.files(port)));
        condition.radio().ifPresent(r -> all.add(ReceiverWords.radio(r)));
        model.base().map(s -> new BaseHeard("", s.station(), s.place(), s.year())).ifPresent(s -> all.add(ReceiverWords.base(s)));
    }

    @Override
    public void close() {
        closed = true;
        Background.close(server);
        body.map(ReceiverBody::card).ifPresent(Background::close);
        Arrays.asList(callers.toArray(Socket[]::new)).forEach(this::drop);
    }
}
