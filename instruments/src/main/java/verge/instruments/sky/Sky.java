package verge.instruments.sky;

import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import verge.core.satellite.GpsTime;
import verge.core.satellite.SatelliteId;
import verge.core.satellite.SatelliteSystem;

/**
 * Four systems of satellites on orbits like those of the real ones, of our own making: as many planes, as high, as steep; which satellite
 * is where is chance, seeded.
 */
public final class Sky {
    private static final int GLONASS_CHANNELS = 14;
    private static final int LOWEST_CHANNEL = -7;

    private final Map<SatelliteId, Orbit> orbits;

    private Sky(Map<SatelliteId, Orbit> orbits) {
        this.orbits = orbits;
    }

    /** The shape of a system. @param degrees of inclination */
    private record Shell(SatelliteSystem system, int planes, int each, double semiMajor, double degrees) {
    }

    private static final Shell[] SHELLS = {new Shell(SatelliteSystem.GPS, 6, 5, 26_560_000, 55),
            new Shell(SatelliteSystem.GLONASS, 3, 8, 25_508_000, 64.8), new Shell(SatelliteSystem.GALILEO, 3, 8, 29_600_000, 56),
        new Shell(SatelliteSystem.BEIDOU, 3, 8, 27_906_000, 55)};

    /** @param reference of all elements: a day or two about it the sky is as good as real */
    public static Sky of(long seed, GpsTime reference) {
        Random random = new Random(seed);
        Map<SatelliteId, Orbit> orbits = new TreeMap<>();
        for (Shell shell : SHELLS) {
            double turned = random.nextDouble() * 2 * Math.PI;
            for (int i = 0; i < shell.planes() * shell.each(); i++) {
                int plane = i / shell.each();
                double anomaly = 2 * Math.PI * (i % shell.each()) / shell.each() + plane * Math.PI / shell.each()
                        + 0.06 * random.nextGaussian();
                orbits.put(new SatelliteId(shell.system(), i + 1),
                        new Orbit(reference, shell.semiMajor() + 3_000 * random.nextGaussian(), 0.002 + 0.006 * random.nextDouble(),
                        Math.toRadians(shell.degrees() + 0.5 * random.nextGaussian()),
                        turned + 2 * Math.PI * plane / shell.planes() + 0.02 * random.nextGaussian(), -8e-9,
                        random.nextDouble() * 2 * Math.PI, anomaly, 1e-4 * random.nextGaussian(), 1e-12 * random.nextGaussian()));
            }
        }
        return new Sky(orbits);
    }

    public Map<SatelliteId, Orbit> orbits() {
        return orbits;
    }

    /** The frequency channel of a satellite of GLONASS; two that stand opposite share one, others have none. */
    public static int channel(SatelliteId satellite) {
        return satellite.system() == SatelliteSystem.GLONASS ? LOWEST_CHANNEL + satellite.number() % GLONASS_CHANNELS : 0;
    }
}
