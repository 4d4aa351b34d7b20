package verge.formats.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.assertj.core.groups.Tuple;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.drawing.Feature;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.formats.DrawingFiles;
import verge.formats.reading.Report.Why;

/** Files that are made to do harm, or that somebody's program got badly wrong. */
class HostileFilesTest {
    @TempDir
    private Path directory;

    private Path file(String name, String content) throws IOException {
        return Files.writeString(directory.resolve(name), content, StandardCharsets.UTF_8);
    }

    private static void refused(Path file, Problem problem) {
        assertThatThrownBy(() -> DrawingFiles.read(file, Watch.none(file.getFileName().toString())))
                .isInstanceOfSatisfying(SurveyException.class,
                e -> assertThat(e.problem()).isEqualTo(problem));
    }

    private static ReadFile read(Path file) throws IOException {
        return DrawingFiles.read(file, Watch.none(file.getFileName().toString()));
    }

    private static String entities(String groups) {
        return "0\nSECTION\n2\nENTITIES\n" + groups + "0\nENDSEC\n0\nEOF\n";
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"<!DOCTYPE LandXML [<!ENTITY out SYSTEM \"file:///etc/passwd\">]><LandXML><CgPoints><CgPoint name=\"1\">"
            + "&out;</CgPoint></CgPoints></LandXML>",
        "<!DOCTYPE kml [<!ENTITY a \"aaaaaaaaaa\"><!ENTITY b \"&a;&a;&a;&a;&a;&a;&a;&a;\">]><kml><Placemark><name>&b;</name></Placemark>"
                + "</kml>",
        "<kml><Placemark><name>&undeclared;</name></Placemark></kml>"})
    void entitiesAreRefused(String xml) throws IOException {
        refused(file("x.xml", xml), Problem.FILE_HAS_ENTITIES);
    }

    @ParameterizedTest
    @CsvSource({"../doc.kml, FILE_ARCHIVE_UNSAFE", "/doc.kml, FILE_ARCHIVE_UNSAFE", "a/../../doc.kml, FILE_ARCHIVE_UNSAFE",
            "c:\\doc.kml, FILE_ARCHIVE_UNSAFE", "..\\lamps.shp, FILE_ARCHIVE_UNSAFE"})
    void entriesThatLeadOutAreRefused(String entry, Problem problem) throws IOException {
        Path archive = directory.resolve("x.kmz");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(archive))) {
            zip.putNextEntry(new ZipEntry(entry));
            zip.write("<kml/>".getBytes(StandardCharsets.UTF_8));
        }
        refused(archive, problem);
    }

    @Test
    void anEntryThatSwellsBeyondReasonIsRefused() throws IOException {
        Path archive = directory.resolve("x.kmz");
        try (OutputStream out = Files.newOutputStream(archive); ZipOutputStream zip = new ZipOutputStream(out)) {
            zip.putNextEntry(new ZipEntry("doc.kml"));
            zip.write("<kml><Document><description>".getBytes(StandardCharsets.UTF_8));
            byte[] blanks = " ".repeat(1 << 20).getBytes(StandardCharsets.UTF_8);
            for (int i = 0; i < 200; i++) {
                zip.write(blanks);
            }
        }
        refused(archive, Problem.FILE_ARCHIVE_UNSAFE);
    }

    @ParameterizedTest
    @CsvSource({"'Made-up Binary DXF\r\n\u001a\0rest', FILE_BINARY_DRAWING", "AC1032...., FILE_CLOSED_DRAWING", "<svg/>, FILE_KIND_UNKNOWN",
            "{a, FILE_DAMAGED",
        "'[1,2', FILE_DAMAGED", "<kml>, FILE_DAMAGED", "<kml></kml>, FILE_NOTHING_READ",
                "'0\nSECTION\n2\nENTITIES\n0\nLINE\n', FILE_DAMAGED",
        "'0\nSECTION\nfour\nENTITIES\n', FILE_DAMAGED", "'0\nSECTION\n2\nENTITIES\n0\nENDSEC\n0\nEOF\n', FILE_NOTHING_READ"})
    void whatCannotBeReadIsToldApart(String content, Problem problem) throws IOException {
        refused(file("x.dxf", content), problem);
    }

    @Test
    void blocksThatContainEachOtherAreDrawnOnceAndTold() throws IOException {
        ReadFile read = read(file("x.dxf", """
                0\nSECTION\n2\nBLOCKS\n0\nBLOCK\n2\nA\n10\n0\n20\n0\n0\nLINE\n8\n0\n10\n0\n20\n0\n11\n1\n21\n0\n0\nINSERT\n2\n\
                B\n10\n0\n20\n0\n0\nENDBLK
                0\nBLOCK\n2\nB\n10\n0\n20\n0\n0\nINSERT\n2\nA\n10\n0\n20\n0\n0\nENDBLK\n0\nENDSEC\n"""
                + entities("0\nINSERT\n8\nX\n2\na\n10\n5\n20\n5\n")));
        assertThat(read.report().leftOut()).extracting(Report.LeftOut::why).containsExactly(Why.CYCLE);
        assertThat(read.drawing().runs()).hasSize(1);
    }

    @Test
    void blocksThatMultiplyEndAtALimit() throws IOException {
        StringBuilder blocks = new StringBuilder("0\nSECTION\n2\nBLOCKS\n");
        for (int i = 0; i < 40; i++) {
            String inner = "0\nINSERT\n2\nB" + (i + 1) + "\n10\n0\n20\n0\n";
            blocks.append("0\nBLOCK\n2\nB").append(i).append("\n10\n0\n20\n0\n").append(i < 39 ? inner + inner : "").append("0\nENDBLK\n");
        }
        refused(file("x.dxf", blocks + "0\nENDSEC\n" + entities("0\nINSERT\n2\nB0\n10\n0\n20\n0\n")), Problem.FILE_TOO_MUCH);
    }

    /** 390,000 references to 2,000 things that are not read: what is passed over costs time too. */
    @Test
    void whatBlocksPassOverIsCountedToo() throws IOException {
        String blocks = "0\nSECTION\n2\nBLOCKS\n0\nBLOCK\n2\nB\n10\n0\n20\n0\n" + "0\nIMAGE\n8\n0\n".repeat(2000)
                + "0\nENDBLK\n0\nENDSEC\n";
        refused(file("x.dxf", blocks + entities("0\nINSERT\n2\nB\n10\n0\n20\n0\n70\n30000\n71\n13\n")), Problem.FILE_TOO_MUCH);
    }

    @Test
    void figuresThatAreNoneLeaveTheirThingOut() throws IOException {
        ReadFile read = read(file("x.dxf",
                entities(
                "0\nPOINT\n8\nA\n10\nNaN\n20\n1\n0\nPOINT\n8\nA\n10\n1e300\n20\n1\n0\nPOINT\n8\nA\n10\n1\n20\n2\n30\n3\n0\nLINE\n8\nA\n"
                + "10\n1\n20\n1\n")));
        assertThat(read.drawing().spots()).hasSize(1);
        assertThat(read.report().leftOut()).extracting(Report.LeftOut::kind, Report.LeftOut::why).containsExactly(
                Tuple.tuple("POINT", Why.NOT_A_NUMBER), Tuple.tuple("POINT", Why.TOO_FAR),
                Tuple.tuple("LINE", Why.NOT_A_NUMBER));
    }

    @Test
    void namesThatCannotBeOrAreThereTwiceAreTold() throws IOException {
        ReadFile read = read(file("x.xml", """
                <LandXML><CgPoints><CgPoint name="=1+1">1 2 3</CgPoint><CgPoint name="T1">1 2 3</CgPoint><CgPoint name="T1">4 5 \
                6</CgPoint><CgPoint name="">7 8</CgPoint></CgPoints></LandXML>"""));
        assertThat(read.drawing().spots()).extracting(Feature.Spot::name).containsExactly("", "T1", "T1", "");
        assertThat(read.report().leftOut()).extracting(Report.LeftOut::why).containsExactly(Why.NAME_UNFIT, Why.NAME_TWICE);
    }

    /** Within the memory of the module's tests. */
    @Test
    void twoMillionVerticesInOneLineAreReadAndFiveAreTooMany() throws IOException {
        assertThat(read(line("dxf", 2_000_000)).drawing().vertexCount()).isEqualTo(2_000_000);
        assertThat(read(line("geojson", 2_000_000)).drawing().vertexCount()).isEqualTo(2_000_000);
        assertThat(read(line("kml", 2_000_000)).drawing().vertexCount()).isEqualTo(2_000_000);
        assertThat(read(line("xml", 2_000_000)).drawing().vertexCount()).isEqualTo(2_000_000);
        refused(line("geojson", 3_100_000), Problem.FILE_TOO_MUCH);
        refused(line("dxf", 3_800_000), Problem.FILE_TOO_MUCH);
    }

    private Path line(String format, int vertices) throws IOException {
        Path file = directory.resolve("long." + format);
        String[] frame = switch (format) {
            case "dxf" -> new String[] {"0\nSECTION\n2\nENTITIES\n0\nLWPOLYLINE\n8\nA\n", "0\nENDSEC\n0\nEOF\n"};
            case "kml" -> new String[] {"<kml><Placemark><LineString><coordinates>", "</coordinates></LineString></Placemark></kml>"};
            case "xml" -> new String[] {"<LandXML><Parcels><Parcel><CoordGeom><IrregularLine><PntList2D>",
                    "</PntList2D></IrregularLine></CoordGeom></Parcel></Parcels></LandXML>"};
            default -> new String[] {"{\"type\":\"LineString\",\"coordinates\":[", "]}"};
        };
        try (BufferedWriter out = Files.newBufferedWriter(file)) {
            out.write(frame[0]);
            for (int i = 0; i < vertices; i++) {
                String x = i / 100 + "." + (100 + i % 100);
                int y = i % 80;
                out.write(switch (format) {
                    case "dxf" -> "10\n" + x + "\n20\n" + y + "\n";
                    case "kml" -> i % 100 + "." + (100 + i % 100) + "," + y + "\n";
                    case "xml" -> x + " " + y + " ";
                    default -> (i == 0 ? "[" : ",[") + x + "," + y + "]";
                });
            }
            out.write(frame[1]);
        }
        return file;
    }

    /** A head made so that looking for a pattern in it would take for ever. */
    @Test
    void aHeadOfRemarksIsLookedThroughOnce() throws IOException {
        assertThat(FileKind.of(file("x.dxf", "999\n" + "\n".repeat(16_000) + "999"))).isNotEqualTo(FileKind.DXF);
        assertThat(FileKind.of(file("y.dxf", "999\nremark\n".repeat(1000) + "0\nSECTION\n"))).isEqualTo(FileKind.DXF);
    }

    @Test
    void readingTellsHowFarItIsAndStopsWhenAsked() throws IOException {
        Path file = line("dxf", 200_000);
        AtomicLong done = new AtomicLong();
        DrawingFiles.read(file, new Watch("long.dxf", done::set, () -> false));
        assertThat(done.get()).isEqualTo(Files.size(file));
        Watch impatient = new Watch("long.dxf", done::set, () -> done.get() > 100_000);
        assertThatThrownBy(() -> DrawingFiles.read(file, impatient))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.READING_STOPPED));
    }

    @Test
    void whatAFileIsFollowsFromItsBytes() throws IOException {
        assertThat(List.of(FileKind.of(file("a.csv", "\uFEFF{\"type\": \"Point\"}")),
                FileKind.of(file("b.txt", "999\nremark\n  0\nSECTION\n")), FileKind.of(file("c.kml", "P1;1;2")),
                FileKind.of(file("d", "{\"codebook\": 1}"))))
                .containsExactly(FileKind.GEOJSON, FileKind.DXF, FileKind.TABLE, FileKind.CODEBOOK);
        assertThat(FileKind.DXF.fits("Yard.DXF")).isTrue();
        assertThat(FileKind.DXF.fits("yard.csv")).isFalse();
    }
}
