package verge.core.coding;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.problem.Problem;

/** Answers as they are typed, and as they are kept. */
class AttributeTest {
    private static Attribute attribute(Attribute.Type type) {
        return new Attribute("it", type, "m", Optional.of(new Attribute.Range(0.1, 12)), List.of("Granite", "timber"), false, false);
    }

    @ParameterizedTest
    @CsvSource({"NUMBER, ' 2,50 ', 2.5", "NUMBER, 12, 12", "NUMBER, 0.1, 0.1", "NUMBER, 10, 10", "NUMBER, '', ''",
            "CHOICE, granite, Granite", "YES_NO, YES, yes", "DATE, 2024-02-29, 2024-02-29", "TEXT, ' a b ', a b", "DATE, '', ''"})
    void fits(Attribute.Type type, String typed, String kept) {
        assertThat(attribute(type).read(typed)).isEqualTo(kept);
    }

    @ParameterizedTest
    @CsvSource({"NUMBER, 12.01", "NUMBER, 0.0999", "NUMBER, -1", "NUMBER, high", "CHOICE, brick", "YES_NO, maybe", "DATE, 2026-02-29",
            "DATE, 14.3.2026"})
    void doesNotFit(Attribute.Type type, String typed) {
        assertThatThrownBy(() -> attribute(type).read(typed)).extracting("problem").isEqualTo(Problem.ATTRIBUTE_UNFIT);
    }
}
