package verge.app.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.json.JsonMapper;
import verge.core.geodesy.Position;
import verge.core.units.Angle;

/** What is written in journals reads to the bit, and what is none is refused by the field. */
class WireTest {
    private static final JsonMapper JSON = JsonMapper.shared();

    private static <V> String text(Wire<V> wire, V value) {
        return JSON.writeValueAsString(wire.write().apply(value));
    }

    private static <V> V read(Wire<V> wire, String text) {
        return wire.read().apply(JSON.readTree(text));
    }

    @ParameterizedTest
    @CsvSource({"0.1", "-0.0", "5e-324", "1.7976931348623157E308", "6314502.204", "7.27220521664304E-6"})
    void numbersComeBackToTheBit(double number) {
        assertThat(Double.doubleToRawLongBits(read(Wire.NUMBER, text(Wire.NUMBER, number)))).isEqualTo(Double.doubleToRawLongBits(number));
    }

    @Test
    void whatMayBeMissingMayBeLeftOut() {
        Position plan = Position.ofPlan(1, 2);
        assertThat(text(Wires.POSITION, plan)).isEqualTo("{\"plan\":{\"northing\":1.0,\"easting\":2.0},\"elevation\":null}");
        assertThat(read(Wires.POSITION, "{\"plan\":{\"northing\":1,\"easting\":2}}")).isEqualTo(plan);
        assertThat(read(Wire.TEXT.maybe(), "null")).isEqualTo(Optional.empty());
    }

    @Test
    void namesSomebodyGaveStandInTheirOrder() {
        assertThat(text(Wire.TEXT.byName(), Map.of("b", "2", "a", "1", "c", "3"))).isEqualTo("{\"a\":\"1\",\"b\":\"2\",\"c\":\"3\"}");
    }

    @ParameterizedTest
    @CsvSource(delimiter = ';', value = {"{}; 'plan'", "[]; not an object", "{\"plan\":{\"northing\":\"1\",\"easting\":2}}; 'northing'",
            "{\"plan\":{\"northing\":1,\"easting\":null}}; 'easting'",
        "{\"plan\":{\"northing\":1}}; is not there", "{\"plan\":{\"northing\":1,\"easting\":2},\"elevation\":7}; 'elevation'"})
    void whatIsNoneIsRefusedByItsField(String text, String named) {
        assertThatIllegalArgumentException().isThrownBy(() -> read(Wires.POSITION, text)).withMessageContaining(named);
    }

    @Test
    void countsAreWhole() {
        assertThat(read(Wire.COUNT, "3.0")).isEqualTo(3);
        for (String none : new String[] {"3.5", "\"3\"", "3000000000", "1e400", "true"}) {
            assertThatIllegalArgumentException().as(none).isThrownBy(() -> read(Wire.COUNT, none));
        }
    }

    @Test
    void kindsAreToldApart() {
        Wire<Object> either = Wire.oneOf(new Wire.Kind<>("angle", Angle.class, Wires.ANGLE),
                new Wire.Kind<>("place", Position.class, Wires.POSITION));
        assertThat(text(either, new Angle(1.5))).isEqualTo("{\"kind\":\"angle\",\"radians\":1.5}");
        assertThat(read(either, "{\"kind\":\"angle\",\"radians\":1.5}")).isEqualTo(new Angle(1.5));
        assertThatIllegalArgumentException().isThrownBy(() -> read(either, "{\"kind\":\"spline\"}")).withMessageContaining("spline");
        assertThatIllegalArgumentException().isThrownBy(() -> read(either, "{\"radians\":1.5}"));
    }
}
