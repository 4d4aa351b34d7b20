package verge.core.units;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class AngleTest {
    @ParameterizedTest
    @CsvSource({"0, 0", "360, 0", "-90, 270", "725, 5", "-720, 0", "359.999999, 359.999999"})
    void wholeCircleIsTheSameDirectionFromZeroToATurn(double degrees, double expected) {
        assertThat(Angle.ofDegrees(degrees).wholeCircle().degrees()).isCloseTo(expected, within(1e-9));
    }

    @ParameterizedTest
    @ValueSource(doubles = {-1e-20, -1e-17, -0.0, 0.0})
    void aHairBelowZeroIsZeroAndNeverAWholeTurn(double radians) {
        double whole = new Angle(radians).wholeCircle().radians();
        assertThat(whole).isGreaterThanOrEqualTo(0).isLessThan(2 * Math.PI);
        assertThat(Double.doubleToRawLongBits(new Angle(-0.0).wholeCircle().radians())).isZero();
    }

    @ParameterizedTest
    @CsvSource({"190, -170", "180, 180", "-180, 180", "-10, -10", "370, 10"})
    void halfCircleIsSignedAndKeepsTheHalfTurnPositive(double degrees, double expected) {
        assertThat(Angle.ofDegrees(degrees).halfCircle().degrees()).isCloseTo(expected, within(1e-9));
    }

    @Test
    void unitsAreExactMultiplesOfEachOther() {
        assertThat(Angle.ofGons(100).radians()).isCloseTo(Math.PI / 2, within(Math.ulp(2.0)));
        assertThat(Angle.ofArcSeconds(3600).degrees()).isCloseTo(1, within(1e-15));
        assertThat(Angle.ofDegrees(90).gons()).isCloseTo(100, within(1e-12));
    }

    @ParameterizedTest
    @ValueSource(doubles = {Double.NaN, Double.POSITIVE_INFINITY})
    void whatIsNoNumberIsNoAngle(double radians) {
        assertThatIllegalArgumentException().isThrownBy(() -> new Angle(radians));
    }
}
