package verge.core.satellite;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import verge.core.problem.SurveyException;
import verge.core.units.Length;

/** What both ends of a radio link share, and its code to read aloud. */
class RadioChannelTest {
    /** Every code means its own channel; one digit misheard, or two side by side exchanged, means none. */
    @Test
    void codesReadAloud() {
        Random random = new Random(7);
        for (int i = 0; i < 500; i++) {
            RadioChannel channel = new RadioChannel(400 + random.nextInt(11_201) * 0.00625, RadioChannel.SPACINGS.get(random.nextInt(3)),
                    RadioChannel.MODULATIONS.get(random.nextInt(2)));
            String code = channel.code().replace(" ", "");
            assertThat(code).matches("\\d{8}");
            assertThat(RadioChannel.ofCode(channel.code())).contains(channel);
            int at = random.nextInt(8);
            char[] wrong = code.toCharArray();
            wrong[at] = (char) ('0' + (wrong[at] - '0' + 1 + random.nextInt(9)) % 10);
            assertThat(RadioChannel.ofCode(new String(wrong))).isEmpty();
            int pair = random.nextInt(5);
            char[] exchanged = code.toCharArray();
            exchanged[pair] = code.charAt(pair + 1);
            exchanged[pair + 1] = code.charAt(pair);
            assertThat(RadioChannel.ofCode(new String(exchanged)).isEmpty()).isEqualTo(exchanged[pair] != code.charAt(pair));
        }
        assertThat(RadioChannel.ofCode("441.5")).isEmpty();
        assertThat(RadioChannel.ofCode("9999 9999")).isEmpty();
    }

    /**
     * By hand: 30 dBm + 107 dBm = 137 dB = 40 lg d − 20 lg 4, d = 5.32 km; 35 W between 2 m masts are stopped by the horizon, 4.12 (√2 +
     * √2) = 11.65 km.
     */
    @Test
    void howFarItCarries() {
        assertThat(RadioReach.of(1, new Length(2), new Length(2)).metres()).isCloseTo(5_321, within(2.0));
        assertThat(RadioReach.of(35, new Length(2), new Length(2)).metres()).isCloseTo(11_653, within(5.0));
        assertThat(RadioReach.of(0, new Length(2), new Length(2))).isEqualTo(Length.ZERO);
    }

    @Test
    void whatDiffersIsNamed() {
        RadioChannel channel = new RadioChannel(441.5, 12.5, "GMSK");
        assertThat(channel.sentence()).isEqualTo("441.500 MHz, 12.5 kHz apart, GMSK");
        assertThat(new RadioChannel(441.50625, 12.5, "GMSK").sentence()).startsWith("441.50625 MHz");
        assertThat(channel.differs(new RadioChannel(441.5001, 12.5, "GMSK"))).isEmpty();
        assertThat(channel.differs(new RadioChannel(441.5, 25, "4FSK")))
                .isEqualTo(List.of(RadioChannel.Part.SPACING, RadioChannel.Part.MODULATION));
        assertThatThrownBy(() -> new RadioChannel(144, 12.5, "GMSK")).isInstanceOf(SurveyException.class);
        assertThatThrownBy(() -> new RadioChannel(441.5, 10, "GMSK")).isInstanceOf(SurveyException.class);
        assertThatThrownBy(() -> new RadioChannel(441.5, 12.5, "FM")).isInstanceOf(SurveyException.class);
    }
}
