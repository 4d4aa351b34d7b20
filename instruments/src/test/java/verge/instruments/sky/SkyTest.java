package verge.instruments.sky;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.satellite.Dilution;
import verge.core.satellite.GpsTime;
import verge.core.satellite.ObservationEpoch;
import verge.core.satellite.SatelliteId;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.Sight;
import verge.formats.rinex.RinexObservationWriter;

/** The sky moves as masses do, and what antennas receive of it leads back to where they stand. */
class SkyTest {
    private static final GpsTime NOON = GpsTime.ofUtc(Instant.parse("2026-06-01T12:00:00Z"));
    private static final EarthPlace BASE = new EarthPlace(Geographic.ofDegrees(56.9500000, 11.4510000), new EllipsoidHeight(52.345));
    private static final double[] BASELINE = {412.337, -268.914, -7.251};
    private static final int EPOCHS = 20;
    private static final double INTERVAL = 60;
    private static final double MASK = Math.toRadians(10);
    private static final Sky SKY = Sky.of(20_260_601, NOON);

    private static EarthPlace rover() {
        EarthCentred base = EarthCentred.of(BASE, ReferenceEllipsoid.WGS84);
        return base.plus(EarthCentred.ofNorthEastUp(BASELINE[0], BASELINE[1], BASELINE[2], BASE.position()))
                .place(ReferenceEllipsoid.WGS84);
    }

    private static double[] inSpace(Orbit orbit, double seconds) {
        EarthCentred p = orbit.at(NOON.plusSeconds(seconds));
        double turn = Orbit.EARTH_RATE * seconds;
        return new double[] {p.x() * Math.cos(turn) - p.y() * Math.sin(turn), p.x() * Math.sin(turn) + p.y() * Math.cos(turn), p.z()};
    }

    private static double[] pull(double[] p) {
        double r = Math.sqrt(p[0] * p[0] + p[1] * p[1] + p[2] * p[2]);
        double g = -Orbit.GRAVITY / (r * r * r);
        return new double[] {g * p[0], g * p[1], g * p[2]};
    }

    /** Newton's law, step by step from where an orbit begins: an hour later it is where the elements say, to centimetres. */
    @ParameterizedTest
    @ValueSource(ints = {0, 17, 40, 77, 101})
    void orbitsObeyGravity(int which) {
        Orbit told = List.copyOf(SKY.orbits().values()).get(which);
        Orbit orbit = new Orbit(told.reference(), told.semiMajor(), told.eccentricity(), told.inclination(), told.node(), 0, told.perigee(),
                told.anomaly(), 0, 0);
        double[] p = inSpace(orbit, 0);
        double[] v = new double[3];
        double[] after = inSpace(orbit, 0.5);
        double[] ago = inSpace(orbit, -0.5);
        for (int i = 0; i < 3; i++) {
            v[i] = after[i] - ago[i];
        }
        for (int step = 0; step < 3_600; step++) {   // leapfrog, a second a step
            double[] a = pull(p);
            for (int i = 0; i < 3; i++) {
                v[i] += a[i] / 2;
                p[i] += v[i];
            }
            a = pull(p);
            for (int i = 0; i < 3; i++) {
                v[i] += a[i] / 2;
            }
        }
        double[] expected = inSpace(orbit, 3_600);
        assertThat(p).containsExactly(expected, within(0.5));
    }

    /** At any hour of a day enough of each system stand over the island, and they stand well. */
    @Test
    void satellitesRiseAndSet() {
        int changes = 0;
        List<SatelliteId> before = List.of();
        for (int hour = 0; hour < 24; hour++) {
            GpsTime time = NOON.plusSeconds(3_600 * (hour - 12));
            Map<SatelliteId, Sight> up = new TreeMap<>();
            SKY.orbits().forEach((id, orbit) -> {
                Sight sight = Sight.of(orbit.at(time), BASE);
                if (sight.elevation().radians() > MASK) {
                    up.put(id, sight);
                }
            });
            for (SatelliteSystem system : SatelliteSystem.values()) {
                assertThat(up.keySet().stream().filter(s -> s.system() == system).count()).isBetween(3L, 16L);
            }
            assertThat(Dilution.of(up.values()).orElseThrow().position()).isBetween(0.6, 1.6);
            changes += List.copyOf(up.keySet()).equals(before) ? 0 : 1;
            before = List.copyOf(up.keySet());
        }
        assertThat(changes).isGreaterThan(20);
    }

    private static String rinex(String marker, EarthPlace place, long seed) {
        try {
            StringBuilder text = new StringBuilder();
            RinexObservationWriter writer = new RinexObservationWriter(text);
            Map<SatelliteId, Integer> channels = SKY.orbits().keySet().stream().filter(s -> s.system() == SatelliteSystem.GLONASS)
                    .collect(Collectors.toMap(s -> s, Sky::channel));
            EarthCentred near = EarthCentred.of(place, ReferenceEllipsoid.WGS84).plus(new EarthCentred(1.5, -2, 0.7));
            writer.header(new RinexObservationWriter.Header(marker, "1", "Demo Surveyor", "Ternholm",
                    List.of("17", "STAND-IN RECEIVER", "0.1"), List.of("A-0042", "TERNHOLM DISH   NONE"), near, 0, INTERVAL, NOON, channels,
                    Instant.parse("2026-06-01T13:00:00Z"), List.of()));
            Antenna antenna = new Antenna(SKY, seed, NOON);
            for (int i = 0; i < EPOCHS; i++) {
                ObservationEpoch epoch = antenna.observe(NOON.plusSeconds(i * INTERVAL), place, s -> s.elevation().radians() > MASK);
                writer.epoch(epoch);
            }
            return text.toString();
        } catch (IOException cannot) {
            throw new AssertionError(cannot);
        }
    }

    static Map<String, String> files() {
        String elements = "satellite;reference seconds of week;semi-major;eccentricity;inclination;node;node rate;perigee;anomaly\n"
                + SKY.orbits().entrySet().stream()
                .map(o -> String.format(Locale.ROOT, "%s;%s;%s;%s;%s;%s;%s;%s;%s%n", o.getKey(), o.getValue().reference().secondsOfWeek(),
                o.getValue().semiMajor(), o.getValue().eccentricity(), o.getValue().inclination(), o.getValue().node(),
                o.getValue().nodeRate(), o.getValue().perigee(), o.getValue().anomaly())).collect(Collectors.joining());
        return Map.of("sky.csv", elements, "base.rnx", rinex("GALLERY", BASE, 5), "rover.rnx", rinex("ROVER", rover(), 6));
    }

    private static String fixture(String name) throws IOException {
        return new String(SkyTest.class.getResourceAsStream("/fixtures/" + name).readAllBytes(), StandardCharsets.UTF_8);
    }

    /** Word for word; figures to their last decimal, which the sines of another machine may turn over. */
    private static void assertAlike(String file, String[] written, String[] committed) {
        assertThat(written).as(file).hasSameSizeAs(committed);
        for (int i = 0; i < written.length; i++) {
            if (!written[i].equals(committed[i])) {
                assertThat(Double.parseDouble(written[i])).as(file).isCloseTo(Double.parseDouble(committed[i]), within(0.0015));
            }
        }
    }

    /**
     * The files as committed, from which another program, with readings of RINEX and orbits of its own, found the vector between both
     * antennas (see baseline.py): to a centimetre.
     */
    @Test
    void anotherProgramFindsTheBaselineInTheFiles() throws Exception {
        for (Map.Entry<String, String> file : files().entrySet()) {
            assertAlike(file.getKey(), file.getValue().split("\\s+|;"), fixture(file.getKey()).split("\\s+|;"));
        }
        EarthCentred found = null;
        for (String line : fixture("baseline.csv").lines().skip(1).toList()) {
            String[] f = line.split(";");
            found = new EarthCentred(Double.parseDouble(f[0]), Double.parseDouble(f[1]), Double.parseDouble(f[2]));
        }
        EarthCentred truly = EarthCentred.of(rover(), ReferenceEllipsoid.WGS84).minus(EarthCentred.of(BASE, ReferenceEllipsoid.WGS84));
        assertThat(found.minus(truly).length()).isLessThan(0.010);
    }
}
