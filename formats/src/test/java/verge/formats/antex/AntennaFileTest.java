package verge.formats.antex;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.StringReader;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.problem.SurveyException;
import verge.core.satellite.AntennaHeight;
import verge.core.satellite.AntennaModel;
import verge.core.units.Length;
import verge.formats.reading.Watch;

/** An antenna file made by hand, and heights to whatever they were measured to. */
class AntennaFileTest {
    private static String row(String content, String label) {
        return String.format("%-60s%s%n", content, label);
    }

    private static String antenna(String name, String serial, String... frequencies) {
        StringBuilder text = new StringBuilder(row("", "START OF ANTENNA")
                + row(String.format("%-20s%-20s", name, serial), "TYPE / SERIAL NO") + row("     0.0", "DAZI"));
        for (String frequency : frequencies) {
            text.append(row("   " + frequency, "START OF FREQUENCY")).append(row("      0.58     -0.37     91.85", "NORTH / EAST / UP"))
                    .append("   NOAZI    0.00   -0.12   -0.45   -0.98\n").append(row("   " + frequency, "END OF FREQUENCY"));
        }
        return text + row("", "END OF ANTENNA");
    }

    private static final String HEAD = row("     1.4            M", "ANTEX VERSION / SYST") + row("A", "PCV TYPE / REFANT")
            + row("", "END OF HEADER");

    @Test
    void receiversAntennasAreReadAndSatellitesPassedOver() throws Exception {
        List<AntennaModel> read = AntennaFile.read(new StringReader(HEAD + antenna("BLOCK IIA", "G01", "G01")
                + antenna("TERNHOLM DISH   NONE", "", "G01", "G02") + antenna("TERNHOLM BOWL   CONE", "42", "R01")),
                Watch.none("antennas.atx"));
        assertThat(read).extracting(AntennaModel::name).containsExactly("TERNHOLM DISH   NONE", "TERNHOLM BOWL   CONE");
        assertThat(read.get(0).centres()).containsOnlyKeys("G01", "G02");
        AntennaModel.Centre centre = read.get(0).centres().get("G02");
        assertThat(new double[] {centre.north(), centre.east(), centre.up()})
                .containsExactly(new double[] {0.00058, -0.00037, 0.09185}, within(1e-12));
    }

    /** A satellite's antenna lies metres off, and how well a centre is known stands in a section of its own, in lines like its. */
    @Test
    void satellitesFarOffAndSectionsOfSpreadArePassedOver() throws Exception {
        String satellite = antenna("BLOCK IIA", "G01", "G01").replace("     91.85", "   2579.00");
        String spread = row("   G01", "START OF FREQ RMS") + row("      9.99      9.99      9.99", "NORTH / EAST / UP")
                + "   NOAZI    0.10    0.10\n" + row("   G01", "END OF FREQ RMS");
        String dish = antenna("TERNHOLM DISH   NONE", "", "G01").replace(row("", "END OF ANTENNA"), spread + row("", "END OF ANTENNA"));
        List<AntennaModel> read = AntennaFile.read(new StringReader(HEAD + satellite + dish), Watch.none("antennas.atx"));
        assertThat(read).extracting(AntennaModel::name).containsExactly("TERNHOLM DISH   NONE");
        assertThat(read.get(0).centres().get("G01").up()).isCloseTo(0.09185, within(1e-12));
        assertThatThrownBy(() -> AntennaFile.read(new StringReader(HEAD + "x".repeat(1_000_000)), Watch.none("antennas.atx")))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.arguments().get(0)).hasToString("4"));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"no antenna file | 1", "CUT | 10", "WORDS | 8", "NESTED | 10", "FAR | 8"})
    void whatIsNoneIsSaidWithItsLine(String kind, int line) {
        String good = HEAD + antenna("TERNHOLM DISH   NONE", "", "G01");
        String text = switch (kind) {
            case "CUT" -> good.substring(0, good.lastIndexOf(row("", "END OF ANTENNA")));
            case "WORDS" -> good.replace("     91.85", "     ninet");
            case "NESTED" -> good.replace(row("   G01", "END OF FREQUENCY"), row("", "START OF ANTENNA"));
            case "FAR" -> good.replace("     91.85", "   9185.00");
            default -> kind;
        };
        assertThatThrownBy(() -> AntennaFile.read(new StringReader(text), Watch.none("antennas.atx")))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.arguments().get(0)).hasToString(String.valueOf(line)));
    }

    /**
     * By Pythagoras: a slant of 1.513 m to a rim 0.15 m from the axis is 1.5055 m upright, less what the rim lies above the reference
     * point.
     */
    @Test
    void heightsAreMeasuredToDifferentThings() {
        AntennaModel model = new AntennaModel("TERNHOLM DISH   NONE", Optional.of(new AntennaModel.Rim(0.15, 0.035)), 0.021, Map.of());
        assertThat(new AntennaHeight(new Length(1.5), AntennaHeight.To.REFERENCE_POINT).reference(model).metres()).isEqualTo(1.5);
        assertThat(new AntennaHeight(new Length(1.5), AntennaHeight.To.MOUNT).reference(model).metres()).isCloseTo(1.521, within(1e-12));
        assertThat(new AntennaHeight(new Length(1.513), AntennaHeight.To.RIM).reference(model).metres())
                .isCloseTo(Math.sqrt(1.513 * 1.513 - 0.0225) - 0.035, within(1e-12));
        assertThatThrownBy(() -> new AntennaHeight(new Length(0.14), AntennaHeight.To.RIM).reference(model))
                .isInstanceOf(SurveyException.class);
        assertThatThrownBy(() -> new AntennaHeight(new Length(1.5), AntennaHeight.To.RIM)
                .reference(new AntennaModel("X", Optional.empty(), 0, Map.of()))).isInstanceOf(SurveyException.class);
    }
}
