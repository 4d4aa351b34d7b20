package verge.core.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Humidity by a psychrometer, against its printed tables (ventilated, 1000 hPa, whole per cent). */
class AtmosphereTest {
    @ParameterizedTest
    @CsvSource({"20, 20, 100", "20, 15, 59", "30, 20, 40", "10, 7, 66", "25, 18, 51", "15, 10, 52"})
    void aWetThermometerTellsTheHumidity(double dry, double wet, double percent) {
        assertThat(Atmosphere.ofWetBulb(dry, wet, 1000).relativeHumidityPercent()).isCloseTo(percent, within(1.0));
    }

    @ParameterizedTest
    @CsvSource({"20, 21, 1000", "20, -10, 1000", "20, 15, 10"})
    void whatCannotBeOfAirIsRefused(double dry, double wet, double pressure) {
        assertThatThrownBy(() -> Atmosphere.ofWetBulb(dry, wet, pressure)).isInstanceOf(IllegalArgumentException.class);
    }
}
