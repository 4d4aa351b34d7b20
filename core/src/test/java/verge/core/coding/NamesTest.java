package verge.core.coding;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

class NamesTest {
    @ParameterizedTest
    @CsvSource({"9, 10", "A07, A08", "A99, A100", "KRB, KRB1", "T-1a, T-1a1", "009, 010",
        "ABCDEFGHIJKLMNOPQRSTUVWX, ABCDEFGHIJKLMNOPQRSTUVW1", "ABCDEFGHIJKLMNOPQRSTUVW9, ABCDEFGHIJKLMNOPQRSTUV10"})
    void theNextNameCountsOnAndStaysANameOfFitLength(String name, String next) {
        assertThat(new PointName(name).successor().text()).isEqualTo(next).hasSizeLessThanOrEqualTo(PointName.LONGEST);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", " ", "=1+1", "-1", "+1", "@x", "a,b", "a;b", "a\"b", "a\tb", "a\nb", "trailing ",
            "ABCDEFGHIJKLMNOPQRSTUVWXY", "a<b"})
    void whatAnotherProgramCouldNotReadIsNoName(String text) {
        assertThatThrownBy(() -> new PointName(text))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.POINT_NAME_UNFIT));
    }

    @ParameterizedTest
    @ValueSource(strings = {"T1", "1", "BM-Sill", "Ä12", "1+00", "a b", "P.1/2#3_4"})
    void usualNamesAreNames(String text) {
        assertThat(PointName.parse(" " + text + " ").text()).isEqualTo(text);
    }

    @Test
    void orderIsAsPeopleCount() {
        assertThat(Stream.of("P10", "P9", "T1", "P09", "p9a", "P9", "2", "10").map(PointName::new).sorted().map(PointName::text))
                .containsExactly("2", "10", "P09", "P9", "P9", "p9a", "P10", "T1");
    }

    @ParameterizedTest
    @ValueSource(strings = {"K R", "=K", "ABCDEFGHIJKLMNOPQ", "K,R"})
    void codesAreShortAndPlain(String text) {
        assertThatThrownBy(() -> Code.parse(text))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.CODE_UNFIT));
        assertThat(Code.parse(" ")).isEqualTo(Code.NONE);
    }

    @Test
    void theGeneralCodebookHasEachCodeOnce() {
        assertThat(Codebook.general().rows()).extracting(Codebook.Row::code).doesNotHaveDuplicates().hasSizeGreaterThan(5);
    }
}
