package verge.app.drawing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.json.JsonMapper;
import verge.core.drawing.FileCoordinates;
import verge.core.drawing.FileCoordinates.Heights;
import verge.core.drawing.FileSystem;
import verge.core.drawing.FileUnit;
import verge.core.units.LengthUnit;
import verge.core.units.PlanAxes;
import verge.formats.csv.Column;
import verge.formats.csv.DecimalMark;
import verge.formats.csv.PointCsvLayout;

/** How a file is read is kept as text and comes back the same, whatever it was. */
class ReadAsTest {
    private static final ReadAs.Table TABLE = new ReadAs.Table(";", DecimalMark.COMMA, true,
            List.of("NAME", "NORTHING", "EASTING", "", "CODE"));

    static Stream<FileSystem> systems() {
        return Stream.of(FileSystem.JOB_GRID, FileSystem.JOB_GROUND, FileSystem.LAT_LON, new FileSystem.Published("EPSG:25832"),
                new FileSystem.Defined("PROJCRS[\"made up\"]"));
    }

    @ParameterizedTest
    @MethodSource("systems")
    void whatIsKeptComesBack(FileSystem system) {
        FileCoordinates meant = new FileCoordinates(system, FileUnit.US_SURVEY_FOOT, new PlanAxes(PlanAxes.Order.EAST_NORTH, true, false),
                Heights.ABOVE_ELLIPSOID);
        ReadAs kept = ReadAs.of(meant, null);
        JsonMapper json = new JsonMapper();
        assertThat(json.readValue(json.writeValueAsString(kept), ReadAs.class)).isEqualTo(kept);
        assertThat(kept.coordinates()).isEqualTo(meant);
    }

    @Test
    void aTableSaysItsOrderByItsColumns() {
        FileCoordinates turned = new FileCoordinates(FileSystem.JOB_GRID, FileUnit.METRE,
                new PlanAxes(PlanAxes.Order.EAST_NORTH, false, true), Heights.ELEVATIONS);
        ReadAs kept = ReadAs.of(turned, TABLE);
        assertThat(kept.order()).isEqualTo(PlanAxes.Order.NORTH_EAST);
        assertThat(kept.westwards()).isTrue();
        assertThat(kept.table().columns()).containsExactly("NAME", "EASTING", "NORTHING", "", "CODE");
        assertThat(kept.with(turned).table().columns()).as("turned back").containsExactly("NAME", "NORTHING", "EASTING", "", "CODE");
    }

    @Test
    void theOrderThatIsSaidIsTheOrderOfTheColumns() {
        assertThat(TABLE.inOrder(PlanAxes.Order.NORTH_EAST)).isEqualTo(TABLE);
        ReadAs.Table east = TABLE.inOrder(PlanAxes.Order.EAST_NORTH);
        assertThat(east.columns().indexOf("EASTING")).isLessThan(east.columns().indexOf("NORTHING"));
        assertThat(east.inOrder(PlanAxes.Order.EAST_NORTH)).isEqualTo(east);
    }

    @Test
    void layoutsGoThereAndBack() {
        PointCsvLayout layout = new PointCsvLayout('|', DecimalMark.POINT, false,
                Map.of(Column.NAME, 2, Column.NORTHING, 0, Column.EASTING, 1), LengthUnit.METRE);
        ReadAs.Table table = ReadAs.Table.of(layout, 4);
        assertThat(table.columns()).containsExactly("NORTHING", "EASTING", "NAME", "");
        assertThat(table.layout()).isEqualTo(layout);
    }
}
