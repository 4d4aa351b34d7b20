package verge.core.reduction;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.units.Angle;
import verge.core.units.Length;

/** Reciprocal zeniths of marks that were laid out on a sphere in plane figures, with a ray that bends. */
class ReciprocalZenithsTest {
    private static final double R = 6_380_000;

    /** Zenith angle at one place towards another, both in a plane through the earth's centre, as a ray of refraction k is seen. */
    private static double zenith(double radius, double otherRadius, double gamma, double k) {
        double across = otherRadius * Math.sin(gamma);
        double up = otherRadius * Math.cos(gamma) - radius;
        return Math.atan2(across, up) - k * gamma / 2;
    }

    /** Each line: metres along the sphere, rise of the second mark, refraction, heights of instruments and targets. */
    @ParameterizedTest
    @CsvSource({"500, 12, 0.13, 1.5, 1.6, 1.5, 1.6", "5000, -280, 0.13, 1.5, 1.6, 1.5, 1.6", "12000, 600, -0.4, 1.5, 1.6, 1.5, 1.6",
            "60, 35, 0.2, 1.5, 1.6, 1.5, 1.6", "900, 0, 0.13, 1.432, 1.610, 1.55, 1.25", "2500, 80, 0.5, 1.2, 1.7, 2.0, 1.3"})
    void theRiseIsThatOfTheMarksAndWhatBendsTheRayIsFound(double along, double rise, double k, double instrument, double other,
            double target, double otherTarget) {
        double gamma = along / R;
        double one = R + 30;
        double two = one + rise;
        double chord = Math.sqrt(Math.pow(one + instrument, 2) + Math.pow(two + other, 2) - 2 * (one + instrument) * (two + other)
                * Math.cos(gamma));
        double z1 = zenith(one + instrument, two + otherTarget, gamma, k);
        double z2 = zenith(two + other, one + target, gamma, k);
        ReciprocalZeniths.Result result =
                ReciprocalZeniths.of(new ReciprocalZeniths.End(new Angle(z1), new Length(instrument), new Length(target)),
                new ReciprocalZeniths.End(new Angle(z2), new Length(other), new Length(otherTarget)), new Length(chord), R + 30);
        assertThat(result.rise().metres()).isCloseTo(rise, within(5e-4));
        assertThat(result.refraction()).isCloseTo(k, within(along < 100 ? 0.6 : 0.02));
    }
}
