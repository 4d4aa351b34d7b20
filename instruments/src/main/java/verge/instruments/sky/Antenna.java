package verge.instruments.sky;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.Predicate;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.satellite.GpsTime;
import verge.core.satellite.ObservationEpoch;
import verge.core.satellite.ObservationEpoch.Observed;
import verge.core.satellite.SatelliteId;
import verge.core.satellite.Sight;
import verge.core.satellite.Signal;

/**
 * What an antenna at a true place receives: ranges and carriers with the clocks of both ends, the air, reflections and noise, each by a
 * simple model of the size that it has in life.
 *
 * <p>Two antennas some kilometres apart have the same air but for what differs along their sights; their clocks, reflections, noise and
 * whole cycles are their own.
 */
public final class Antenna {
    private static final double ZENITH_DELAY_METRES = 2.3;
    private static final double AIR_HEIGHT_METRES = 7_000;
    /** At noon and overhead, on the first frequency. */
    private static final double IONOSPHERE_METRES = 4;
    private static final double REFERENCE_HERTZ = 1_575.42e6;
    private static final double CODE_NOISE_METRES = 0.15;
    private static final double PHASE_NOISE_METRES = 0.001;
    private static final double CODE_REFLECTION_METRES = 0.3;
    private static final double PHASE_REFLECTION_METRES = 0.003;
    private static final double STRONGEST = 50;
    private static final int LIGHT_STEPS = 3;
    private static final double DOPPLER_SECONDS = 0.1;

    private final Sky sky;
    private final Random random;
    private final double clockOffset;
    private final double clockDrift;
    private final GpsTime began;
    private final Map<String, Double> wholeCycles = new HashMap<>();
    private final Map<String, GpsTime> held = new HashMap<>();
    private GpsTime before;

    /** @param seed of its noise, its clock and its cycles */
    public Antenna(Sky sky, long seed, GpsTime began) {
        this.sky = sky;
        this.began = began;
        random = new Random(seed);
        clockOffset = 1e-5 * random.nextGaussian();
        clockDrift = 1e-9 * random.nextGaussian();
    }

    /**
     * At one moment.
     *
     * @param place true one of the antenna's centre
     * @param open whether a sight is open: above the mask and not behind anything
     */
    public ObservationEpoch observe(GpsTime time, EarthPlace place, Predicate<Sight> open) {
        EarthCentred here = EarthCentred.of(place, ReferenceEllipsoid.WGS84);
        GpsTime previous = before;
        before = time;
        List<Observed> observed = new ArrayList<>();
        sky.orbits().forEach((satellite, orbit) -> {
            Sight sight = Sight.of(orbit.at(time), place);
            if (sight.elevation().radians() > 0 && open.test(sight)) {
                for (Signal signal : Signal.values()) {
                    if (signal.system() == satellite.system()) {
                        observed.add(observed(time, previous, here, place, satellite, orbit, sight, signal));
                    }
                }
            }
        });
        return new ObservationEpoch(time, observed);
    }

    private Observed observed(GpsTime time, GpsTime previous, EarthCentred here, EarthPlace place, SatelliteId satellite, Orbit orbit,
            Sight sight, Signal signal) {
        int channel = Sky.channel(satellite);
        double wavelength = signal.wavelength(channel);
        double receiver = clockOffset + clockDrift * time.secondsSince(began);
        GpsTime truly = time.plusSeconds(-receiver);
        double way = range(orbit, truly, here) + Signal.LIGHT * (receiver - orbit.clock(truly)) + air(sight, place);
        double ionosphere = ionosphere(truly, sight) * Math.pow(REFERENCE_HERTZ / signal.hertz(channel), 2);
        double sin = Math.max(0.1, sight.elevation().sin());
        // Reflections come and go as the satellite moves: slow waves of their own phase at each antenna and signal.
        String key = satellite + signal.code();
        double wave = Math.sin(40 * sight.elevation().radians() + 25 * sight.azimuth().radians() + key.hashCode() + clockOffset * 1e9);
        double code = way + ionosphere + CODE_REFLECTION_METRES * wave * (1 - sin)
                + CODE_NOISE_METRES / Math.sqrt(sin) * random.nextGaussian();
        double phase = way - ionosphere + PHASE_REFLECTION_METRES * wave * (1 - sin)
                + PHASE_NOISE_METRES / Math.sqrt(sin) * random.nextGaussian();
        boolean slipped = previous == null || !previous.equals(held.get(key));
        held.put(key, time);
        if (slipped) {
            wholeCycles.put(key, (double) Math.round((code - phase) / wavelength + random.nextInt(2_000) - 1_000));
        }
        double later = range(orbit, truly.plusSeconds(DOPPLER_SECONDS), here);
        double doppler = -((later - range(orbit, truly, here)) / DOPPLER_SECONDS + Signal.LIGHT * (clockDrift - orbit.clockDrift()))
                / wavelength;
        return new Observed(satellite, signal, code, phase / wavelength + wholeCycles.get(key), doppler,
                STRONGEST + 10 * Math.log10(sin) + random.nextGaussian(), slipped);
    }

    /** From where the satellite was when the light left it, in the axes in which the earth is when it arrives. */
    static double range(Orbit orbit, GpsTime received, EarthCentred here) {
        double travel = 0.07;
        double range = 0;
        for (int i = 0; i < LIGHT_STEPS; i++) {
            EarthCentred left = orbit.at(received.plusSeconds(-travel));
            double turn = Orbit.EARTH_RATE * travel;
            EarthCentred then = new EarthCentred(left.x() * Math.cos(turn) + left.y() * Math.sin(turn),
                    left.y() * Math.cos(turn) - left.x() * Math.sin(turn), left.z());
            range = then.minus(here).length();
            travel = range / Signal.LIGHT;
        }
        return range;
    }

    private static double air(Sight sight, EarthPlace place) {
        return ZENITH_DELAY_METRES * Math.exp(-place.height().metres() / AIR_HEIGHT_METRES)
                / Math.sin(Math.hypot(sight.elevation().radians(), 0.04));
    }

    /** A layer 350 km up, thickest after noon. */
    private static double ionosphere(GpsTime time, Sight sight) {
        double hours = time.secondsOfWeek() / 3_600 % 24;
        double thick = IONOSPHERE_METRES * (0.35 + 0.65 * Math.max(0, Math.cos((hours - 14) / 24 * 2 * Math.PI)));
        double sin = 6_371.0 / (6_371 + 350) * sight.elevation().cos();
        return thick / Math.sqrt(1 - sin * sin);
    }
}
