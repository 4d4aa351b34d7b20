package verge.formats.kml;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.drawing.Feature;
import verge.core.drawing.FileSystem;
import verge.core.drawing.Layer;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.formats.reading.ReadFile;
import verge.formats.reading.Report.Why;
import verge.formats.reading.Watch;

/** Folders as layers, heights only where they are meant, the main document of an archive. */
class KmlReaderTest {
    private static final String HEAD = "<?xml version=\"1.0\"?><kml xmlns=\"http://www.opengis.net/kml/2.2\"><Document><name>Island</name>";
    private static final String TAIL = "</Document></kml>";

    @TempDir
    private Path directory;

    private ReadFile read(String body) throws IOException {
        return KmlReader.read(Files.writeString(directory.resolve("x.kml"), HEAD + body + TAIL), Watch.none("x.kml"));
    }

    private static String point(String name, String mode, String coordinates) {
        return "<Placemark><name>" + name + "</name><Point>" + mode + "<coordinates>" + coordinates + "</coordinates></Point></Placemark>";
    }

    @Test
    void foldersAreLayersAndNamesArePointNames() throws IOException {
        ReadFile file = read(point("A", "", "11.4,56.9") + "<Folder><name>Shore</name><Style/>" + point("B", "", "11.5,56.8")
                + "<Folder><name>Rocks</name>" + point("C", "", "11.6,56.7")
                + "</Folder>" + point("D", "", "11.7,56.6") + "</Folder>");
        assertThat(file.drawing().spots()).extracting(s -> s.name() + " " + file.drawing().layers().get(s.layer()).name())
                .containsExactly("A Island", "B Shore", "C Rocks", "D Shore");
        assertThat(file.drawing().layers()).extracting(Layer::name).containsExactly("Island", "Shore", "Rocks");
        assertThat(file.declared().system()).contains(FileSystem.LAT_LON);
        assertThat(file.drawing().spots().findFirst().orElseThrow().vertices().north(0)).isEqualTo(56.9);
    }

    /** The standard lets a height count only where a mode says so; a height of 0 on the ground is not worth a word. */
    @ParameterizedTest
    @CsvSource(value = {"'', 12, NaN, 1", "<altitudeMode>absolute</altitudeMode>, 12, 12, 0",
            "<altitudeMode>relativeToGround</altitudeMode>, 12, NaN, 1",
        "<altitudeMode>clampToGround</altitudeMode>, 12, NaN, 1", "'', 0, NaN, 0"})
    void heightsCountWhereTheyAreMeant(String mode, String written, Double height, int told) throws IOException {
        ReadFile file = read(point("A", mode, "11.4,56.9," + written));
        assertThat(file.drawing().spots().findFirst().orElseThrow().vertices().height(0).orElse(Double.NaN)).isEqualTo(height);
        assertThat(file.report().leftOut()).filteredOn(l -> l.why() == Why.HEIGHT_NOT_MEANT || l.why() == Why.ABOVE_GROUND).hasSize(told);
    }

    @Test
    void severalShapesOfOnePlacemarkAllCount() throws IOException {
        ReadFile file =
                read("<Placemark><name>works</name><ExtendedData><Data name=\"code\"><value>WRK</value></Data></ExtendedData>"
                + "<MultiGeometry><Point><coordinates>1,2</coordinates></Point>"
                + "<LineString><coordinates>1,2 3,4\n5,6</coordinates></LineString><Polygon><outerBoundaryIs><LinearRing><coordinates>0,0 "
                + "1,0 1,1 0,0</coordinates></LinearRing></outerBoundaryIs>"
                + "<innerBoundaryIs><LinearRing><coordinates>0,0 .5,0 .5,.5 0,0</coordinates></LinearRing></innerBoundaryIs></Polygon>"
                + "</MultiGeometry></Placemark>");
        assertThat(file.drawing().spots()).extracting(Feature.Spot::code).containsExactly("WRK");
        assertThat(file.drawing().runs()).extracting(r -> r.path().closed()).containsExactly(false, true, true);
        assertThat(file.report().read()).containsEntry("LineString", 1).containsEntry("LinearRing", 2);
    }

    @Test
    void whatIsNoShapeIsTold() throws IOException {
        ReadFile file =
                read("<Placemark><name>empty</name></Placemark><NetworkLink><Link><href>elsewhere</href></Link></NetworkLink>"
                + "<GroundOverlay/>" + point("bad", "", "11.4")
                + "<Placemark><Track><coord>1 2 3</coord></Track></Placemark>");
        assertThat(file.report().leftOut()).extracting(l -> l.kind() + " " + l.why())
                .contains("Placemark " + Why.NO_SHAPE, "NetworkLink " + Why.NOT_READ, "GroundOverlay " + Why.NOT_READ,
                "Point " + Why.NOT_A_NUMBER, "Track " + Why.NOT_READ);
        assertThat(file.drawing().features()).isEmpty();
    }

    /** Blanks after commas part no places, a fourth figure makes a place none, off the earth there is none. */
    @ParameterizedTest
    @CsvSource({"'11.4, 56.9', 1, ''", "'11.4,', 0, NOT_A_NUMBER", "'11.4,56.9,0,7', 0, NOT_A_NUMBER", "'56.9,111.4', 0, TOO_FAR",
            "'11.4,56.9,', 1, ''"})
    void placesAreReadStrictly(String coordinates, int read, String said) throws IOException {
        ReadFile file = read(point("A", "", coordinates));
        assertThat(file.drawing().spots()).hasSize(read);
        assertThat(file.report().leftOut().stream().map(l -> l.why().name()))
                .containsExactlyElementsOf(said.isEmpty() ? List.of() : List.of(said));
    }

    @Test
    void aDatumsHeadingIsNotItsValue() throws IOException {
        ReadFile file =
                read("<Placemark><name>L7</name><ExtendedData><Data name=\"code\"><displayName>What it is</displayName><value>LMP</value>"
                + "</Data></ExtendedData>"
                + "<Point><coordinates>11.4,56.9</coordinates></Point></Placemark>");
        assertThat(file.drawing().spots()).extracting(Feature.Spot::code).containsExactly("LMP");
    }

    @Test
    void anArchivesMainDocumentIsRead() throws IOException {
        Path archive = directory.resolve("x.kmz");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(archive))) {
            for (String[] entry : new String[][] {{"pictures/", ""}, {"other.kml", HEAD + point("other", "", "1,2") + TAIL},
                    {"doc.kml", HEAD + point("main", "", "1,2") + TAIL}}) {
                zip.putNextEntry(new ZipEntry(entry[0]));
                zip.write(entry[1].getBytes(StandardCharsets.UTF_8));
            }
        }
        assertThat(KmlReader.readArchive(archive, Watch.none("x.kmz")).drawing().spots()).extracting(Feature.Spot::name)
                .containsExactly("main");
    }

    @Test
    void anArchiveWithoutKmlOrWithBrokenBytesIsRefused() throws IOException {
        Path archive = directory.resolve("x.kmz");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(archive))) {
            zip.putNextEntry(new ZipEntry("readme.txt"));
        }
        assertThatThrownBy(() -> KmlReader.readArchive(archive, Watch.none("x.kmz")))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.FILE_DAMAGED));
        Path cut = Files.write(directory.resolve("y.kmz"), "PK\3\4 and no more".getBytes(StandardCharsets.ISO_8859_1));
        assertThatThrownBy(() -> KmlReader.readArchive(cut, Watch.none("y.kmz")))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.FILE_DAMAGED));
    }
}
