package verge.app.check;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import verge.app.problem.ProblemWords.Said;
import verge.app.support.Words;
import verge.core.check.Finding;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Every finding is a sentence with its numbers in it. */
class FindingWordsTest {
    private final FindingWords words = new FindingWords(Words.bundle());

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
            case FILE_FAR_AWAY, AXES_MISTAKEN, UNIT_MISTAKEN, UNIT_HEADER_WRONG ->
                    List.of("yard.dxf", new Length(5_412_300), "north-east", "the known points", "mm", "m");
            case FILE_OUTSIDE_AREA, READING_MISTAKEN -> List.of("yard.dxf", new Length(284_000), "UTM", "easting first, then northing");
            case FOOT_KIND_UNSAID -> List.of("yard.csv", "ft", "ftUS", new Length(12.6));
            case LOCALISATION_MARK_MOVED -> List.of("T1", new Length(0.038), 2);
            case LOCALISATION_BEYOND -> List.of(12, new Length(57));
            case CONTROL_OFF -> List.of("T3", new Length(0.112), 2L);
            case SESSION_SHORT -> List.of("T2-2026-332-A", Duration.ofSeconds(700), Duration.ofMinutes(22));
            case SESSION_ANTENNA -> List.of("T2-2026-332-A", "TERNHOLM BOWL NONE", "TERNHOLM DISH NONE");
            case SESSION_HEIGHT -> List.of("T2-2026-332-A", new Length(0.006));
            case FRAME_NOT_JOBS -> List.of("ITRF2014", 12L);
            case BASES_MIXED -> List.of(12L, 3L);
            case NAME_IN_TWO_PLACES -> List.of("T5", "a.csv", "b.csv", new Length(0.038), 2);
            case HEIGHTS_ABOVE_ELLIPSOID -> List.of("a.csv", new Length(37.5), new Length(37.6));
            case TAKEN_POINT_CHANGED -> List.of("T5", "a.csv", new Length(0.038));
            case FILE_HAS_STRAYS -> List.of("yard.dxf", 4, new Length(6_300_000));
            case DESIGN_PARTLY_WITHOUT_HEIGHTS -> List.of("yard.dxf", 4);
            case HEIGHTS_ALL_ZERO, SURFACE_WITHOUT_HEIGHTS -> List.of("yard.dxf", 4);
            default -> List.of("ETRS89", "b.csv");
        };
    }

    private static Finding found(Finding.Kind kind, List<Object> arguments) {
        return new Finding(kind, arguments, "", List.of());
    }

    @ParameterizedTest
    @EnumSource(Finding.Kind.class)
    void nothingIsLeftUnfilled(Finding.Kind kind) {
        Said said = words.say(found(kind, arguments(kind)), Figures.metric());
        for (String sentence : List.of(said.wrong(), said.means(), said.next())) {
            assertThat(sentence).isNotBlank().doesNotContain("{").doesNotContain("null").matches(".*[.?]");
        }
        assertThat(words.title(kind.name())).isNotEqualTo(kind.name());
    }

    @Test
    void figuresAreRoundedToWhatTheyAreWorth() {
        assertThat(words.say(found(Finding.Kind.DISTANCES_GRID_FOR_GROUND, List.of(-134.71, 2.52, 12, 0.9998653)), Figures.metric())
                .wrong()).contains("−134.7 ppm", "12 sights", "σ 2.5 ppm");
        assertThat(words.say(found(Finding.Kind.FOOT_KINDS_DIFFER, List.of(12_600.0)), Figures.metric()).means()).contains("12600 mm");
        assertThat(words.say(found(Finding.Kind.PRESSURE_ODD, List.of("T2", 760.0, 1012.44)), Figures.metric()).wrong())
                .contains("760.0 hPa").contains("1,012.4 hPa".replace(",", ""));
    }
}
