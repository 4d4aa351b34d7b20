package verge.formats.geojson;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.drawing.Feature;
import verge.core.drawing.FileSystem;
import verge.core.drawing.Layer;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.formats.reading.ReadFile;
import verge.formats.reading.Report.Why;
import verge.formats.reading.Watch;

/** Members in any order, every kind of geometry, and what older files say of their system. */
class GeoJsonReaderTest {
    @TempDir
    private Path directory;

    private ReadFile read(String text) throws IOException {
        return GeoJsonReader.read(Files.writeString(directory.resolve("x.geojson"), text), Watch.none("x.geojson"));
    }

    private static String feature(String geometry) {
        return "{\"type\":\"FeatureCollection\",\"features\":[{\"type\":\"Feature\",\"properties\":{},\"geometry\":" + geometry + "}]}";
    }

    /** Points, lines: what each geometry comes to. */
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"{\"type\":\"Point\",\"coordinates\":[11.4,56.9]} | 1 | 0",
            "{\"coordinates\":[11.4,56.9],\"type\":\"Point\"} | 1 | 0",
        "{\"type\":\"MultiPoint\",\"coordinates\":[[1,2],[3,4]]} | 2 | 0",
                "{\"type\":\"LineString\",\"coordinates\":[[1,2],[3,4]]} | 0 | 1",
        "{\"type\":\"MultiLineString\",\"coordinates\":[[[1,2],[3,4]],[[5,6],[7,8],[9,9]]]} | 0 | 2",
        "{\"type\":\"Polygon\",\"coordinates\":[[[0,0],[1,0],[1,1],[0,0]],[[0,0],[1,0],[1,1],[0,0]]]} | 0 | 2",
        "{\"type\":\"MultiPolygon\",\"coordinates\":[[[[0,0],[1,0],[1,1],[0,0]]],[[[2,0],[3,0],[3,1],[2,0]]]]} | 0 | 2",
        "{\"type\":\"GeometryCollection\",\"geometries\":[{\"type\":\"Point\",\"coordinates\":[1,2]},{\"type\":\"LineString\","
        + "\"coordinates\":[[1,2],[3,4]]}]} | 1 | 1"})
    void everyGeometryBecomesPointsAndLines(String geometry, int points, int lines) throws IOException {
        ReadFile file = read(feature(geometry));
        assertThat(file.drawing().spots()).hasSize(points);
        assertThat(file.drawing().runs()).hasSize(lines);
        assertThat(file.report().leftOut()).isEmpty();
    }

    @Test
    void latitudeComesSecondAndHeightThird() throws IOException {
        Feature.Spot spot = read(feature("{\"type\":\"Point\",\"coordinates\":[11.4,56.9,4.5]}")).drawing().spots().findFirst()
                .orElseThrow();
        assertThat(spot.vertices().north(0)).isEqualTo(56.9);
        assertThat(spot.vertices().east(0)).isEqualTo(11.4);
        assertThat(spot.vertices().height(0)).hasValue(4.5);
    }

    @Test
    void ringsAreClosedAndLayersNamed() throws IOException {
        ReadFile file = read("""
                {"name": "Yard", "features": [
                  {"geometry": {"coordinates": [[[0,0],[1,0],[1,1],[0,0]]], "type": "Polygon"}, "properties": {"Layer": "Pits", "NAME": \
                "pit"}, "type": "Feature"},
                  {"type": "Feature", "properties": {"id": 7, "desc": "LMP", "elevation": "3.25"}, "geometry": {"type": "Point", \
                "coordinates": [1, 2]}}], "type": "FeatureCollection"}""");
        Feature.Run ring = file.drawing().runs().findFirst().orElseThrow();
        assertThat(ring.path().closed()).isTrue();
        assertThat(ring.vertices().size()).isEqualTo(3);
        assertThat(ring.name()).isEqualTo("pit");
        Feature.Spot lamp = file.drawing().spots().findFirst().orElseThrow();
        assertThat(lamp.name() + " " + lamp.code()).isEqualTo("7 LMP");
        assertThat(lamp.vertices().height(0)).as("an attribute, since the shape has none").hasValue(3.25);
        assertThat(file.drawing().layers()).extracting(Layer::name).containsExactly("Pits", "Yard");
    }

    @ParameterizedTest
    @CsvSource({"urn:ogc:def:crs:EPSG::25832, EPSG:25832", "urn:ogc:def:crs:EPSG:9.9:25832, EPSG:25832", "EPSG:2154, EPSG:2154"})
    void olderFilesNameTheirSystem(String name, String code) throws IOException {
        ReadFile file = read("{\"type\":\"FeatureCollection\",\"crs\":{\"type\":\"name\",\"properties\":{\"name\":\"" + name
                + "\"}},\"features\":["
                + "{\"type\":\"Feature\",\"properties\":null,\"geometry\":{\"type\":\"Point\",\"coordinates\":[649010,6314490]}}]}");
        assertThat(file.declared().system()).contains(new FileSystem.Published(code));
    }

    @Test
    void degreesAreWgs84AndWhatCannotBeDegreesIsTheJobsGrid() throws IOException {
        assertThat(read(feature("{\"type\":\"Point\",\"coordinates\":[11.4,56.9]}")).declared().system()).contains(FileSystem.LAT_LON);
        assertThat(read(feature("{\"type\":\"Point\",\"coordinates\":[649010,6314490]}")).declared().system()).isEmpty();
    }

    @Test
    void whatHasNoShapeIsTold() throws IOException {
        ReadFile file =
                read("{\"type\":\"FeatureCollection\",\"features\":[{\"type\":\"Feature\",\"properties\":{\"a\":[1,{\"b\":2}]},"
                + "\"geometry\":null},"
                + "{\"type\":\"Feature\",\"geometry\":{\"type\":\"Point\",\"coordinates\":[\"x\",2]}},{\"type\":\"Feature\","
                + "\"geometry\":{\"type\":\"LineString\",\"coordinates\":[[1,2]]}},"
                + "{\"type\":\"Feature\",\"geometry\":{\"type\":\"Curve\",\"coordinates\":[[1,2],[2,3]]}}]}");
        assertThat(file.report().leftOut()).extracting(l -> l.kind() + " " + l.why())
                .containsExactly("attribute \u2018a\u2019 " + Why.NOT_READ, "Feature " + Why.NO_SHAPE, "Point " + Why.NOT_A_NUMBER,
                "LineString " + Why.NO_SHAPE, "Curve " + Why.NOT_READ);
        assertThat(file.drawing().features()).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"[1,2]", "{\"type\":\"FeatureCollection\",\"features\":[{\"type\":\"Feature\"", "{} []",
            "{\"features\": [1, 2}"})
    void whatIsBrokenIsRefusedWithItsPlace(String text) {
        assertThatThrownBy(() -> read(text)).isInstanceOfSatisfying(SurveyException.class, e -> {
            assertThat(e.problem()).isEqualTo(Problem.FILE_DAMAGED);
            assertThat(e.arguments().get(1).toString()).startsWith("line 1");
        });
    }

    /** Only the collection's own name and system count, not what a feature has beside its shape. */
    @Test
    void namesAndSystemsWithinFeaturesAreTheirOwn() throws IOException {
        ReadFile file =
                read("{\"type\":\"FeatureCollection\",\"name\":\"Shore\",\"features\":[{\"type\":\"Feature\",\"name\":\"odd\","
                + "\"crs\":{\"properties\":{\"name\":\"EPSG:25832\"}},"
                + "\"geometry\":{\"type\":\"Point\",\"coordinates\":[11.41,56.91]}}]}");
        assertThat(file.drawing().layers()).extracting(Layer::name).containsExactly("Shore");
        assertThat(file.declared().system()).contains(FileSystem.LAT_LON);
    }

    /** Also where the file names the system of degrees. */
    @Test
    void aPlaceOffTheEarthIsLeftOutWhereDegreesAreSaid() throws IOException {
        ReadFile file = read("{\"type\":\"FeatureCollection\",\"crs\":{\"properties\":{\"name\":\"EPSG:4326\"}},\"features\":["
                + feature("{\"type\":\"MultiPoint\",\"coordinates\":[[11.41,56.91],[11.42,156.92]]}") + "]}");
        assertThat(file.drawing().spots()).hasSize(1);
        assertThat(file.report().leftOut()).extracting(l -> l.why()).containsExactly(Why.TOO_FAR);
    }

    @Test
    void deepNestingIsPassedOver() throws IOException {
        assertThat(read(feature("{\"type\":\"Polygon\",\"coordinates\":" + "[".repeat(40) + "1,2" + "]".repeat(40) + "}")).drawing()
                .features()).isEmpty();
    }

    /** One mistyped place does not make metres of degrees; if most are beyond, they were never degrees. */
    @ParameterizedTest
    @CsvSource({"'[11.41,56.91],[11.42,56.92],[11.43,56.93],[1143.0,56.94]', true, 3, 1",
            "'[641200,6308100],[641210,6308110],[641220,6308120],[0,0]', false, 4, 0"})
    void aPlaceOffTheEarthIsLeftOut(String places, boolean degrees, int read, int left) throws IOException {
        ReadFile file = read(feature("{\"type\":\"MultiPoint\",\"coordinates\":[" + places + "]}"));
        assertThat(file.declared().system().equals(Optional.of(FileSystem.LAT_LON))).isEqualTo(degrees);
        assertThat(file.drawing().spots()).hasSize(read);
        assertThat(file.report().leftOut()).filteredOn(l -> l.why() == Why.TOO_FAR).hasSize(left);
    }
}
