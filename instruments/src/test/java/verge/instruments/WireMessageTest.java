package verge.instruments;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verge.instruments.line.WireMessage;

class WireMessageTest {
    private static final WireMessage READING = WireMessage.of("17", "OK").with("hz", 123.45678, 5).with("v", 91.2, 5)
            .with("sd", 44.1234, 4);

    @Test
    void aLineReadsBack() {
        WireMessage odd = WireMessage.of("1", "NO").with("why", "no prism = in sight ~ 100 %\nÄ");
        assertThat(WireMessage.parse(odd.encoded())).isEqualTo(odd);
        assertThat(odd.encoded()).doesNotContain("\n");
        assertThat(WireMessage.parse(READING.encoded()).number("sd")).isEqualTo(44.1234);
    }

    /** The line in docs/instrument-protocol.md, so that document and code cannot drift apart. */
    @Test
    void theDocumentedLineIsWhatIsSent() {
        assertThat(READING.encoded()).isEqualTo("17 OK hz=123.45678 v=91.20000 sd=44.1234 ~4fe72561");
    }

    @Test
    void aLineCutAnywhereIsNoMessage() {
        String whole = READING.encoded();
        for (int length = 0; length < whole.length(); length++) {
            String cut = whole.substring(0, length);
            assertThatThrownBy(() -> WireMessage.parse(cut)).isInstanceOf(WireMessage.GarbledLine.class);
        }
    }

    @Test
    void aChangedCharacterIsNoticed() {
        Random random = new Random(4);
        String whole = READING.encoded();
        for (int run = 0; run < 500; run++) {
            int at = random.nextInt(whole.length());
            char other = (char) (33 + random.nextInt(90));
            String changed = whole.substring(0, at) + other + whole.substring(at + 1);
            if (!changed.equals(whole)) {
                assertThatThrownBy(() -> WireMessage.parse(changed)).isInstanceOf(RuntimeException.class);
            }
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"NaN", "Infinity", "", "12,5", "abc"})
    void aFieldThatIsNoFiniteNumberIsRefused(String value) {
        assertThatThrownBy(() -> WireMessage.of("1", "OK").with("sd", value).number("sd")).isInstanceOf(WireMessage.GarbledLine.class);
        assertThatThrownBy(() -> READING.number("battery")).isInstanceOf(WireMessage.GarbledLine.class);
    }
}
