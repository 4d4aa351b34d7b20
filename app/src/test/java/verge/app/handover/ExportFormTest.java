package verge.app.handover;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.points.Origin;
import verge.core.units.AngleUnit;
import verge.core.units.DirectionStyle;
import verge.core.units.Figures;
import verge.core.units.LengthUnit;
import verge.formats.csv.DecimalMark;
import verge.formats.csv.PointCsvWriter.Field;

class ExportFormTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "NAME CODE ORIGIN | up:CODE     | CODE NAME ORIGIN",
        "NAME CODE ORIGIN | down:NAME   | CODE NAME ORIGIN",
        "NAME CODE ORIGIN | up:NAME     | NAME CODE ORIGIN",
        "NAME CODE ORIGIN | down:ORIGIN | NAME CODE ORIGIN",
        "NAME CODE ORIGIN | out:CODE    | NAME ORIGIN",
        "NAME             | out:NAME    | NAME",
        "NAME             | in:CODE     | NAME CODE",
        "NAME CODE        | in:CODE     | NAME CODE",
        "NAME             | up:CODE     | NAME",
        "NAME CODE        | turn:CODE   | NAME CODE",
        "NAME CODE        | up:HEIGHT   | NAME CODE",
        "NAME CODE        | up          | NAME CODE"})
    void columnsAreMoved(String before, String move, String after) {
        List<Field> columns = Arrays.stream(before.split(" ")).map(Field::valueOf).toList();
        assertThat(form(columns, move, null, null, null, null).columns().stream().map(Enum::name).collect(Collectors.joining(" ")))
                .isEqualTo(after);
    }

    @Test
    void withoutAChoiceMeasuredPointsGoInTheJobsUnit() {
        ExportForm form = form(null, null, null, null, null, null);
        assertThat(form.origins()).isEqualTo(Set.of(Origin.MEASURED));
        assertThat(form.columns()).containsExactly(Field.NAME, Field.NORTHING, Field.EASTING, Field.ELEVATION, Field.CODE);
        assertThat(form.layout(Figures.metric()).unit()).isEqualTo(LengthUnit.METRE);
        assertThat(form.layout(Figures.metric()).decimals()).isEqualTo(3);
    }

    /** A comma cannot part columns and mark decimals at once: the semicolon steps in. */
    @ParameterizedTest
    @CsvSource({"comma, POINT, ','", "comma, COMMA, ;", "semicolon, POINT, ;", "tab, COMMA, '\t'", ", COMMA, ;", "comma, , ','"})
    void theSeparatorNeverMeetsTheDecimalMark(String separator, DecimalMark mark, String character) {
        assertThat(form(null, null, separator, mark, null, null).layout(Figures.metric()).separator()).isEqualTo(character.charAt(0));
    }

    /** In another unit than the job's one decimal more is kept, so that nothing is lost on the way. */
    @ParameterizedTest
    @CsvSource({"US_SURVEY_FOOT, , 3", "METRE, , 4", "METRE, 2, 2", "METRE, 99, 6", "METRE, -1, 0"})
    void decimalsFollowTheUnit(LengthUnit unit, Integer decimals, int shown) {
        Figures feet = Figures.of(LengthUnit.US_SURVEY_FOOT, AngleUnit.DEGREES, DirectionStyle.QUADRANT, 3);
        assertThat(form(null, null, null, null, unit, decimals).layout(feet).decimals()).isEqualTo(shown);
    }

    private static ExportForm form(List<Field> columns, String move, String separator, DecimalMark mark, LengthUnit unit,
            Integer decimals) {
        return new ExportForm(null, columns, move, separator, mark, unit, decimals, null, null, null);
    }
}
