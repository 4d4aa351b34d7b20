package verge.formats.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Optional;
import java.util.OptionalInt;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.drawing.Feature;
import verge.core.drawing.Layer;
import verge.core.plan.Path;
import verge.core.plan.Vertices;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.formats.reading.Report.Why;

class GathererTest {
    private Gatherer out;

    @BeforeEach
    void fresh() {
        out = new Gatherer(Watch.none("x"));
    }

    private ReadFile result() {
        return out.result(FileKind.DXF, Declared.eastNorth(Optional.empty(), Optional.empty()));
    }

    @Test
    void layersAreOneANameAndLearnTheirColourLater() {
        assertThat(out.layer("Kerb")).isZero();
        assertThat(out.layer(new Layer("Rail", OptionalInt.of(0xFF0000), true))).isEqualTo(1);
        assertThat(out.layer(new Layer("Kerb", OptionalInt.of(0x00FF00), false))).isZero();
        assertThat(out.layer("Kerb")).isZero();
        assertThat(out.layer(" \u0007 ")).as("no name at all is layer 0").isEqualTo(2);
        out.spot("p", 0, "", "", 1, 2, 3, "here");
        assertThat(result().drawing().layers())
                .containsExactly(new Layer("Kerb", OptionalInt.of(0x00FF00), false), new Layer("Rail", OptionalInt.of(0xFF0000), true),
                Layer.of("0"));
    }

    @ParameterizedTest
    @CsvSource({"NaN, 1, 1, NOT_A_NUMBER", "1, Infinity, 1, NOT_A_NUMBER", "1, 1, Infinity, NOT_A_NUMBER", "1e300, 1, 1, TOO_FAR",
            "1, 1, -3e10, TOO_FAR"})
    void placesThatAreNoneAreLeftOut(double north, double east, double height, Why why) {
        out.spot("p", out.layer("A"), "n", "", north, east, height, "line 7");
        assertThat(result().report().leftOut()).containsExactly(new Report.LeftOut("p", why, 1, "line 7"));
        assertThat(result().drawing().features()).isEmpty();
    }

    @Test
    void reasonsAreCountedWithTheFirstPlace() {
        out.leaveOut("HATCH", Why.NOT_READ, "line 4");
        out.leaveOut("HATCH", Why.NOT_READ, "line 9");
        out.leaveOut("HATCH", Why.ON_SHEET, "line 12");
        assertThat(result().report().leftOut())
                .containsExactly(new Report.LeftOut("HATCH", Why.NOT_READ, 2, "line 4"),
                new Report.LeftOut("HATCH", Why.ON_SHEET, 1, "line 12"));
    }

    @Test
    void lettersThatControlAndEndlessWordsAreTamed() {
        out.words("TEXT", out.layer("A"), "a\u0000b\n" + "x".repeat(500), -2, 1, 1, "line 1");
        out.words("TEXT", out.layer("A"), " \t ", 2, 1, 1, "line 2");
        assertThat(result().drawing().features()).singleElement().satisfies(f -> {
            assertThat(f.name()).startsWith("a b").hasSizeLessThan(210);
            assertThat(((Feature.Words) f).height()).isEqualTo(2);
        });
    }

    @Test
    void lengthsWithoutTwoPlacesAreNoLines() {
        out.run("LINE", out.layer("A"), "", Path.straight(new Vertices.Builder().add(1, 2).build(), false), "line 1");
        assertThat(result().report().leftOut()).extracting(Report.LeftOut::why).containsExactly(Why.NO_SHAPE);
    }

    @Test
    void limitsAreToldWithTheirNumber() {
        assertThatThrownBy(() -> out.checkGrowth(Gatherer.MOST_VERTICES + 1)).isInstanceOfSatisfying(SurveyException.class, e -> {
            assertThat(e.problem()).isEqualTo(Problem.FILE_TOO_MUCH);
            assertThat(e.arguments()).containsExactly("x", "vertices", (long) Gatherer.MOST_VERTICES);
        });
        assertThatThrownBy(() -> {
            for (int i = 0; i <= Gatherer.MOST_LAYERS; i++) {
                out.layer("L" + i);
            }
        }).isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.FILE_TOO_MUCH));
        assertThatThrownBy(() -> result())
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.FILE_NOTHING_READ));
    }

    @ParameterizedTest
    @CsvSource({"'1 2,3', 3", "'  ', 0", "'1e3\t-4.5\n6', 3", "'1 two 3', 3"})
    void figuresInARow(String text, int count) {
        assertThat(Figures.of(text)).hasSize(count);
        assertThat(Figures.one("two")).isNaN();
        assertThat(Figures.of("1 two 3")[1]).isNaN();
    }

    /** The origin of the grid among points of one site is no point of the site; two sites far apart are two sites. */
    @ParameterizedTest
    @CsvSource({"12, 1, 12", "12, 2, 12", "6, 6, 12", "4, 1, 5"})
    void aFewPointsFarFromTheManyAreLeftOut(int near, int far, int read) {
        for (int i = 0; i < near; i++) {
            out.spot("p", out.layer("A"), "n" + i, "", 6_308_000 + 10 * i, 641_000 - 7 * i, 3, "line " + i);
        }
        for (int i = 0; i < far; i++) {
            out.spot("p", out.layer("A"), "far" + i, "", i, 0, 3, "line x");
        }
        assertThat(result().drawing().features()).hasSize(read);
        assertThat(result().report().leftOut()).hasSize(near + far - read).allMatch(l -> l.why() == Why.STRAY);
    }
}
