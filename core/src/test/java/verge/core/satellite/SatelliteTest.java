package verge.core.satellite;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import java.util.Random;
import java.util.stream.DoubleStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.EllipsoidHeight;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.units.Angle;

/** Time, directions and how satellites stand. */
class SatelliteTest {
    /** Weeks and seconds as published for the beginnings of weeks and round leap seconds. */
    @ParameterizedTest
    @CsvSource({"1980-01-06T00:00:00Z, 0, 0", "1999-08-21T23:59:47Z, 1024, 0", "2017-01-01T00:00:00Z, 1930, 18",
            "2016-12-31T23:59:59Z, 1929, 604816", "2019-04-06T23:59:42Z, 2048, 0", "2026-06-01T12:00:00Z, 2421, 129618"})
    void timeRunsOnWithoutLeapSeconds(Instant utc, int week, double seconds) {
        GpsTime time = GpsTime.ofUtc(utc);
        assertThat(time.week() * (double) GpsTime.WEEK_SECONDS + time.secondsOfWeek())
                .isEqualTo(week * (double) GpsTime.WEEK_SECONDS + seconds);
        assertThat(time.utc()).isEqualTo(utc);
        assertThat(GpsTime.of(week, seconds)).isEqualTo(time);
    }

    /** Earth-centred there and back, and a short vector by its parts, at real sizes: far below a tenth of a millimetre. */
    @Test
    void placesFromTheEarthsCentreAndBack() {
        Random random = new Random(17);
        for (int i = 0; i < 200; i++) {
            EarthPlace place = new EarthPlace(Geographic.ofDegrees(random.nextDouble() * 180 - 90, random.nextDouble() * 360 - 180),
                    new EllipsoidHeight(random.nextDouble() * 9_000 - 400));
            EarthCentred centred = EarthCentred.of(place, ReferenceEllipsoid.WGS84);
            EarthCentred again = EarthCentred.of(centred.place(ReferenceEllipsoid.WGS84), ReferenceEllipsoid.WGS84);
            assertThat(again.minus(centred).length()).isLessThan(1e-8);
            double[] parts = EarthCentred.ofNorthEastUp(3, -4, 12, place.position()).northEastUp(place.position());
            assertThat(parts).containsExactly(new double[] {3, -4, 12}, within(1e-12));
        }
        // WGS 84's own axes
        assertThat(EarthCentred.of(new EarthPlace(Geographic.ofDegrees(0, 90), new EllipsoidHeight(0)), ReferenceEllipsoid.WGS84).y())
                .isEqualTo(6_378_137);
        assertThat(EarthCentred.of(new EarthPlace(Geographic.ofDegrees(90, 0), new EllipsoidHeight(10)), ReferenceEllipsoid.WGS84).z())
                .isCloseTo(6_356_752.3142 + 10, within(1e-4));
    }

    private static Sight sight(double azimuth, double elevation) {
        return new Sight(Angle.ofDegrees(azimuth), Angle.ofDegrees(elevation));
    }

    /** One overhead and three on the horizon, evenly round: by hand, north and east 2/3 each, up 4/3. */
    @Test
    void dilutionByHand() {
        Dilution found = Dilution.of(List.of(sight(0, 90), sight(0, 0), sight(120, 0), sight(240, 0))).orElseThrow();
        assertThat(found.horizontal()).isCloseTo(Math.sqrt(4 / 3.0), within(1e-12));
        assertThat(found.vertical()).isCloseTo(Math.sqrt(4 / 3.0), within(1e-12));
        assertThat(found.position()).isCloseTo(Math.sqrt(8 / 3.0), within(1e-12));
        assertThat(Dilution.of(List.of(sight(0, 90), sight(0, 0), sight(120, 0)))).isEmpty();
        assertThat(Dilution.of(DoubleStream.of(0, 90, 180, 270).mapToObj(a -> sight(a, 30)).toList()))
                .as("on one cone height and clock cannot be told apart").isEmpty();
    }
}
