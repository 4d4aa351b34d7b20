package verge.formats.dxf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.drawing.Feature;
import verge.core.drawing.FileUnit;
import verge.core.drawing.Layer;
import verge.core.plan.Vertices;
import verge.formats.reading.ReadFile;
import verge.formats.reading.Report.Why;
import verge.formats.reading.Watch;

/** Entities whose shape is known in closed form. */
class DxfReaderTest {
    @TempDir
    private Path directory;

    private ReadFile read(String groups, Charset charset) throws IOException {
        Path file = directory.resolve("x.dxf");
        Files.writeString(file, groups.replace(' ', '\n') + "\n0\nEOF\n", charset);
        return DxfReader.read(file, Watch.none("x.dxf"));
    }

    private ReadFile entities(String groups) throws IOException {
        return read("0 SECTION 2 ENTITIES " + groups + " 0 ENDSEC", Charset.forName("UTF-8"));
    }

    private static Feature.Run only(ReadFile file) {
        return file.drawing().runs().findFirst().orElseThrow();
    }

    @Test
    void aQuarterAndThreeQuartersOfACircle() throws IOException {
        Feature.Run quarter = only(entities("0 ARC 8 A 10 100 20 200 40 10 50 0 51 90"));
        assertThat(quarter.path().length()).isCloseTo(5 * Math.PI, within(1e-9));
        assertThat(quarter.vertices().north(1)).isCloseTo(210, within(1e-9));
        assertThat(only(entities("0 ARC 8 A 10 100 20 200 40 10 50 90 51 0")).path().length()).isCloseTo(15 * Math.PI, within(1e-9));
    }

    /** Drawn on a plane seen from below, x runs west: the format's arbitrary axis rule. */
    @Test
    void aNormalThatPointsDownMirrors() throws IOException {
        Feature.Run arc = only(entities("0 ARC 8 A 10 100 20 200 30 -5 40 10 50 0 51 90 210 0 220 0 230 -1"));
        assertThat(arc.vertices().east(0)).isCloseTo(-110, within(1e-9));
        assertThat(arc.vertices().height(0).orElseThrow()).isCloseTo(5, within(1e-9));
        Vertices chords = arc.path().chords(0.001);
        int middle = chords.size() / 2;
        assertThat(Math.hypot(chords.east(middle) + 100, chords.north(middle) - 200)).isCloseTo(10, within(1e-6));
    }

    /** A circle on a slanting plane is an ellipse in plan: half axes 10 and 10 cos 60°. */
    @Test
    void aSlantingCircleIsAnEllipse() throws IOException {
        Feature.Run circle = only(entities("0 CIRCLE 8 A 10 0 20 0 30 0 40 10 210 0 220 0.8660254037844386 230 0.5"));
        assertThat(circle.vertices().extent().east()).isCloseTo(10, within(0.01));
        assertThat(circle.vertices().extent().north()).isCloseTo(5, within(0.01));
    }

    @Test
    void aSplineWithoutInnerKnotsIsABezierCurve() throws IOException {
        Feature.Run curve = only(entities(
                "0 SPLINE 8 A 70 8 71 3 40 0 40 0 40 0 40 0 40 1 40 1 40 1 40 1 10 0 20 0 10 10 20 30 10 20 20 -30 10 30 20 0"));
        for (int i = 0; i < curve.vertices().size(); i++) {
            double t = curve.vertices().east(i) / 30;   // its x is even in t
            assertThat(curve.vertices().north(i)).isCloseTo(90 * t * (1 - t) * (1 - t) - 90 * t * t * (1 - t), within(1e-9));
        }
    }

    /** Equal weights on a quarter: the rational form draws a true circle. */
    @Test
    void aRationalSplineDrawsACircle() throws IOException {
        Feature.Run curve = only(entities(
                "0 SPLINE 8 A 70 12 71 2 40 0 40 0 40 0 40 1 40 1 40 1 41 1 41 0.7071067811865476 41 1 10 10 20 0 10 10 20 10 10 0 20 10"));
        for (int i = 0; i < curve.vertices().size(); i++) {
            assertThat(Math.hypot(curve.vertices().east(i), curve.vertices().north(i))).isCloseTo(10, within(1e-9));
        }
    }

    @Test
    void anEllipseKeepsItsAxes() throws IOException {
        Feature.Run ellipse = only(entities("0 ELLIPSE 8 A 10 0 20 0 30 0 11 0 21 8 31 0 40 0.25 41 0 42 6.283185307179586"));
        assertThat(ellipse.vertices().extent().north()).isCloseTo(8, within(1e-9));
        assertThat(ellipse.vertices().extent().east()).isCloseTo(2, within(1e-3));
    }

    @Test
    void referencesTurnScaleAndRepeatTheirBlock() throws IOException {
        ReadFile file =
                read("0 SECTION 2 BLOCKS 0 BLOCK 2 B 10 1 20 0 0 LINE 8 0 10 1 20 0 11 2 21 0 0 ENDBLK 0 ENDSEC 0 SECTION 2 ENTITIES "
                + "0 INSERT 8 Piles 66 1 2 B 10 100 20 200 41 3 42 3 50 90 70 2 71 1 44 10 0 ATTRIB 8 Piles 2 name 1 P7 10 0 20 0 0 "
                + "SEQEND 0 ENDSEC", Charset.forName("UTF-8"));
        List<Feature.Run> runs = file.drawing().runs().toList();
        assertThat(runs).hasSize(2);
        assertThat(runs.get(0).vertices().north(1)).isCloseTo(203, within(1e-9));
        assertThat(runs.get(1).vertices().north(0)).isCloseTo(210, within(1e-9));
        assertThat(file.drawing().layers()).extracting(Layer::name).containsExactly("Piles");
        assertThat(file.drawing().spots()).singleElement().satisfies(s -> assertThat(s.name() + " " + s.code()).isEqualTo("P7 B"));
    }

    @Test
    void layersHaveColoursAndMayBeOff() throws IOException {
        ReadFile file =
                read("0 SECTION 2 TABLES 0 LAYER 2 Kerb 70 0 62 1 0 LAYER 2 Off 70 0 62 -5 0 LAYER 2 Frozen 70 1 62 7 0 LAYER 2 True 70 0 "
                + "62 3 420 1193046 0 ENDSEC "
                + "0 SECTION 2 ENTITIES 0 POINT 8 Kerb 10 1 20 1 0 LINE 8 Kerb 62 4 10 0 20 0 11 1 21 1 0 ENDSEC",
                Charset.forName("UTF-8"));
        assertThat(file.drawing().layers())
                .containsExactly(new Layer("Kerb", OptionalInt.of(0xFF0000), true), new Layer("Off", OptionalInt.of(0x0000FF), false),
                new Layer("Frozen", OptionalInt.empty(), false), new Layer("True", OptionalInt.of(0x123456), true));
        assertThat(only(file).colour()).hasValue(0x00FFFF);
    }

    @ParameterizedTest
    @CsvSource({"1, INCH", "2, INTERNATIONAL_FOOT", "4, MILLIMETRE", "5, CENTIMETRE", "6, METRE", "21, US_SURVEY_FOOT", "0, "})
    void theHeaderSaysTheUnit(int code, FileUnit unit) throws IOException {
        assertThat(read("0 SECTION 2 HEADER 9 $INSUNITS 70 " + code + " 0 ENDSEC 0 SECTION 2 ENTITIES 0 POINT 8 A 10 1 20 1 0 ENDSEC",
                Charset.forName("UTF-8")).declared().unit())
                .isEqualTo(Optional.ofNullable(unit));
    }

    @Test
    void wordsLoseTheirSettingAndKeepTheirLetters() throws IOException {
        assertThat(PlainText.of("%%c 12%%d %%p3 \\U+00F8")).isEqualTo("\u2300 12\u00B0 \u00B13 \u00F8");
        assertThat(PlainText.of("5 %%176 %%063")).isEqualTo("5 \u00B0 ?");
        assertThat(PlainText.ofLines("{\\c255;red}")).isEqualTo("red");
        assertThat(PlainText.ofLines("{\\fSans|b1;\\C3;Boat\\P loft} \\S1/2;m")).isEqualTo("Boat  loft 1/2m");
        ReadFile old =
                read("0 SECTION 2 HEADER 9 $DWGCODEPAGE 3 ANSI_1250 0 ENDSEC 0 SECTION 2 ENTITIES 0 TEXT 8 A 10 1 20 1 40 2 1 "
                + "\u0141\u00F3d\u017A 0 ENDSEC", Charset.forName("windows-1250"));
        assertThat(old.drawing().features()).singleElement().satisfies(f -> assertThat(f.name()).isEqualTo("\u0141\u00F3d\u017A"));
    }

    @Test
    void facesOfBothKindsBecomeSurfacesWithTheirCornersShared() throws IOException {
        ReadFile file = DxfReader.read(Path.of("src/test/resources/samples/yard-2018.dxf"), Watch.none("yard-2018.dxf"));
        assertThat(file.drawing().surfaces()).extracting(s -> s.name() + " " + s.triangleCount() + " " + s.vertices().size())
                .containsExactlyInAnyOrder("Mesh 4 6", "Steps 2 4");
        assertThat(file.report().leftOut()).extracting(l -> l.kind() + " " + l.why()).containsExactly("HATCH " + Why.NOT_READ);
        assertThat(file.report().read()).containsEntry("LWPOLYLINE", 1).containsEntry("LINE", 4).containsEntry("surface of faces", 2);
    }

    /** The old polyline in its own plane keeps its arcs: a half-circle of radius 5 between its two vertices. */
    @Test
    void oldPolylinesKeepArcsAndLoseTheFrameOfTheirSpline() throws IOException {
        Feature.Run arc = only(entities(
                "0 POLYLINE 8 A 66 1 70 0 10 0 20 0 30 7 0 VERTEX 8 A 10 100 20 200 42 1 0 VERTEX 8 A 10 110 20 200 0 SEQEND 8 A"));
        assertThat(arc.path().length()).isCloseTo(5 * Math.PI, within(1e-9));
        assertThat(arc.vertices().height(0)).hasValue(7);
        Feature.Run fitted = only(entities(
                "0 POLYLINE 8 A 66 1 70 4 0 VERTEX 8 A 70 16 10 5 20 5 0 VERTEX 8 A 70 8 10 0 20 0 0 VERTEX 8 A 70 8 10 3 20 4 0 SEQEND 8 "
                + "A"));
        assertThat(fitted.path().length()).isEqualTo(5);
    }

    @Test
    void aMeshOfRowsBecomesTriangles() throws IOException {
        String grid = "";
        for (int i = 0; i < 6; i++) {
            grid += "0 VERTEX 8 M 70 64 10 " + i % 3 + " 20 " + i / 3 + " 30 " + i + " ";
        }
        assertThat(entities("0 POLYLINE 8 M 66 1 70 16 71 2 72 3 " + grid + "0 SEQEND 8 M").drawing().surfaces()).singleElement()
                .satisfies(s -> assertThat(s.triangleCount()).isEqualTo(4));
        assertThat(entities("0 POLYLINE 8 M 66 1 70 16 71 9 72 3 " + grid + "0 SEQEND 8 M 0 POINT 8 A 10 1 20 1").report().leftOut())
                .extracting(l -> l.kind() + " " + l.why()).containsExactly("mesh " + Why.NO_SHAPE);
    }

    /** A tube of three columns: the last column meets the first again, and so may the rows. */
    @ParameterizedTest
    @CsvSource({"16, 4", "48, 6", "17, 8", "49, 12"})
    void aMeshMayCloseOnItself(int flags, int triangles) throws IOException {
        String grid = "";
        for (int i = 0; i < 6; i++) {
            grid += "0 VERTEX 8 M 70 64 10 " + i % 3 * (1 + i) + " 20 " + i + " 30 " + i + " ";
        }
        assertThat(entities("0 POLYLINE 8 M 66 1 70 " + flags + " 71 2 72 3 " + grid + "0 SEQEND 8 M").drawing().surfaces()).singleElement()
                .satisfies(s -> assertThat(s.triangleCount()).isEqualTo(triangles));
    }

    @Test
    void whatIsMadeInvisibleIsLeftOutAndSaid() throws IOException {
        ReadFile file = entities("0 LINE 8 A 60 1 10 0 20 0 11 1 21 1 0 POINT 8 A 60 0 10 1 20 1");
        assertThat(said(file)).isEqualTo("LINE INVISIBLE 1");
        assertThat(file.drawing().features()).hasSize(1);
    }

    @Test
    void facesOfThreeCornersAreOneTriangleAndWrongCornersAreTold() throws IOException {
        assertThat(entities("0 3DFACE 8 M 10 0 20 0 30 1 11 1 21 0 31 1 12 1 22 1 32 2 13 1 23 1 33 2").drawing().surfaces())
                .singleElement()
                .satisfies(s -> assertThat(s.triangleCount()).isEqualTo(1));
        ReadFile file =
                entities(
                "0 POLYLINE 8 M 66 1 70 64 71 1 72 1 0 VERTEX 8 M 70 192 10 0 20 0 30 0 0 VERTEX 8 M 70 128 71 1 72 2 73 9 0 SEQEND 8 M 0 "
                + "POINT 8 A 10 1 20 1");
        assertThat(file.report().leftOut()).extracting(l -> l.why()).containsExactly(Why.NOT_IN_FILE);
        ReadFile fourth =
                entities(
                "0 POLYLINE 8 M 66 1 70 64 71 3 72 1 0 VERTEX 8 M 70 192 10 0 20 0 30 0 0 VERTEX 8 M 70 192 10 1 20 0 30 0 0 VERTEX 8 M "
                + "70 192 10 1 20 1 30 0 "
                + "0 VERTEX 8 M 70 128 71 1 72 2 73 3 74 9 0 SEQEND 8 M");
        assertThat(said(fourth)).isEqualTo("face of a polyline NOT_IN_FILE 1");
    }

    @Test
    void whatIsDrawnOnSheetsForPrintingIsNotOnTheSite() throws IOException {
        ReadFile file = entities("0 LINE 8 A 67 1 10 0 20 0 11 1 21 1 0 CIRCLE 8 A 67 1 10 0 20 0 40 1 0 POINT 8 A 10 1 20 1");
        assertThat(file.report().leftOut()).extracting(l -> l.kind() + " " + l.why())
                .containsExactly("LINE " + Why.ON_SHEET, "CIRCLE " + Why.ON_SHEET);
        assertThat(file.drawing().features()).hasSize(1);
    }

    /** Mirrored and stretched references: arcs stay arcs where circles stay circles, and turn over where the plan is mirrored. */
    @ParameterizedTest
    @CsvSource({"1, 1, 0.41421356237309503", "-1, 1, -0.41421356237309503", "-2, -2, 0.41421356237309503"})
    void arcsInBlocksTurnWithThem(double x, double y, double bulge) throws IOException {
        ReadFile file =
                read("0 SECTION 2 BLOCKS 0 BLOCK 2 B 10 0 20 0 0 ARC 8 0 10 0 20 0 40 5 50 0 51 90 0 ENDBLK 0 ENDSEC 0 SECTION 2 ENTITIES "
                + "0 INSERT 8 A 2 B 10 100 20 100 41 " + x + " 42 " + y
                + " 0 ENDSEC", Charset.forName("UTF-8"));
        assertThat(only(file).path().bulge(0)).isCloseTo(bulge, within(1e-12));
        assertThat(only(file).vertices().east(0)).isCloseTo(100 + 5 * x, within(1e-9));
    }

    @Test
    void aStretchedCircleIsDrawnAsChordsOfItsEllipse() throws IOException {
        Feature.Run ellipse = only(read(
                "0 SECTION 2 BLOCKS 0 BLOCK 2 B 10 0 20 0 0 CIRCLE 8 0 10 0 20 0 40 5 0 ENDBLK 0 ENDSEC 0 SECTION 2 ENTITIES 0 INSERT 8 A "
                + "2 B 10 0 20 0 41 2 42 1 0 ENDSEC",
                Charset.forName("UTF-8")));
        for (int i = 0; i < ellipse.vertices().size(); i++) {
            assertThat(Math.pow(ellipse.vertices().east(i) / 10, 2) + Math.pow(ellipse.vertices().north(i) / 5, 2))
                    .isCloseTo(1, within(1e-9));
        }
    }

    private static String said(ReadFile file) {
        return file.report().leftOut().stream().map(l -> l.kind() + " " + l.why() + " " + l.count()).collect(Collectors.joining("; "));
    }

    /** A bulge of a billion is a circle as large as the earth between two neighbours. */
    @Test
    void anEnormousBulgeIsAStraightPieceAndSaid() throws IOException {
        ReadFile file = entities("0 LWPOLYLINE 8 A 90 3 70 0 10 0 20 0 42 1e9 10 10 20 0 42 1 10 10 20 10");
        assertThat(only(file).path().length()).isCloseTo(10 + 5 * Math.PI, within(1e-9));
        assertThat(said(file)).isEqualTo("arc of a LWPOLYLINE NO_SHAPE 1");
    }

    /** The last two corners of a solid are exchanged in the file. */
    @ParameterizedTest
    @CsvSource({"0 SOLID 8 A 10 0 20 0 11 10 21 0 12 0 22 10 13 10 23 10, 40",
            "0 SOLID 8 A 10 0 20 0 11 10 21 0 12 10 22 10, 34.142135623730951",
        "0 TRACE 8 A 10 0 20 0 11 10 21 0 12 0 22 10 13 10 23 10, 40"})
    void solidsAreTheirOutlines(String groups, double round) throws IOException {
        Feature.Run outline = only(entities(groups));
        assertThat(outline.path().closed()).isTrue();
        assertThat(outline.path().length()).isCloseTo(round, within(1e-9));
    }

    /** A row with a half circle, a circle of two halves, edges of lines with an arc turning either way. */
    @ParameterizedTest
    @CsvSource({"92 2 72 1 73 1 93 4 10 0 20 0 42 0 10 10 20 0 42 1 10 10 20 10 42 0 10 0 20 10 42 0 97 0, 45.707963267948966",
        "92 2 72 1 73 1 93 2 10 0 20 0 42 1 10 10 20 0 42 1 97 0, 31.415926535897932",
        "92 1 93 4 72 1 10 0 20 0 11 10 21 0 72 2 10 10 20 5 40 5 50 270 51 90 73 1 72 1 10 10 20 10 11 0 21 10 72 1 10 0 20 10 11 0 21 0 "
        + "97 0, 45.707963267948966",
        "92 1 93 4 72 1 10 0 20 0 11 0 21 10 72 1 10 0 20 10 11 10 21 10 72 2 10 10 20 5 40 5 50 270 51 90 73 0 72 1 10 10 20 0 11 0 21 0 "
        + "97 0, 45.707963267948966"})
    void hatchesAreTheirOutlines(String boundary, double round) throws IOException {
        ReadFile file = entities("0 HATCH 8 A 10 0 20 0 30 0 2 LAWN 70 0 71 0 91 1 " + boundary + " 75 0 76 1 98 1 10 3 20 3");
        assertThat(only(file).path().length()).isCloseTo(round, within(1e-9));
        assertThat(only(file).vertices().extent().east()).as("arcs reach outwards, not inwards").isGreaterThanOrEqualTo(9.9);
        assertThat(said(file)).isEmpty();
    }

    @Test
    void aHatchWithAnEllipseIsSaid() throws IOException {
        ReadFile file = entities("0 HATCH 8 A 91 1 92 1 93 1 72 3 10 0 20 0 11 5 21 0 40 0.5 50 0 51 360 73 1 97 0 0 POINT 8 A 10 1 20 2");
        assertThat(said(file)).isEqualTo("HATCH NOT_READ 1");
        assertThat(file.drawing().runs()).isEmpty();
    }

    /** Two deep, on layer 0 all the way in: on the layer of the outermost reference. Its attributes come along. */
    @Test
    void layersOfReferencesReachAllTheWayIn() throws IOException {
        ReadFile file =
                read("0 SECTION 2 BLOCKS 0 BLOCK 2 INNER 10 0 20 0 0 LINE 8 0 10 0 20 0 11 1 21 0 0 ENDBLK 0 BLOCK 2 OUTER 10 0 20 0 0 "
                + "INSERT 8 0 2 INNER 10 5 20 5 0 ENDBLK 0 ENDSEC"
                + " 0 SECTION 2 ENTITIES 0 INSERT 8 Drains 66 1 2 OUTER 10 100 20 200 0 ATTRIB 8 0 2 NAME 1 MH\\U+00C5 0 ATTRIB 8 0 2 "
                + "DEPTH 1 1.20 0 SEQEND 0 ENDSEC", Charset.forName("UTF-8"));
        assertThat(file.drawing().layers().get(only(file).layer()).name()).isEqualTo("Drains");
        assertThat(file.drawing().spots()).singleElement().satisfies(s -> {
            assertThat(s.name()).isEqualTo("MH\u00C5");
            assertThat(s.description()).isEqualTo("DEPTH 1.20");
        });
    }

    @Test
    void aLayerNamedTwiceKeepsItsFirstAndIsSaid() throws IOException {
        ReadFile file =
                read("0 SECTION 2 TABLES 0 TABLE 2 LAYER 0 LAYER 2 Kerb 62 1 70 0 0 LAYER 2 KERB 62 3 70 1 0 ENDTAB 0 ENDSEC 0 SECTION 2 "
                + "ENTITIES 0 POINT 8 Kerb 10 1 20 2 0 ENDSEC",
                Charset.forName("UTF-8"));
        assertThat(said(file)).isEqualTo("LAYER ID_TWICE 1");
        assertThat(file.drawing().layers()).singleElement().satisfies(l -> assertThat(l.shown()).isTrue());
    }
}
