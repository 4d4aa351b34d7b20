package verge.app.importing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.app.drawing.ReadAs;
import verge.core.drawing.FileCoordinates.Heights;
import verge.core.drawing.FileUnit;
import verge.core.drawing.Role;
import verge.core.units.PlanAxes;
import verge.formats.csv.DecimalMark;

class FileChoiceTest {
    private static final ReadAs DRAWING = new ReadAs("job-grid", FileUnit.METRE, PlanAxes.Order.EAST_NORTH, false, false,
            Heights.ELEVATIONS, null);
    private static final ReadAs TABLE = new ReadAs("job-grid", FileUnit.METRE, PlanAxes.Order.NORTH_EAST, false, false, Heights.ELEVATIONS,
            new ReadAs.Table(",", DecimalMark.POINT, false, List.of("NAME", "NORTHING", "EASTING")));

    private static FileChoice choice(PlanAxes.Order order, List<String> column, Boolean asked) {
        return new FileChoice(null, null, order, null, null, null, null, null, null, null, column, asked, null);
    }

    @Test
    void whatIsNotChosenStaysAsProposed() {
        assertThat(FileChoice.of(Role.DESIGN).over(DRAWING)).isEqualTo(DRAWING);
        assertThat(FileChoice.of(null).over(TABLE)).isEqualTo(TABLE);
    }

    @Test
    void whatIsChosenCounts() {
        ReadAs chosen = new FileChoice(Role.DESIGN, FileUnit.MILLIMETRE, PlanAxes.Order.NORTH_EAST, true, true, Heights.NOT_MEANT,
                "EPSG:25832", null, null, null, null, null, null).over(DRAWING);
        assertThat(chosen).isEqualTo(new ReadAs("EPSG:25832", FileUnit.MILLIMETRE, PlanAxes.Order.NORTH_EAST, true, true, Heights.NOT_MEANT,
                null));
    }

    /** A table whose columns stand in the other order than was said is turned; one that fits is not turned twice. */
    @ParameterizedTest
    @CsvSource({"EAST_NORTH, NORTHING, EASTING, EASTING", "EAST_NORTH, EASTING, NORTHING, EASTING",
            "NORTH_EAST, EASTING, NORTHING, NORTHING", "NORTH_EAST, NORTHING, EASTING, NORTHING"})
    void theOrderOfATableIsThatOfItsColumns(PlanAxes.Order said, String second, String third, String expected) {
        ReadAs read = choice(said, List.of("NAME", second, third), null).over(TABLE);
        assertThat(read.table().columns().get(1)).isEqualTo(expected);
        assertThat(read.order()).as("a table has northing first; its columns say where they are").isEqualTo(PlanAxes.Order.NORTH_EAST);
    }

    @Test
    void columnsSayTheOrderUnlessTheyComeFromAPageThatAsks() {
        List<String> columns = List.of("NAME", "NORTHING", "EASTING");
        assertThat(choice(null, null, null).saysOrder()).isFalse();
        assertThat(choice(null, columns, null).saysOrder()).isTrue();
        assertThat(choice(null, columns, true).saysOrder()).isFalse();
        assertThat(choice(PlanAxes.Order.NORTH_EAST, columns, true).saysOrder()).isTrue();
    }

    @Test
    void meaningsOfOtherColumnsAreForgotten() {
        FileChoice chosen = choice(null, List.of("NAME", "NORTHING", "EASTING"), null);
        assertThat(chosen.fitting(3)).isEqualTo(chosen);
        assertThat(chosen.fitting(5).column()).isNull();
    }

    @ParameterizedTest
    @CsvSource({"comma, ','", "semicolon, ;", "pipe, |", "colon, :"})
    void separatorsHaveNames(String name, String character) {
        assertThat(FileChoice.separatorName(character)).isEqualTo(name);
        FileChoice chosen = new FileChoice(null, null, null, null, null, null, null, name, null, null, null, null, null);
        assertThat(chosen.separatorCharacter().toString()).isEqualTo(character);
    }
}
