package verge.instruments.standin;

import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import verge.core.satellite.GpsTime;
import verge.instruments.port.LinkKind;
import verge.instruments.world.Scene;

/**
 * A simulated total station with the island it stands on: one loopback port for each of its links speaks the instrument's protocol,
 * another is the hands of the person who carries tripod and pole. What runs against the first cannot tell it from a real instrument.
 */
public final class StandIn implements Closeable {
    private static final int SATELLITE_PORTS = 3;
    /** How many it has. */
    static final int PORTS = InstrumentLink.values().length + 1 + SATELLITE_PORTS;

    private final SceneFile file;
    private final Random chance = new Random();
    private final Random readings = new Random();
    private final List<LineServer> instrument;
    private final LineServer ground;
    private final SatelliteGround satellites;
    private final Telescope telescope;
    private final Faults faults = new Faults();
    private Scene scene;

    /**
     * @param ports of the links in the order of {@link InstrumentLink}, then of the practice ground, of the receivers on the pole and on a
     *     tripod, and of the caster; 0 for any free one
     * @param seed the same seed and the same deeds give the same readings
     * @param skyAge how long ago the sky's own day began
     * @param sceneFile where the scene is kept over a restart
     */
    public StandIn(List<Integer> ports, long seed, Duration skyAge, Path sceneFile) throws IOException {
        file = new SceneFile(sceneFile);
        scene = file.load();
        chanceFrom(seed);
        telescope = new Telescope(this::scene, new Observer(readings), new Observer(new Random(seed)));
        instrument = new ArrayList<>();
        for (InstrumentLink link : InstrumentLink.values()) {
            instrument.add(new LineServer("stand-in " + link, ports.get(link.ordinal()), () -> link.reaches(scene()) && !faults.empty(),
                    caller -> new InstrumentSession(caller, link, this::scene, telescope, faults)));
        }
        int more = InstrumentLink.values().length + 1;
        satellites = new SatelliteGround(ports.subList(more, more + SATELLITE_PORTS), seed, skyAge, this::scene);
        ground = new LineServer("practice ground", ports.get(InstrumentLink.values().length), () -> true,
                link -> new GroundSession(link, this));
    }

    /** As the clock has it: a sky that is another at each hour of the day. */
    static Duration skyByTheClock() {
        return Duration.ofSeconds((long) GpsTime.ofUtc(Instant.now()).secondsOfWeek() % Duration.ofDays(1).toSeconds());
    }

    /** Any free ports. */
    public StandIn(long seed, Duration skyAge, Path sceneFile) throws IOException {
        this(Collections.nCopies(PORTS, 0), seed, skyAge, sceneFile);
    }

    /** The cable's. */
    public int instrumentPort() {
        return port(LinkKind.CABLE);
    }

    public int port(LinkKind kind) {
        return instrument.get(InstrumentLink.of(kind).ordinal()).port();
    }

    /** All ports, in the order in which they can be asked for again. */
    List<Integer> ports() {
        return Stream.concat(Stream.concat(instrument.stream(), Stream.of(ground)).map(LineServer::port), satellites.ports().stream())
                .toList();
    }

    /** The receiver's on the pole. */
    public int receiverPort() {
        return satellites.ports().get(0);
    }

    /** The receiver's on a tripod. */
    public int tripodReceiverPort() {
        return satellites.ports().get(1);
    }

    public int casterPort() {
        return satellites.ports().get(2);
    }

    SatelliteGround satellites() {
        return satellites;
    }

    public int groundPort() {
        return ground.port();
    }

    synchronized Scene scene() {
        return scene;
    }

    synchronized Scene change(UnaryOperator<Scene> deed) throws IOException {
        scene = deed.apply(scene);
        file.save(scene);
        return scene;
    }

    /** Begins chance anew: from here on the same deeds give the same readings as after any other beginning from this seed. */
    public void chanceFrom(long seed) {
        chance.setSeed(seed);
        readings.setSeed(seed + 1);
    }

    Random chance() {
        return chance;
    }

    Faults faults() {
        return faults;
    }

    void cut(double seconds) {
        instrument.forEach(link -> link.cut(seconds));
    }

    @Override
    public void close() {
        instrument.forEach(LineServer::close);
        ground.close();
        satellites.close();
    }
}
