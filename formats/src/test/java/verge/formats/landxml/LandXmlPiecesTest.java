package verge.formats.landxml;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.alignment.Alignment;
import verge.core.alignment.PlanElement;
import verge.core.drawing.Feature;
import verge.core.drawing.FileUnit;
import verge.formats.reading.ReadFile;
import verge.formats.reading.Report.Why;
import verge.formats.reading.Watch;

/** Pieces of the schema one by one: senses of turning, curves in height, what is missing or does not fit. */
class LandXmlPiecesTest {
    @TempDir
    private Path directory;

    private ReadFile read(String body) throws IOException {
        return LandXmlReader.read(Files.writeString(directory.resolve("x.xml"), "<LandXML version=\"1.2\">" + body + "</LandXML>"),
                Watch.none("x.xml"));
    }

    private ReadFile alignment(String geometry, String rest) throws IOException {
        return read("<Alignments><Alignment name=\"A\" staStart=\"100\"><CoordGeom>" + geometry + "</CoordGeom>" + rest
                + "</Alignment></Alignments>");
    }

    private static Alignment only(ReadFile file) {
        return file.drawing().alignments().findFirst().orElseThrow();
    }

    private static String line(String from, String to) {
        return "<Line><Start>" + from + "</Start><End>" + to + "</End></Line>";
    }

    @ParameterizedTest
    @CsvSource({"meter, METRE", "foot, INTERNATIONAL_FOOT", "USSurveyFoot, US_SURVEY_FOOT", "millimeter, MILLIMETRE"})
    void unitsAreNamedByTheSchema(String written, FileUnit unit) throws IOException {
        String point = "<CgPoints><CgPoint name=\"1\">1 2</CgPoint></CgPoints>";
        assertThat(read("<Units><Metric linearUnit=\"" + written + "\"/></Units>" + point).declared().unit()).contains(unit);
        assertThat(read("<Units><Imperial linearUnit=\"furlong\"/></Units>" + point).declared().unit()).isEmpty();
    }

    /** A quarter about (0, 0) from north to east turns right, from north to west left; the long way round is three quarters. */
    @ParameterizedTest
    @CsvSource({"cw, 0 10, 0.1, 15.707963", "ccw, 0 -10, -0.1, 15.707963", "ccw, 0 10, -0.1, 47.123890", "cw, 0 -10, 0.1, 47.123890"})
    void arcsTurnAsTheyAreSaidTo(String rot, String end, double curvature, double length) throws IOException {
        PlanElement arc = only(alignment("<Curve rot=\"" + rot + "\"><Start>10 0</Start><Center>0 0</Center><End>" + end + "</End></Curve>",
                "")).elements().get(0);
        assertThat(arc.curvatureIn()).isCloseTo(curvature, within(1e-12));
        assertThat(arc.length()).isCloseTo(length, within(1e-6));
        String[] place = end.split(" ");
        assertThat(arc.at(arc.length()).north()).isCloseTo(Double.parseDouble(place[0]), within(1e-9));
        assertThat(arc.at(arc.length()).east()).isCloseTo(Double.parseDouble(place[1]), within(1e-9));
    }

    /** A clothoid from a line due north to R 120 left: its end lies at 39.8890 north and 2.2178 west (by quadrature). */
    @Test
    void clothoidsTurnLeftToo() throws IOException {
        Alignment left = only(alignment(
                "<Spiral length=\"40\" radiusStart=\"INF\" radiusEnd=\"120\" rot=\"ccw\" spiType=\"clothoid\"><Start>0 0</Start><PI>0 "
                + "0</PI><End>39.889031687 -2.217816946</End></Spiral>", ""));
        assertThat(left.elements().get(0).azimuth()).isCloseTo(0, within(1e-9));
        assertThat(left.at(40).orElseThrow().azimuth()).isCloseTo(-40.0 / 240, within(1e-9));
    }

    @Test
    void unequalAndCircularCurvesInHeight() throws IOException {
        Alignment line = only(alignment(line("0 0", "300 0"),
                "<Profile><ProfAlign name=\"p\"><PVI>100 9</PVI><UnsymParaCurve lengthIn=\"40\" lengthOut=\"60\">200 12</UnsymParaCurve>"
                + "<CircCurve length=\"9\" radius=\"900\">300 10</CircCurve><PVI>400 11</PVI></ProfAlign></Profile>"));
        assertThat(line.profile().orElseThrow().height(100).orElseThrow()).isCloseTo(11.4, within(1e-9));
        assertThat(line.profile().orElseThrow().height(200).orElseThrow()).isGreaterThan(10.0);
        assertThat(line.stationing().station(50)).isEqualTo(150);
    }

    @Test
    void profilesThatRunBackAreLeftOutAndTheLineStays() throws IOException {
        ReadFile file = alignment(line("0 0", "300 0"),
                "<Profile><ProfAlign name=\"p\"><PVI>100 9</PVI><PVI>90 9</PVI></ProfAlign></Profile>");
        assertThat(only(file).profile()).isEmpty();
        assertThat(file.report().leftOut()).extracting(l -> l.kind() + " " + l.why()).containsExactly("ProfAlign " + Why.NO_SHAPE);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"<Line><Start>0 0</Start><End>0 0</End></Line>",
            "<Curve rot=\"cw\"><Start>10 0</Start><End>0 10</End></Curve>",
        "<Spiral length=\"40\" radiusStart=\"INF\" radiusEnd=\"120\" spiType=\"bloss\"><Start>0 0</Start><End>39 2</End></Spiral>",
        "<Spiral length=\"x\" radiusStart=\"INF\" radiusEnd=\"120\"><Start>0 0</Start><End>39 2</End></Spiral>",
        "<Line><Start>0 NaN</Start><End>1 1</End></Line>", "<Chain>a b</Chain>"})
    void piecesThatAreNoneAreToldAndTheAlignmentWithThem(String piece) throws IOException {
        ReadFile file = alignment(piece, "");
        assertThat(file.drawing().features()).isEmpty();
        assertThat(file.report().leftOut()).hasSize(2).last().satisfies(l -> assertThat(l.kind()).isEqualTo("Alignment"));
    }

    @Test
    void anAlignmentWithAGapIsNoLine() throws IOException {
        assertThat(alignment(line("0 0", "10 0") + line("10.5 0", "20 0"), "").report().leftOut()).extracting(l -> l.why())
                .containsExactly(Why.NO_SHAPE);
        assertThat(only(alignment("<IrregularLine><PntList2D>0 0 5 0 9 3</PntList2D></IrregularLine>", "")).length()).isEqualTo(10);
    }

    @Test
    void referencesToPointsThatAreNotThereAreTold() throws IOException {
        ReadFile file =
                read("<PlanFeatures><PlanFeature name=\"f\"><CoordGeom><Line><Start pntRef=\"1\"/><End pntRef=\"9\"/></Line></CoordGeom>"
                + "</PlanFeature></PlanFeatures><CgPoints><CgPoint name=\"1\">1 2</CgPoint></CgPoints>");
        assertThat(file.drawing().runs()).isEmpty();
        assertThat(file.report().leftOut()).extracting(l -> l.kind()).contains("PlanFeature Line");
    }

    @Test
    void surfacesWithWrongCornersLoseTheseFacesOnly() throws IOException {
        ReadFile file =
                read("<Surfaces><Surface name=\"s\"><Definition surfType=\"TIN\"><Pnts><P id=\"1\">0 0 1</P><P id=\"2\">0 9 1</P><P "
                + "id=\"3\">9 0 2</P><P id=\"4\">x 0 2</P></Pnts>"
                + "<Faces><F>1 2 3</F><F>1 2 4</F><F>1 2</F></Faces></Definition></Surface><Surface name=\"empty\"/></Surfaces>");
        assertThat(file.drawing().surfaces()).singleElement().satisfies(s -> assertThat(s.triangleCount()).isEqualTo(1));
        assertThat(file.report().leftOut()).extracting(l -> l.kind() + " " + l.why() + " " + l.count())
                .containsExactly("point of a surface NOT_A_NUMBER 1", "face of a surface NOT_IN_FILE 1", "face of a surface FACE_UNFIT 1",
                "Surface NO_SHAPE 1");
    }

    @Test
    void heightsOfLinesRunAlongThem() throws IOException {
        Feature.Run run = read("<Parcels><Parcel name=\"p\"><CoordGeom>" + line("0 0 5", "10 0 7")
                + "<IrregularLine><PntList3D>10 0 7 10 10 8 0 0 5</PntList3D></IrregularLine></CoordGeom></Parcel></Parcels>")
                .drawing().runs().findFirst().orElseThrow();
        assertThat(run.path().closed()).isTrue();
        assertThat(run.vertices().size()).isEqualTo(3);
        assertThat(run.vertices().height(1)).hasValue(7);
    }

    private static String said(ReadFile file) {
        return file.report().leftOut().stream().map(l -> l.kind() + " " + l.why() + " " + l.count()).collect(Collectors.joining("; "));
    }

    /** A figure with a comma is none: 12,5 is not 12 and 5. */
    @ParameterizedTest
    @CsvSource({"100 200 3, ''", "'100,5 200,25 3,1', CgPoint NOT_A_NUMBER 1", "100 200 3 4, CgPoint NOT_A_NUMBER 1",
            "100f 200 3, CgPoint NOT_A_NUMBER 1", "'100 200 3,1', CgPoint NOT_A_NUMBER 1", "100 200 none, ''",
            "0x10 200 3, CgPoint NOT_A_NUMBER 1", "1.005e2 200 3, ''"})
    void figuresAreReadStrictly(String figures, String said) throws IOException {
        ReadFile file = read("<CgPoints><CgPoint name=\"1\">" + figures + "</CgPoint><CgPoint name=\"2\">1 2</CgPoint></CgPoints>");
        assertThat(said(file)).isEqualTo(said);
    }

    @Test
    void facesOfFourCornersFlatFacesAndIdsTwiceAreSaid() throws IOException {
        ReadFile file =
                read("<Surfaces><Surface name=\"s\"><Definition surfType=\"TIN\"><Pnts><P id=\"1\">0 0 1</P><P id=\"2\">0 9 1</P><P "
                + "id=\"3\">9 0 2</P><P id=\"3\">9 9 2</P><P id=\"4\">0 4 2</P></Pnts>"
                + "<Faces><F>1 2 3</F><F>1 2 3 4</F><F>1 2 4</F><F>1 1 3</F></Faces></Definition></Surface></Surfaces>");
        assertThat(file.drawing().surfaces()).singleElement().satisfies(s -> assertThat(s.triangleCount()).isEqualTo(1));
        assertThat(said(file)).isEqualTo("point of a surface ID_TWICE 1; face of a surface FACE_UNFIT 3");
    }

    /** A vertical curve longer than its grades, and one at the profile's end, are said by their stations; what fits has its heights. */
    @Test
    void verticalCurvesThatFindNoRoomAreSaid() throws IOException {
        ReadFile file = read("<Alignments><Alignment name=\"A\" length=\"300\" staStart=\"1000\"><CoordGeom>" + line("0 0", "300 0")
                + "</CoordGeom><Profile name=\"p\"><ProfAlign name=\"p\"><PVI>1000 5</PVI>"
                + "<ParaCurve length=\"120\">1060 8</ParaCurve><ParaCurve length=\"100\">1150 6</ParaCurve><ParaCurve length=\"40\">1300 "
                + "9</ParaCurve></ProfAlign></Profile></Alignment></Alignments>");
        assertThat(said(file)).isEqualTo("PVI CURVE_WITHOUT_ROOM 3");
        Alignment line = only(file);
        assertThat(line.profile().orElseThrow().height(150)).isEmpty();
        assertThat(line.profile().orElseThrow().height(240).orElseThrow()).isEqualTo(7.8);
        assertThat(line.walk().at(100).orElseThrow().position().elevation()).isEmpty();
    }

    /** 90° between a line and an arc; a length stated that is not its own. Both are read. */
    @Test
    void alignmentsThatKinkOrHaveAnotherLengthAreReadAndSaid() throws IOException {
        ReadFile file = alignment(line("0 0", "50 0")
                + "<Curve rot=\"cw\"><Start>50 0</Start><Center>50 10</Center><End>60 10</End></Curve>", "");
        assertThat(only(file).length()).isCloseTo(50 + 5 * Math.PI, within(1e-6));
        assertThat(said(file)).isEmpty();
        ReadFile kinked = alignment(line("0 0", "50 0")
                + "<Curve rot=\"ccw\"><Start>50 0</Start><Center>60 0</Center><End>60 10</End></Curve>", "");
        assertThat(said(kinked)).isEqualTo("Alignment KINK 1");
        ReadFile longer = read("<Alignments><Alignment name=\"A\" length=\"50.5\" staStart=\"0\"><CoordGeom>" + line("0 0", "50 0")
                + "</CoordGeom></Alignment></Alignments>");
        assertThat(only(longer).length()).isEqualTo(50);
        assertThat(said(longer)).isEqualTo("Alignment LENGTH_DIFFERS 1");
    }

    /** Figures too many or too few in one place of a list are said, wherever lists of places stand. */
    @ParameterizedTest
    @CsvSource({"<P id=\"9\">0 0 1 7</P>, '', '', point of a surface NOT_A_NUMBER 1", "'', 1 1 1 2 2, '', Breakline NOT_A_NUMBER 1",
            "'', '1 1 1 2,5 2 2', '', Breakline NOT_A_NUMBER 1",
        "'', '', 1 1 1 2 2, PlanFeature IrregularLine NO_SHAPE 1; PlanFeature NO_SHAPE 1", "'', 1 1 1 2 2 2, 1 1 1 2 2 2, ''"})
    void placesInListsAreReadStrictly(String point, String breakline, String line, String said) throws IOException {
        ReadFile file = read("<Surfaces><Surface name=\"s\"><SourceData><Breaklines><Breakline><PntList3D>"
                + (breakline.isEmpty() ? "0 0 0 9 9 9" : breakline) + "</PntList3D></Breakline></Breaklines></SourceData>"
                + "<Definition surfType=\"TIN\"><Pnts><P id=\"1\">0 0 1</P><P id=\"2\">0 9 1</P><P id=\"3\">9 0 2</P>" + point
                + "</Pnts><Faces><F>1 2 3</F></Faces></Definition></Surface></Surfaces>"
                + "<PlanFeatures><PlanFeature name=\"f\"><CoordGeom><IrregularLine><PntList3D>" + (line.isEmpty() ? "0 0 0 9 9 9" : line)
                + "</PntList3D></IrregularLine></CoordGeom></PlanFeature></PlanFeatures>");
        assertThat(said(file)).isEqualTo(said);
        assertThat(file.drawing().surfaces()).singleElement()
                .satisfies(s -> assertThat(s.breaklines()).hasSize(said.startsWith("Breakline") ? 0 : 1));
    }

    @Test
    void aProfilesPointHasTwoFigures() throws IOException {
        ReadFile file = alignment(line("0 0", "50 0"),
                "<Profile><ProfAlign><PVI>100 1</PVI><PVI>120 1 5</PVI><PVI>150 2</PVI></ProfAlign></Profile>");
        assertThat(said(file)).isEqualTo("PVI NOT_A_NUMBER 1");
        assertThat(only(file).profile().orElseThrow().height(20).orElseThrow()).isCloseTo(1.4, within(1e-9));
    }

    @Test
    void planFeaturesWithAPlaceOnlyArePoints() throws IOException {
        ReadFile file =
                read("<PlanFeatures><PlanFeature name=\"LMP4\" code=\"LMP\"><Location>6308100.5 641200.25 4</Location></PlanFeature>"
                + "</PlanFeatures>");
        assertThat(file.drawing().spots()).singleElement().satisfies(s -> {
            assertThat(s.name() + " " + s.code()).isEqualTo("LMP4 LMP");
            assertThat(s.vertices().north(0)).isEqualTo(6308100.5);
        });
    }
}
