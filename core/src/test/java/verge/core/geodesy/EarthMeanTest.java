package verge.core.geodesy;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class EarthMeanTest {
    private static final Geographic AT = Geographic.ofDegrees(56.9, 11.4);
    private static final EarthCentred GROUND = EarthCentred.of(new EarthPlace(AT, new EllipsoidHeight(40)), ReferenceEllipsoid.WGS84);

    private static EarthMean.Weighed off(double north, double east, double up, double sigma, double weight) {
        return new EarthMean.Weighed(GROUND.plus(EarthCentred.ofNorthEastUp(north, east, up, AT)),
                EarthCovariance.ofNorthEastUp(sigma, sigma, 2 * sigma, AT), weight);
    }

    /** Of two, the mean parts the way between them as the weights are to each other, whatever unit they have. */
    @ParameterizedTest
    @CsvSource({"1, 1, 0.010", "3, 1, 0.005", "0.3, 0.1, 0.005", "1, 4, 0.016"})
    void theMeanLiesWhereTheWeightsSay(double first, double second, double north) {
        List<EarthMean.Weighed> two = List.of(off(0, 0, 0, 0.01, first), off(0.020, 0, 0.040, 0.03, second));
        EarthMean mean = EarthMean.of(two);
        assertThat(mean.residual(GROUND)).containsExactly(new double[] {-north, 0, -2 * north}, within(1e-6));
        double share = second / (first + second);
        double sigma = Math.sqrt(0.01 * 0.01 * (1 - share) + 0.03 * 0.03 * share);
        assertThat(mean.spread().northEastUp(AT)).containsExactly(new double[] {sigma, sigma, 2 * sigma}, within(1e-6));
    }

    /** Ten of the same are known no better than one; what they contradict each other by is told beside. */
    @Test
    void repeatingMakesNothingBetter() {
        List<EarthMean.Weighed> ten = IntStream.range(0, 10).mapToObj(i -> off(i % 2 == 0 ? 0.003 : -0.003, 0, 0, 0.01, 2)).toList();
        EarthMean mean = EarthMean.of(ten);
        assertThat(mean.spread().northEastUp(AT)).containsExactly(new double[] {0.01, 0.01, 0.02}, within(1e-9));
        assertThat(mean.scatter(ten)).containsExactly(new double[] {0.003 * Math.sqrt(10.0 / 9), 0, 0}, within(1e-6));
        assertThat(EarthMean.of(ten.subList(0, 1)).scatter(ten.subList(0, 1))).containsOnly(0);
        assertThatThrownBy(() -> EarthMean.of(List.of())).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> off(0, 0, 0, 0.01, 0)).isInstanceOf(IllegalArgumentException.class);
    }
}
