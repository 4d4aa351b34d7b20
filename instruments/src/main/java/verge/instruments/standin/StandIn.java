package verge.instruments.standin;

import java.io.Closeable;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Random;
import java.util.function.UnaryOperator;
import verge.instruments.world.Scene;

/**
 * A simulated total station with the island it stands on: one loopback port speaks the instrument's protocol, another is the hands of
 * the person who carries tripod and pole. What runs against the first cannot tell it from a real instrument.
 */
public final class StandIn implements Closeable {
    private final SceneFile file;
    private final Random chance;
    private final LineServer instrument;
    private final LineServer ground;
    private final Faults faults = new Faults();
    private Scene scene;

    /**
     * @param instrumentPort 0 for any free one
     * @param groundPort 0 for any free one
     * @param seed the same seed and the same deeds give the same readings
     * @param sceneFile where the scene is kept over a restart
     */
    public StandIn(int instrumentPort, int groundPort, long seed, Path sceneFile) throws IOException {
        file = new SceneFile(sceneFile);
        scene = file.load();
        chance = new Random(seed);
        Observer observer = new Observer(new Random(seed + 1));
        instrument = new LineServer("stand-in instrument", instrumentPort,
                link -> new InstrumentSession(link, this::scene, observer, faults));
        ground = new LineServer("practice ground", groundPort, link -> new GroundSession(link, this));
    }

    public int instrumentPort() {
        return instrument.port();
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

    Random chance() {
        return chance;
    }

    Faults faults() {
        return faults;
    }

    void cut(double seconds) {
        instrument.cut(seconds);
    }

    @Override
    public void close() {
        instrument.close();
        ground.close();
    }
}
