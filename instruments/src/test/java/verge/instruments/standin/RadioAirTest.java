package verge.instruments.standin;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.OptionalDouble;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.geodesy.GridPoint;
import verge.instruments.receiver.ReceiverCondition.Hears;
import verge.instruments.receiver.ReceiverCondition.Radio;

/**
 * What reaches whom over the air: by distance, power and antenna heights, by channel, spacing and modulation, and with others on the
 * channel.
 */
class RadioAirTest {
    private final RadioAir air = new RadioAir();
    private final AtomicInteger heard = new AtomicInteger();
    private final RadioAir.Hearer rover = new RadioAir.Hearer("rover", () -> set(441.5, 12.5, "GMSK", 1), () -> place(0, 2),
            bytes -> heard.addAndGet(bytes.length));

    private static Radio set(double megahertz, double kilohertz, String modulation, double watts) {
        return new Radio(megahertz, kilohertz, modulation, OptionalDouble.of(watts), Hears.NOTHING);
    }

    private static RadioAir.Place place(double away, double metres) {
        return new RadioAir.Place(new GridPoint(6_314_490, 649_010 + away), metres);
    }

    /** One watt carries 6 km, as far as the horizons of both antennas reach: over 2 m and 2 m 11.7 km, over 0.5 m and 2 m 8.7 km. */
    @ParameterizedTest
    @CsvSource({"3000, 2, 1, 441.5, 12.5, GMSK, MESSAGES", "7000, 2, 1, 441.5, 12.5, GMSK, NOTHING",
            "7000, 2, 4, 441.5, 12.5, GMSK, MESSAGES", "9500, 0.5, 16, 441.5, 12.5, GMSK, NOTHING",
            "9500, 9, 16, 441.5, 12.5, GMSK, MESSAGES",
        "3000, 2, 1, 441.5125, 12.5, GMSK, NOTHING", "3000, 2, 1, 441.502, 12.5, GMSK, MESSAGES", "3000, 2, 1, 441.5, 25, GMSK, CARRIER",
                "3000, 2, 1, 441.5, 12.5, 4FSK, CARRIER", "3000, 2, 0, 441.5, 12.5, GMSK, NOTHING"})
    void reach(double away, double metres, double watts, double megahertz, double kilohertz, String modulation, Hears expected) {
        air.listen(rover);
        air.send("base", set(megahertz, kilohertz, modulation, watts), place(away, metres), new byte[100]);
        assertThat(rover.hears()).isEqualTo(expected);
        assertThat(heard.get()).isEqualTo(expected == Hears.MESSAGES ? 100 : 0);
    }

    /** Two as strong drown each other; the stronger by far is understood, the weaker not. */
    @Test
    void twoOnOneChannel() {
        air.listen(rover);
        air.send("crew", set(441.5, 12.5, "GMSK", 1), place(-1_200, 2), new byte[10]);
        assertThat(heard.getAndSet(0)).isEqualTo(10);
        air.send("base", set(441.5, 12.5, "GMSK", 1), place(1_000, 2), new byte[100]);
        assertThat(heard.get()).isZero();
        air.send("base", set(441.5, 12.5, "GMSK", 1), place(200, 2), new byte[100]);
        assertThat(heard.get()).isEqualTo(100);
        air.send("crew", set(441.5, 12.5, "GMSK", 1), place(-1_200, 2), new byte[10]);
        assertThat(heard.get()).isEqualTo(100);
    }
}
