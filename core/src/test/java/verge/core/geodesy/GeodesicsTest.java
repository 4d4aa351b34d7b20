package verge.core.geodesy;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.units.Angle;

/** Shortest lines against what is published of the ellipsoid, and against the sphere's own formula. */
class GeodesicsTest {
    /**
     * The quarter of a meridian is published with the ellipsoid (10 001 965.7293 m); along the equator it is the semi-axis times the angle.
     */
    @ParameterizedTest
    @CsvSource({"0, 11, 90, 11, 10001965.7293, 0", "0, 11, 0, 12, 111319.490793, 90", "0, 11, 0, 10, 111319.490793, 270",
            "-90, 0, 0, 0, 10001965.7293, 0", "56.9, 11.4, 56.9, 11.4, 0, 180"})
    void linesThatArePublished(double latitude, double longitude, double latitude2, double longitude2, double metres, double azimuth) {
        Geodesics.Line line = Geodesics.inverse(Geographic.ofDegrees(latitude, longitude), Geographic.ofDegrees(latitude2, longitude2),
                ReferenceEllipsoid.GRS80);
        assertThat(line.metres()).isCloseTo(metres, within(1e-4));
        assertThat(line.there().minus(Angle.ofDegrees(azimuth)).sin()).isCloseTo(0, within(1e-9));
    }

    @Test
    void onASphereTheyAreGreatCirclesAndTheyComeBack() {
        ReferenceEllipsoid sphere = new ReferenceEllipsoid("sphere", 6_371_000, Double.POSITIVE_INFINITY);
        Random chance = new Random(6);
        for (int round = 0; round < 500; round++) {
            Geographic a = Geographic.ofDegrees(180 * chance.nextDouble() - 90, 360 * chance.nextDouble() - 180);
            Geographic b = Geographic.ofDegrees(180 * chance.nextDouble() - 90, 360 * chance.nextDouble() - 180);
            double across = b.longitude().radians() - a.longitude().radians();
            double cos = a.latitude().sin() * b.latitude().sin() + a.latitude().cos() * b.latitude().cos() * Math.cos(across);
            assertThat(Math.cos(Geodesics.inverse(a, b, sphere).metres() / 6_371_000)).isCloseTo(cos, within(1e-12));
            Geodesics.Line line = Geodesics.inverse(a, b, ReferenceEllipsoid.GRS80);
            Geodesics.End end = Geodesics.direct(a, line.there(), line.metres(), ReferenceEllipsoid.GRS80);
            assertThat(Geodesics.inverse(end.place(), b, ReferenceEllipsoid.GRS80).metres()).isLessThan(1e-6);
            assertThat(Geodesics.inverse(a, Geodesics.direct(end.place(), end.onwards(), -line.metres(), ReferenceEllipsoid.GRS80).place(),
                    ReferenceEllipsoid.GRS80).metres()).isLessThan(1e-5);
        }
    }
}
