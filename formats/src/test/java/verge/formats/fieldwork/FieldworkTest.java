package verge.formats.fieldwork;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import verge.core.coding.Attribute;
import verge.core.coding.Code;
import verge.core.coding.Codebook.Drawn;
import verge.core.coding.Codebook.Kind;
import verge.core.coding.Codebook.Line;
import verge.core.coding.Codebook.Marker;
import verge.core.coding.Codebook.Surface;
import verge.core.coding.Codebook;
import verge.core.drawing.Feature;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.plan.Vertices;
import verge.core.units.Angle;
import verge.core.units.LengthUnit;
import verge.formats.dxf.DxfReader;
import verge.formats.geojson.GeoJsonReader;
import verge.formats.landxml.LandXmlReader;
import verge.formats.reading.ReadFile;
import verge.formats.reading.Watch;

/** What goes to the office, read back by the readers here; audit.py lets other libraries look at the DXF, which stays as it was audited. */
class FieldworkTest {
    private static final Path AUDITED = Path.of("src/test/resources/fieldwork");
    private static final double N0 = 6_314_490.123456789;
    private static final double E0 = 649_010.987654321;
    private static final Attribute HEIGHT = new Attribute("height of lamp", Attribute.Type.NUMBER, "m", Optional.empty(), List.of(), false,
            false);

    private static final Fieldwork.Reference UTM = new Fieldwork.Reference("EPSG:25832", "PROJCS[\"ETRS89 / UTM zone 32N\"]", "by a geoid");
    private static final Fieldwork.Reference NOWHERE = new Fieldwork.Reference("", "", "");

    @TempDir
    private Path directory;

    private static Codebook.Row row(String code, String meaning, Kind kind, Marker marker, Line line, String layer, String group,
            Attribute... attributes) {
        return new Codebook.Row(new Code(code), meaning, kind, Surface.NONE, new Drawn(marker, line, layer), group, List.of(),
                List.of(attributes), List.of());
    }

    private static verge.core.plan.Path path(boolean closed, double... northEastHeightBulge) {
        Vertices.Builder vertices = new Vertices.Builder();
        double[] bulges = new double[northEastHeightBulge.length / 4];
        for (int i = 0; i < bulges.length; i++) {
            vertices.add(N0 + northEastHeightBulge[4 * i], E0 + northEastHeightBulge[4 * i + 1], northEastHeightBulge[4 * i + 2]);
            bulges[i] = northEastHeightBulge[4 * i + 3];
        }
        return verge.core.plan.Path.of(vertices.build(), bulges, closed);
    }

    /**
     * A kerb with an arc, a ring of steps, a railing in two parts that meets the ring at a post; lamps, one without a height; every marker
     * and line.
     */
    private static Fieldwork yard(LengthUnit unit) {
        Marker[] markers = Marker.values();
        List<Codebook.Row> rows = new ArrayList<>(List.of(row("KRB", "kerb", Kind.STRING, Marker.DOT, Line.SOLID, "Kerbs: all", "edges"),
                row("STP", "step edge", Kind.STRING, Marker.SQUARE, Line.DOUBLE, "", "edges"),
                row("RLG", "railing", Kind.STRING, Marker.CROSS, Line.DASH_DOT, "Fences", "fences"),
                row("LMP", "lamp post", Kind.POINT, Marker.RING_CROSS, Line.SOLID, "Lamps", "posts", HEIGHT),
                row("DRN", "drain", Kind.STRING, Marker.RING, Line.DASHED, "", "water"),
                row("HDG", "hedge", Kind.STRING, Marker.TREE, Line.DOTTED, "", "green")));
        List<Fieldwork.Spot> points = new ArrayList<>(
                List.of(new Fieldwork.Spot("101", new Code("LMP"), Position.of(N0 + 1, E0 + 2, 7.25),
                Map.of("height of lamp", "4.5", "maker", "Lücke & Søn\n2")),
                new Fieldwork.Spot("102", new Code("LMP"), Position.ofPlan(N0 - 3, E0 + 2), Map.of()),
                new Fieldwork.Spot("103", Code.NONE, Position.of(N0, E0, 0), Map.of())));
        for (Marker marker : markers) {
            rows.add(row("M" + marker.ordinal(), "mark", Kind.POINT, marker, Line.SOLID, "Marks", ""));
            points.add(new Fieldwork.Spot("m" + marker.ordinal(), new Code("M" + marker.ordinal()),
                    Position.of(N0 - 20, E0 + marker.ordinal(), 5), Map.of()));
        }
        List<Fieldwork.Line> strings = List.of(
                new Fieldwork.Line("KRB 1", new Code("KRB"),
                List.of(path(false, 0, 0, 5, 0, 10, 0, 5.2, 0.4, 20, 12, 5.6, -1.2, 30, 12, 6, 0)), Map.of("material", "granite")),
                new Fieldwork.Line("STP 1", new Code("STP"),
                List.of(path(true, 2, 34, 6, 0, 2, 20, 6, 0, -6, 20, 6.1, 0.3, -6, 34, 6.1, 0)), Map.of()),
                new Fieldwork.Line("RLG 1", new Code("RLG"),
                List.of(path(false, 2, 34, 6, 0, 14, 40, 6.4, 0), path(false, 22, 52, 6.5, 0, 23, 60, 6.6, 0)), Map.of()),
                new Fieldwork.Line("DRN 1", new Code("DRN"), List.of(path(false, 5, 5, Double.NaN, 0, 7, 9, Double.NaN, 0)), Map.of()),
                new Fieldwork.Line("HDG 1", new Code("HDG"), List.of(path(false, -5, 5, 1, 0, -7, 9, 1, 0)), Map.of()));
        return new Fieldwork("Slipway yard", "ETRS89 / UTM zone 32N, grid", UTM, unit, new Codebook("yard", rows), points, strings,
                List.of());
    }

    /** Three points high up, and one at the height of the sea: other programs write 0 for none. */
    private static Fieldwork onTheShore(Fieldwork.Reference reference) {
        List<Fieldwork.Spot> points = List.of(new Fieldwork.Spot("1", Code.NONE, Position.of(N0, E0, 40), Map.of()),
                new Fieldwork.Spot("2", Code.NONE, Position.of(N0 + 1, E0, 41), Map.of()),
                new Fieldwork.Spot("3", Code.NONE, Position.of(N0 + 2, E0, 42), Map.of()),
                new Fieldwork.Spot("4", Code.NONE, Position.of(N0 + 3, E0, 0), Map.of()));
        return new Fieldwork("shore", "grid", reference, LengthUnit.METRE, new Codebook("", List.of()), points, List.of(), List.of());
    }

    @Test
    void aHeightOfNothingComesBackAsOne() throws IOException {
        Fieldwork shore = onTheShore(NOWHERE);
        StringWriter json = new StringWriter();
        GeoJsonWriter.write(shore, place -> Geographic.ofDegrees(56.9 + (place.northing() - N0) / 1e5, 11.4), 0.01, json);
        StringWriter xml = new StringWriter();
        LandXmlWriter.write(shore, "2026-05-01", "08:00:00", xml);
        for (ReadFile back : List.of(read("shore.dxf", dxf(shore, DxfWriter.Lines.BOTH, 0.01)), read("shore.xml", xml.toString()),
                read("shore.geojson", json.toString()))) {
            assertThat(back.drawing().spots().map(s -> s.vertices().height(0).orElse(Double.NaN))).as(back.kind().title())
                    .containsExactly(40.0, 41.0, 42.0, 0.0);
        }
        assertThat(json.toString()).contains("\"heights\":\"elevations in metres");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"EPSG:25832 | PROJCS[\"a\"] | Published[code=EPSG:25832]",
            "'' | PROJCS[\"a\"] | Defined[wkt=PROJCS[\"a\"]]", "'' | '' | none"})
    void theSystemIsKnownAgain(String code, String definition, String known) throws IOException {
        StringWriter xml = new StringWriter();
        LandXmlWriter.write(onTheShore(new Fieldwork.Reference(code, definition, "")), "2026-05-01", "08:00:00", xml);
        assertThat(read("shore.xml", xml.toString()).declared().system().map(Object::toString).orElse("none")).isEqualTo(known);
    }

    private static String dxf(Fieldwork work, DxfWriter.Lines lines, double sagitta) {
        StringBuilder text = new StringBuilder();
        DxfWriter.write(work, new DxfWriter.Options(lines, sagitta, 0.5), text);
        return text.toString();
    }

    private ReadFile read(String name, String text) throws IOException {
        Path file = Files.writeString(directory.resolve(name), text);
        return name.endsWith("dxf") ? DxfReader.read(file, Watch.none(name)) : name.endsWith("xml")
                ? LandXmlReader.read(file, Watch.none(name)) : GeoJsonReader.read(file, Watch.none(name));
    }

    /** Its strings, without what blocks draw. */
    private static List<Feature.Run> strings(ReadFile back) {
        return back.drawing().runs().filter(run -> !List.of("Lamps", "Marks", "points")
                .contains(back.drawing().layers().get(run.layer()).name())).toList();
    }

    /** The very file that ezdxf and GDAL have looked at; after a change, audit.py must say again that it is well. */
    @ParameterizedTest
    @EnumSource(DxfWriter.Lines.class)
    void aDrawingIsWrittenAsItWasAudited(DxfWriter.Lines lines) throws IOException {
        Path audited = AUDITED.resolve(lines.name().toLowerCase(Locale.ROOT) + ".dxf");
        String written = dxf(yard(LengthUnit.METRE), lines, 0.01);
        if (Boolean.getBoolean("fieldwork.write")) {
            Files.writeString(audited, written);
        }
        assertThat(written).isEqualToNormalizingNewlines(Files.readString(audited));
    }

    @Test
    void flatPolylinesKeepTheirArcsAndTheirVerticesToTheBit() throws IOException {
        Fieldwork yard = yard(LengthUnit.METRE);
        ReadFile back = read("flat.dxf", dxf(yard, DxfWriter.Lines.FLAT_WITH_ARCS, 0.01));
        List<Feature.Run> runs = strings(back);
        List<verge.core.plan.Path> paths = yard.strings().stream().flatMap(s -> s.paths().stream()).toList();
        assertThat(runs).hasSize(paths.size());
        for (int i = 0; i < runs.size(); i++) {
            assertThat(runs.get(i).path().closed()).isEqualTo(paths.get(i).closed());
            assertThat(runs.get(i).path().length()).isCloseTo(paths.get(i).length(), within(1e-9));
            for (int v = 0; v < paths.get(i).vertices().size(); v++) {
                assertThat(runs.get(i).vertices().plan(v)).isEqualTo(paths.get(i).vertices().plan(v));
            }
        }
        assertThat(runs.get(2).vertices().plan(0)).as("the post is one place in both").isEqualTo(runs.get(1).vertices().plan(0));
    }

    @ParameterizedTest
    @EnumSource(LengthUnit.class)
    void polylinesInSpaceKeepWithinTheirTolerance(LengthUnit unit) throws IOException {
        Fieldwork yard = yard(unit);
        for (double sagitta : new double[] {0.1, 0.001}) {
            Feature.Run kerb = strings(read("space.dxf", dxf(yard, DxfWriter.Lines.IN_SPACE, sagitta))).get(0);
            double length = yard.strings().get(0).paths().get(0).length();
            assertThat(kerb.path().length() * unit.metresPerUnit()).isBetween(length - 8 * sagitta, length);
            assertThat(kerb.vertices().height(0).orElseThrow() * unit.metresPerUnit()).isCloseTo(5, within(1e-9));
        }
    }

    /** Words lie along what they measure and never upside down; lines keep their arcs. */
    @Test
    void dimensionsGoOntoTheDrawing() throws IOException {
        GridPoint at = new GridPoint(N0 + 1, E0 + 2);
        Fieldwork.Dimension dimension = new Fieldwork.Dimension(List.of(path(false, 0, 0, Double.NaN, 0.4, 10, 0, Double.NaN, 0)),
                List.of(new Fieldwork.Words("10.000 m", at, Optional.of(Angle.ofDegrees(200))),
                new Fieldwork.Words("78.5 m²\n", at.plus(5, 0), Optional.empty())));
        Fieldwork work = new Fieldwork("yard", "grid", NOWHERE, LengthUnit.METRE, new Codebook("", List.of()), List.of(), List.of(),
                List.of(dimension));
        ReadFile drawing = read("dimensions.dxf", dxf(work, DxfWriter.Lines.IN_SPACE, 0.01));
        assertThat(drawing.drawing().layers()).extracting(l -> l.name()).contains("dimensions");
        assertThat(drawing.drawing().runs().map(r -> r.path().bulge(0))).containsExactly(0.4);
        assertThat(drawing.drawing().features().stream().filter(Feature.Words.class::isInstance).map(Feature::name))
                .containsExactly("10.000 m", "78.5 m²");
        assertThat(dxf(work, DxfWriter.Lines.BOTH, 0.01)).contains("\r\n 50\r\n70.0\r\n", "\r\n 50\r\n0.0\r\n");
        StringWriter text = new StringWriter();
        GeoJsonWriter.write(work, plan -> Geographic.ofDegrees(57, 10), 0.01, text);
        assertThat(text.toString()).contains("\"name\":\"10.000 m\",\"kind\":\"dimension\",\"layer\":\"dimensions\"", "dimension line");
    }

    @Test
    void attributesAndNamesStandWithTheirBlocksOnOneLine() {
        String text = dxf(yard(LengthUnit.METRE), DxfWriter.Lines.BOTH, 0.01);
        assertThat(text).contains("\r\nLücke & Søn 2\r\n", "HEIGHT_OF_LAMP", "\r\n4.5\r\n", "\r\nKerbs_ all\r\n", "\r\nKerbs_ all 3D\r\n");
        assertThat(text).as("figures without exponents").contains("\r\n649010.987654321\r\n 20\r\n6314490.123456789\r\n");
    }

    /** Names that the forms keep for themselves, names that differ in capitals alone, and characters that no file may hold. */
    private static Fieldwork hostile() {
        List<Codebook.Row> rows = List.of(row("krb", "small", Kind.POINT, Marker.DOT, Line.SOLID, "yard", ""),
                row("KRB", "large", Kind.STRING, Marker.RING, Line.SOLID, "YARD", ""),
                row("point", "called so", Kind.POINT, Marker.CROSS, Line.SOLID, "0", ""),
                row("0", "nought", Kind.STRING, Marker.CROSS, Line.SOLID, "", ""));
        List<Fieldwork.Spot> points = List.of(new Fieldwork.Spot("a", new Code("krb"), Position.of(N0, E0, 1),
                new TreeMap<>(Map.of("name", "its own", "HEIGHT", "tall"))),
                new Fieldwork.Spot("b", new Code("KRB"), Position.of(N0, E0, 1), Map.of("bell", "\u0007<&>\"")),
                new Fieldwork.Spot("c", new Code("point"), Position.of(N0, E0, 1), Map.of()),
                new Fieldwork.Spot("d", Code.NONE, Position.of(N0, E0, 1), Map.of()));
        List<Fieldwork.Line> strings =
                List.of(new Fieldwork.Line("KRB 1", new Code("KRB"), List.of(path(false, 0, 0, 5, 0, 10, 0, 5, 0)), Map.of("code", "x")),
                new Fieldwork.Line("0 1", new Code("0"), List.of(path(false, 0, 0, 5, 0, 10, 0, 5, 0)), Map.of()));
        return new Fieldwork("a\nb", "grid", NOWHERE, LengthUnit.METRE, new Codebook("", rows), points, strings, List.of());
    }

    @Test
    void whatTheFormsKeepForThemselvesIsToldApart() throws IOException {
        String text = dxf(hostile(), DxfWriter.Lines.FLAT_WITH_ARCS, 0.01);
        Path audited = AUDITED.resolve("hostile.dxf");
        if (Boolean.getBoolean("fieldwork.write")) {
            Files.writeString(audited, text);
        }
        assertThat(text).isEqualToNormalizingNewlines(Files.readString(audited))
                .contains("\r\nkrb\r\n", "\r\nKRB_2\r\n", "\r\npoint_2\r\n", "ITS_NAME", "ITS_HEIGHT").doesNotContain("\u0007");
        assertThat(read("hostile.dxf", text).drawing().layers()).extracting(l -> l.name()).containsOnlyOnce("yard").doesNotContain("YARD");
        StringWriter xml = new StringWriter();
        LandXmlWriter.write(hostile(), "2026-03-14", "10:41:07", xml);
        assertThat(read("hostile.xml", xml.toString()).drawing().runs()).hasSize(2);
        StringWriter json = new StringWriter();
        GeoJsonWriter.write(hostile(), p -> Geographic.ofDegrees(56, 11), 0.01, json);
        assertThat(json.toString()).contains("\"its name\":\"its own\"", "\"its code\":\"x\"", "\"name\":\"a\"");
    }

    @Test
    void planFeaturesKeepArcsAsArcs() throws IOException {
        Fieldwork yard = yard(LengthUnit.METRE);
        StringWriter text = new StringWriter();
        LandXmlWriter.write(yard, "2026-03-14", "10:41:07", text);
        ReadFile back = read("yard.xml", text.toString());
        List<verge.core.plan.Path> paths = yard.strings().stream().flatMap(s -> s.paths().stream()).toList();
        List<Feature.Run> runs = back.drawing().runs().toList();
        assertThat(runs).hasSize(paths.size());
        for (int i = 0; i < runs.size(); i++) {
            assertThat(runs.get(i).path().length()).isCloseTo(paths.get(i).length(), within(1e-6));
            assertThat(runs.get(i).vertices().plan(0)).isEqualTo(paths.get(i).vertices().plan(0));
        }
        assertThat(back.drawing().spots().map(Feature.Spot::name)).startsWith("101", "102", "103");
        assertThat(text.toString()).contains("code=\"RLG\"", "label=\"material\" value=\"granite\"", "name=\"RLG 1 part 2\"");
    }

    @Test
    void geoJsonHasThePlacesOnTheEllipsoidAndNoHeightWhereThereIsNone() throws IOException {
        StringWriter text = new StringWriter();
        GeoJsonWriter.write(yard(LengthUnit.US_SURVEY_FOOT),
                p -> Geographic.ofDegrees((p.northing() - N0) / 1e5 + 56, (p.easting() - E0) / 1e5 + 11), 0.01, text);
        ReadFile back = read("yard.geojson", text.toString());
        assertThat(back.drawing().spots().count()).isEqualTo(13);
        assertThat(back.drawing().runs().count()).isEqualTo(6);
        Feature.Spot bare = back.drawing().spots().filter(s -> s.name().equals("102")).findFirst().orElseThrow();
        assertThat(bare.vertices().height(0)).isEmpty();
        assertThat(text.toString()).contains("\"code\":\"LMP\",\"meaning\":\"lamp post\",\"layer\":\"Lamps\"",
                "\"height of lamp\":\"4.5\"");
    }
}
