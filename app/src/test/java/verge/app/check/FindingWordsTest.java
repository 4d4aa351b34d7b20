package verge.app.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.springframework.context.support.ResourceBundleMessageSource;
import verge.app.problem.ProblemWords.Said;
import verge.core.check.Finding;

/** Every finding is a sentence with its numbers in it. */
class FindingWordsTest {
    private final FindingWords words = new FindingWords(messages());

    private static ResourceBundleMessageSource messages() {
        ResourceBundleMessageSource messages = new ResourceBundleMessageSource();
        messages.setBasename("messages");
        messages.setDefaultEncoding("UTF-8");
        return messages;
    }

    private static List<Object> arguments(Finding.Kind kind) {
        return switch (kind) {
            case STATIONING_UNFIT -> List.of("23+50", "m");
            case FOOT_KINDS_DIFFER -> List.of(12_600.0);
            case REFERENCE_HEIGHT_ODD -> List.of(45.0, 7.4, 37.6);
            case POINTS_OUTSIDE_AREA -> List.of(3, "T1", "UTM");
            case PRESSURE_ODD -> List.of("T2", 760.0, 1012.4);
            case DISTANCES_DISAGREE, DISTANCES_FOOT_KIND -> List.of(-134.7, 2.5, 12);
            case DISTANCES_GRID_FOR_GROUND -> List.of(-134.7, 2.5, 12, 0.9998653);
            case DISTANCES_AIR -> List.of(39.6, 2.5, 12, 40.1);
            default -> List.of("ETRS89");
        };
    }

    @ParameterizedTest
    @EnumSource(Finding.Kind.class)
    void nothingIsLeftUnfilled(Finding.Kind kind) {
        Said said = words.say(new Finding(kind, arguments(kind)));
        for (String sentence : List.of(said.wrong(), said.means(), said.next())) {
            assertThat(sentence).isNotBlank().doesNotContain("{").doesNotContain("null").endsWith(".");
        }
    }

    @Test
    void figuresAreRoundedToWhatTheyAreWorth() {
        assertThat(words.say(new Finding(Finding.Kind.DISTANCES_GRID_FOR_GROUND, List.of(-134.71, 2.52, 12, 0.9998653))).wrong()).contains("−134.7 ppm", "12 sights", "σ 2.5 ppm");
        assertThat(words.say(new Finding(Finding.Kind.FOOT_KINDS_DIFFER, List.of(12_600.0))).means()).contains("12600 mm");
        assertThat(words.say(new Finding(Finding.Kind.PRESSURE_ODD, List.of("T2", 760.0, 1012.44))).wrong()).contains("760.0 hPa").contains("1,012.4 hPa".replace(",", ""));
    }
}
