package verge.formats.geopackage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verge.core.drawing.Feature;
import verge.core.drawing.FileSystem;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.formats.reading.ReadFile;
import verge.formats.reading.Watch;

/** Files that GDAL wrote, as they are and with their tables changed by hand. */
class GeoPackageReaderTest {
    private static final Path SAMPLES = Path.of("src/test/resources/samples");

    @TempDir
    private Path directory;

    private ReadFile changed(String sample, String... sql) throws IOException, SQLException {
        Path copy = directory.resolve("x.gpkg");
        Files.copy(SAMPLES.resolve(sample), copy);
        try (Connection database = DriverManager.getConnection("jdbc:sqlite:" + copy); Statement statement = database.createStatement()) {
            for (String change : sql) {
                statement.execute(change);
            }
        }
        return GeoPackageReader.read(copy, Watch.none("x.gpkg"));
    }

    @Test
    void namesCodesHeightsAndSystemComeAlong() throws Exception {
        ReadFile file = changed("yard-utm.gpkg");
        assertThat(file.declared().system()).contains(new FileSystem.Published("EPSG:25832"));
        assertThat(file.drawing().spots()).extracting(s -> s.name() + " " + s.code() + " " + s.vertices().height(0).orElseThrow())
                .startsWith("G0 LMP 4.0", "G1 LMP 5.0");
        assertThat(untouched("yard.gpkg").declared().system()).contains(FileSystem.LAT_LON);
    }

    private ReadFile untouched(String sample) throws IOException {
        return GeoPackageReader.read(SAMPLES.resolve(sample), Watch.none(sample));
    }

    @Test
    void readingLeavesTheOriginalAsItIs() throws IOException {
        byte[] before = Files.readAllBytes(SAMPLES.resolve("yard.gpkg"));
        untouched("yard.gpkg");
        assertThat(Files.readAllBytes(SAMPLES.resolve("yard.gpkg"))).isEqualTo(before);
        assertThat(SAMPLES.resolve("yard.gpkg-journal")).doesNotExist();
    }

    @Test
    void rowsWithoutAShapeAreTold() throws Exception {
        ReadFile file = changed("yard-utm.gpkg", "drop trigger rtree_Yard_geom_insert", "insert into Yard(name) values ('nowhere')");
        assertThat(file.report().leftOut()).extracting(l -> l.kind()).containsExactly("row");
        assertThat(file.drawing().spots()).extracting(Feature.Spot::name).doesNotContain("nowhere");
    }

    @Test
    void tablesThatAreMissingAreDamage() {
        assertThatThrownBy(() -> changed("yard-utm.gpkg", "drop table gpkg_geometry_columns")).isInstanceOfSatisfying(SurveyException.class,
                e -> assertThat(e.problem()).isIn(Problem.FILE_DAMAGED, Problem.FILE_NOTHING_READ));
    }

    @Test
    void shapesThatCannotBeReadCostTheirRowsOnly() throws Exception {
        ReadFile file = changed("yard-utm.gpkg", "drop trigger rtree_Yard_geom_update1", "drop trigger rtree_Yard_geom_update2",
                "drop trigger rtree_Yard_geom_update3", "drop trigger rtree_Yard_geom_update4",
                "update Yard set geom = x'00' where name = 'G0'", "update Yard set geom = x'4750000112345678' where name = 'G1'");
        assertThat(file.report().leftOut()).singleElement().satisfies(l -> assertThat(l.count()).isEqualTo(2));
        assertThat(file.drawing().spots()).extracting(Feature.Spot::name).doesNotContain("G0", "G1").isNotEmpty();
    }

    @Test
    void aLayerThatIsMissingCostsItselfOnly() throws Exception {
        ReadFile file = changed("yard-utm.gpkg",
                "insert into gpkg_contents(table_name, data_type, identifier, srs_id) values ('Gone', 'features', 'Gone', 25832)",
                "insert into gpkg_geometry_columns values ('Gone', 'geom', 'GEOMETRY', 25832, 2, 0)");
        assertThat(file.report().leftOut()).singleElement().satisfies(l -> assertThat(l.kind() + " " + l.where()).isEqualTo("layer Gone"));
        assertThat(file.drawing().spots()).extracting(Feature.Spot::name).contains("G0");
    }

    /** A curve through (0 0), (1 1), (2 0) is not the two chords between them. */
    @Test
    void curvesAreNotReadAsTheirChords() throws Exception {
        String curve = "47500001E8640000" + "0108000000" + "03000000" + "00000000000000000000000000000000"
                + "000000000000F03F000000000000F03F" + "00000000000000400000000000000000";
        ReadFile file = changed("yard-utm.gpkg", "drop trigger rtree_Yard_geom_update1", "drop trigger rtree_Yard_geom_update2",
                "drop trigger rtree_Yard_geom_update3", "drop trigger rtree_Yard_geom_update4",
                "update Yard set geom = x'" + curve + "' where name = 'G0'");
        assertThat(file.report().leftOut()).extracting(l -> l.kind() + " " + l.why()).containsExactly("circularstring NOT_READ");
    }

    /** One package, one layer in zone 32 and the same points as latitude and longitude: they fall on each other. */
    @Test
    void layersOfSeveralSystemsAreEachPlaced() throws Exception {
        Path other = SAMPLES.resolve("yard.gpkg").toAbsolutePath();
        ReadFile file = changed("yard-utm.gpkg", "attach database '" + other + "' as other",
                "create table Second(fid integer primary key, geom GEOMETRY, name TEXT, code TEXT, layer TEXT)",
                "insert into Second select * from other.Yard",
                "insert into gpkg_contents(table_name, data_type, identifier, srs_id) values ('Second', 'features', 'Second', 4326)",
                "insert into gpkg_geometry_columns values ('Second', 'geom', 'GEOMETRY', 4326, 2, 0)", "detach database other");
        assertThat(file.declared().system()).contains(FileSystem.LAT_LON);
        List<Feature.Spot> own = file.drawing().spots().filter(s -> s.name().equals("G0")).toList();
        assertThat(own).hasSize(2);
        assertThat(own.get(0).vertices().north(0)).isCloseTo(own.get(1).vertices().north(0), within(1e-7));
        assertThat(own.get(0).vertices().east(0)).isCloseTo(own.get(1).vertices().east(0), within(1e-7));
    }
}
