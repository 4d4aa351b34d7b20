package verge.instruments.sky;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.geodesy.EarthCentred;
import verge.core.satellite.Broadcast;
import verge.core.satellite.GpsTime;
import verge.core.satellite.SatelliteId;
import verge.formats.rinex.RinexNavigationWriter;
import verge.instruments.rtcm.RtcmMessage;
import verge.instruments.rtcm.RtcmMessages;

/**
 * What satellites say of themselves, through the bits of RTCM and the columns of RINEX, computed anew as each system's specification has
 * it: where the satellite truly is.
 */
class BroadcastingTest {
    /** At noon, beside the turn of a week, and on the last day of a leap year's cycle. */
    @ParameterizedTest
    @ValueSource(strings = {"2026-06-01T12:20:00Z", "2026-06-06T23:50:00Z", "2027-12-31T20:40:00Z"})
    void whoeverComputesWithItFindsTheSatellite(String when) throws Exception {
        GpsTime time = GpsTime.ofUtc(Instant.parse(when));
        Sky sky = Sky.of(2026, time.plusSeconds(-40_000));
        StringBuilder text = new StringBuilder();
        RinexNavigationWriter writer = new RinexNavigationWriter(text);
        writer.header("Ternholm", time.utc(), Instant.EPOCH);
        for (Map.Entry<SatelliteId, Orbit> one : sky.orbits().entrySet()) {
            Broadcast said = Broadcasting.of(one.getKey(), one.getValue(), time);
            writer.write(((RtcmMessage.Ephemeris) RtcmMessages.read(RtcmMessages.write(new RtcmMessage.Ephemeris(said))).orElseThrow())
                    .broadcast());
        }
        List<String> lines = text.toString().lines().dropWhile(l -> !l.contains("END OF HEADER")).skip(1).toList();
        int found = 0;
        for (int i = 0; i < lines.size(); found++) {
            char system = lines.get(i).charAt(0);
            int count = system == 'R' ? 5 : 8;
            String name = lines.get(i).substring(0, 3);
            Orbit truly = sky.orbits().entrySet().stream().filter(o -> o.getKey().toString().equals(name)).findFirst().orElseThrow()
                    .getValue();
            double[] f = figures(lines.subList(i, i + count));
            LocalDateTime epoch = LocalDateTime.of(Integer.parseInt(lines.get(i).substring(4, 8)), number(lines.get(i), 9),
                    number(lines.get(i), 12), number(lines.get(i), 15), number(lines.get(i), 18), number(lines.get(i), 21));
            GpsTime at = GpsTime.ofUtc(epoch.toInstant(ZoneOffset.UTC));
            EarthCentred computed = system == 'R' ? moved(f, at, time) : kepler(system, f, time);
            assertThat(computed.minus(truly.at(time)).length()).as(name).isLessThan(system == 'R' ? 12 : 0.5);
            assertThat(f[0] + f[1] * time.secondsSince(reference(system, f, at))).as("clock of " + name)
                    .isCloseTo(truly.clock(time), within(2e-9));
            i += count;
        }
        assertThat(found).isEqualTo(sky.orbits().size());
    }

    private static int number(String line, int at) {
        return Integer.parseInt(line.substring(at, at + 2));
    }

    private static double[] figures(List<String> lines) {
        List<Double> all = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            for (int at = i == 0 ? 23 : 4; at < lines.get(i).length(); at += 19) {
                all.add(Double.parseDouble(lines.get(i).substring(at, at + 19)));
            }
        }
        return all.stream().mapToDouble(d -> d).toArray();
    }

    /** @param moving of GLONASS */
    private static GpsTime reference(char system, double[] f, GpsTime moving) {
        return system == 'R' ? moving : GpsTime.of((int) f[21] + (system == 'C' ? 1_356 : 0), f[11] + (system == 'C' ? 14 : 0));
    }

    /** IS-GPS-200, table 20-IV; Galileo OS SIS ICD, 5.1.1; BeiDou ICD B1I, table 5-11: the same with constants and weeks of their own. */
    private static EarthCentred kepler(char system, double[] f, GpsTime time) {
        double gravity = system == 'G' ? 3.986005e14 : 3.986004418e14;
        double rate = system == 'C' ? 7.292115e-5 : 7.2921151467e-5;
        double t = time.secondsSince(reference(system, f, null));
        double a = f[10] * f[10];
        double mean = f[6] + (Math.sqrt(gravity / (a * a * a)) + f[5]) * t;
        double e = mean;
        for (int i = 0; i < 20; i++) {
            e = mean + f[8] * Math.sin(e);
        }
        double u = Math.atan2(Math.sqrt(1 - f[8] * f[8]) * Math.sin(e), Math.cos(e) - f[8]) + f[17];
        double radius = a * (1 - f[8] * Math.cos(e)) + f[4] * Math.sin(2 * u) + f[16] * Math.cos(2 * u);
        double inclination = f[15] + f[19] * t + f[14] * Math.sin(2 * u) + f[12] * Math.cos(2 * u);
        double latitude = u + f[9] * Math.sin(2 * u) + f[7] * Math.cos(2 * u);
        double node = f[13] + (f[18] - rate) * t - rate * f[11];
        double x = radius * Math.cos(latitude);
        double y = radius * Math.sin(latitude);
        return new EarthCentred(x * Math.cos(node) - y * Math.cos(inclination) * Math.sin(node),
                x * Math.sin(node) + y * Math.cos(inclination) * Math.cos(node), y * Math.sin(inclination));
    }

    /** GLONASS ICD, A.3.1.2, without the flattening of the earth, which our sky does not have: second by second. */
    private static EarthCentred moved(double[] f, GpsTime reference, GpsTime time) {
        double[] p = {f[3] * 1e3, f[7] * 1e3, f[11] * 1e3};
        double[] v = {f[4] * 1e3, f[8] * 1e3, f[12] * 1e3};
        double left = time.secondsSince(reference);
        double step = Math.signum(left);
        for (int i = 0; i < Math.round(Math.abs(left)); i++) {
            double[] middle = {p[0] + v[0] * step / 2, p[1] + v[1] * step / 2, p[2] + v[2] * step / 2};
            double[] pull = pull(middle, v);
            for (int j = 0; j < 3; j++) {
                p[j] += v[j] * step + pull[j] / 2;
                v[j] += pull[j] * step;
            }
        }
        return new EarthCentred(p[0], p[1], p[2]);
    }

    private static double[] pull(double[] p, double[] v) {
        double turn = 7.2921151467e-5;
        double r = Math.sqrt(p[0] * p[0] + p[1] * p[1] + p[2] * p[2]);
        double towards = -3.986005e14 / (r * r * r);
        return new double[] {towards * p[0] + turn * turn * p[0] + 2 * turn * v[1], towards * p[1] + turn * turn * p[1] - 2 * turn * v[0],
                towards * p[2]};
    }
}
