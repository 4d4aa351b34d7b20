package verge.app.form;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.util.LinkedMultiValueMap;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.LengthUnit;

/** A form as it came: the usual where nothing stands, words where something cannot be. */
class AnswersTest {
    private static Answers of(String field, String text) {
        return new Answers(Map.of(field, text));
    }

    private interface Asking {
        Object ask();
    }

    private static Problem refused(Asking asking) {
        Problem[] problem = new Problem[1];
        assertThatThrownBy(asking::ask).isInstanceOfSatisfying(SurveyException.class, e -> problem[0] = e.problem());
        return problem[0];
    }

    @Test
    void whatIsNotAnsweredTakesTheUsual() {
        Answers none = new Answers(Map.of());
        assertThat(none.choice("unit", LengthUnit.class, LengthUnit.METRE)).isEqualTo(LengthUnit.METRE);
        assertThat(none.count("decimals", "decimals", 3, 5)).isEqualTo(3);
        assertThat(none.metres("height", "height", LengthUnit.METRE, 10)).isEmpty();
        assertThat(none.text("name", "usual")).isEqualTo("usual");
        assertThat(none.ticked("box")).isFalse();
        assertThat(of("name", "   ").text("name", "usual")).isEqualTo("usual");
        assertThat(refused(() -> none.required("name", "name"))).isEqualTo(Problem.MISSING);
        assertThat(refused(() -> none.number("x", "x", 0, 1))).isEqualTo(Problem.MISSING);
    }

    @ParameterizedTest
    @CsvSource({"5, 5", "0, 0", "' 2 ', 2"})
    void countsAreWholeAndWithinTheirRange(String typed, int count) {
        assertThat(of("n", typed).count("n", "n", 1, 5)).isEqualTo(count);
    }

    @ParameterizedTest
    @CsvSource({"6, OUT_OF_RANGE", "-1, OUT_OF_RANGE", "2.5, OUT_OF_RANGE", "two, NOT_A_NUMBER", "1e1, NOT_A_NUMBER"})
    void countsThatCannotBeAreRefused(String typed, Problem problem) {
        assertThat(refused(() -> of("n", typed).count("n", "n", 1, 5))).isEqualTo(problem);
    }

    @ParameterizedTest
    @CsvSource({"7, METRE, 7", "7, INTERNATIONAL_FOOT, 2.1336", "7 m, INTERNATIONAL_FOOT, 7", "'7,5', METRE, 7.5", "-7, METRE, -7"})
    void lengthsAreInTheFormsUnitOrTheirOwn(String typed, LengthUnit unit, double metres) {
        assertThat(of("h", typed).metres("h", "height", unit, 100)).hasValueSatisfying(m -> assertThat(m).isCloseTo(metres, within(1e-12)));
    }

    @Test
    void lengthsBeyondReachAreRefusedInTheFormsUnit() {
        assertThatThrownBy(() -> of("h", "400").metres("h", "height", LengthUnit.INTERNATIONAL_FOOT, 100))
                .isInstanceOfSatisfying(SurveyException.class,
                e -> assertThat(e.arguments()).contains("328 ft"));
        assertThat(refused(() -> of("h", "high").metres("h", "height", LengthUnit.METRE, 100))).isEqualTo(Problem.NOT_A_LENGTH);
    }

    @Test
    void aChoiceThatIsNoneSaysWhatThereIs() {
        assertThatThrownBy(() -> of("unit", "CUBIT").choice("unit", LengthUnit.class, LengthUnit.METRE))
                .isInstanceOfSatisfying(SurveyException.class,
                e -> assertThat(e.arguments()).containsExactly("unit", "CUBIT", "METRE, INTERNATIONAL_FOOT, US_SURVEY_FOOT"));
        assertThatThrownBy(() -> of("unit", "x".repeat(5000)).choice("unit", LengthUnit.class, LengthUnit.METRE))
                .isInstanceOfSatisfying(SurveyException.class,
                e -> assertThat(e.arguments().get(1).toString()).hasSize(41));
    }

    @Test
    void laterAnswersGoOverEarlierOnesAndLongOnesAreCutNotLost() {
        assertThat(of("a", "1").with(Map.of("a", "2", "b", "3")).texts()).containsOnly(Map.entry("a", "2"), Map.entry("b", "3"));
        assertThat(of("a", "x".repeat(300_000)).text("a")).hasSize(200_000);
        LinkedMultiValueMap<String, String> sent = new LinkedMultiValueMap<>();
        sent.add("a", "first");
        sent.add("a", "second");
        sent.add("b", null);
        assertThat(Answers.of(sent).text("a")).isEqualTo("first");
        assertThat(Answers.of(sent).text("b")).isEmpty();
    }
}
