package verge.app.receiver;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.problem.Problem;
import verge.instruments.ntrip.CasterSetting;

/** How a caster is reached, as typed; and what becomes of a password that is kept. */
class CasterFormTest {
    private static final CasterSetting KEPT = new CasterSetting("caster.ternholm", 2102, true, CasterSetting.Version.TWO, "GALLERY",
            "rover", "lighthouse");

    /** Each line: what is typed, whether the link is encrypted, the password that goes out; '-' for a refusal. */
    @ParameterizedTest
    @CsvSource({"caster.ternholm:2102, rover, '', true, lighthouse", "caster.ternholm:2102, rover, '', '', -",
            "caster.ternholm:2102, rover, other, '', other", "caster.ternholm:2101, rover, '', true, ''",
        "elsewhere:2102, rover, '', true, ''", "caster.ternholm:2102, somebody, '', true, ''", "elsewhere:2102, rover, '', '', ''"})
    void aKeptPasswordGoesNowhereElse(String caster, String user, String typed, String tls, String goesOut) {
        CasterForm form = new CasterForm(caster, tls, "TWO", "GALLERY", user, typed);
        if (goesOut.equals("-")) {
            assertThatThrownBy(() -> form.parse(Optional.of(KEPT))).extracting("problem").isEqualTo(Problem.PASSWORD_FOR_TLS);
            assertThatThrownBy(() -> form.parseForTable(Optional.of(KEPT))).extracting("problem").isEqualTo(Problem.PASSWORD_FOR_TLS);
        } else {
            assertThat(form.parse(Optional.of(KEPT)).password()).isEqualTo(goesOut);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"", ":", "caster", "caster:0", "caster:70000", "caster:x", ".:2101", "..:2101", "a..b:2101", "-a:2101",
            "a-:2101", "[::1]:2101", "c\u0000d:2101", "caster :2101", "höst:2101",
            "xxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxxx:1"})
    void anAddressThatIsNoneIsRefused(String address) {
        assertThatThrownBy(() -> new CasterForm(address, "", "TWO", "GALLERY", "", "").parse(Optional.empty())).extracting("problem")
                .isEqualTo(Problem.ADDRESS_UNFIT);
    }
}
