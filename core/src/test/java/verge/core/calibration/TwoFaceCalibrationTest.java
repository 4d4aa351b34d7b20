package verge.core.calibration;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import verge.core.reading.InstrumentErrors;
import verge.core.reading.Pointing;
import verge.core.units.Angle;
import verge.core.units.Length;

class TwoFaceCalibrationTest {
    /** What an instrument with these errors reads of a mark, from the geometry of its axes. */
    private static TwoFaceCalibration.Pair pair(double azimuth, double zenith, double c, double t, double i, Random random) {
        double effect = c / Math.sin(Math.toRadians(zenith)) + t / Math.tan(Math.toRadians(zenith));
        return new TwoFaceCalibration.Pair(
                reading(azimuth * 3600 + effect + noise(random), zenith * 3600 + i + noise(random)),
                reading(azimuth * 3600 - effect + 648_000 + noise(random), 1_296_000 - zenith * 3600 + i + noise(random)));
    }

    private static double noise(Random random) {
        return random == null ? 0 : 1.5 * random.nextGaussian();
    }

    private static Pointing reading(double hzSeconds, double zenithSeconds) {
        return new Pointing(Angle.ofArcSeconds(hzSeconds).wholeCircle(), Angle.ofArcSeconds(zenithSeconds), Optional.of(new Length(60)),
                "");
    }

    @Test
    void errorsPutInComeOut() {
        TwoFaceCalibration.Result r = TwoFaceCalibration.determine(List.of(pair(359.9999, 89, 12, -7, 5, null),
                pair(90, 62, 12, -7, 5, null), pair(200, 95, 12, -7, 5, null)), Angle.ofArcSeconds(1.5));
        assertThat(r.errors().collimation().arcSeconds()).isCloseTo(12, within(0.001));
        assertThat(r.errors().trunnion().arcSeconds()).isCloseTo(-7, within(0.001));
        assertThat(r.errors().index().arcSeconds()).isCloseTo(5, within(0.001));
        assertThat(r.trunnionFound()).isTrue();
    }

    /** Taken off again, they leave in each face what both faces' mean is. */
    @Test
    void aSingleFaceIsFreedOfThem() {
        InstrumentErrors errors = new InstrumentErrors(Angle.ofArcSeconds(12), Angle.ofArcSeconds(-7), Angle.ofArcSeconds(5));
        TwoFaceCalibration.Pair p = pair(123, 65, 12, -7, 5, null);
        for (Pointing one : List.of(p.one(), p.two())) {
            assertThat(errors.direction(one).arcSeconds()).isCloseTo(123 * 3600, within(0.01));
            assertThat(errors.zenith(one).arcSeconds()).isCloseTo(65 * 3600, within(0.01));
        }
    }

    @Test
    void levelSightsAloneSayNothingOfTheTrunnionAxis() {
        TwoFaceCalibration.Result r = TwoFaceCalibration.determine(List.of(pair(10, 89, 12, -7, 5, null), pair(90, 91, 12, -7, 5, null)),
                Angle.ofArcSeconds(1.5));
        assertThat(r.trunnionFound()).isFalse();
        assertThat(r.errors().trunnion()).isEqualTo(Angle.ZERO);
        assertThatIllegalArgumentException()
                .isThrownBy(() -> TwoFaceCalibration.determine(List.of(pair(1, 90, 0, 0, 0, null)), Angle.ofArcSeconds(1)));
    }

    @Test
    void theStatedSigmaIsTheSpreadOfManyDeterminations() {
        Random random = new Random(3);
        double squares = 0;
        double stated = 0;
        int runs = 2000;
        for (int run = 0; run < runs; run++) {
            List<TwoFaceCalibration.Pair> pairs = Stream.of(88.0, 91.0, 60.0, 115.0, 89.0, 70.0)
                    .map(z -> pair(40 + z, z, 12, -7, 5, random)).toList();
            TwoFaceCalibration.Result r = TwoFaceCalibration.determine(pairs, Angle.ofArcSeconds(1.5));
            squares += Math.pow(r.errors().collimation().arcSeconds() - 12, 2) + Math.pow(r.errors().trunnion().arcSeconds() + 7, 2);
            stated += Math.pow(r.sigmaCollimation().arcSeconds(), 2) + Math.pow(r.sigmaTrunnion().arcSeconds(), 2);
        }
        assertThat(Math.sqrt(squares / stated)).isBetween(0.8, 1.1);
    }
}
