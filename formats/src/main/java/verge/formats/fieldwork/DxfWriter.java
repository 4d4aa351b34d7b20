package verge.formats.fieldwork;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import verge.core.coding.Attribute;
import verge.core.coding.Code;
import verge.core.coding.Codebook;
import verge.core.geodesy.Elevation;
import verge.core.plan.Path;
import verge.core.plan.Vertices;
import verge.core.units.LengthUnit;

/**
 * Writes a drawing as DXF (AutoCAD 2007 form, text in UTF-8): a layer for each of the codebook's, a block with its marker and its
 * attributes for each code, strings as flat polylines with true arcs, as polylines in space, or both.
 */
public final class DxfWriter {
    private static final String MODEL = "1F";
    private static final String PAPER = "1B";
    private static final int WHITE = 7;
    /** Hues that are told apart on dark and on light; groups take them in turn. */
    private static final int[] HUES = {30, 94, 150, 210, 14, 54, 174, 230, 84, 34};
    private static final String IN_SPACE = " 3D";
    private static final List<String> OWN_TAGS = List.of("NAME", "CODE", "HEIGHT");
    private static final Map<Codebook.Line, double[]> DASHES = Map.of(Codebook.Line.DASHED, new double[] {0.6, -0.35}, Codebook.Line.DOTTED,
            new double[] {0, -0.35},
            Codebook.Line.DASH_DOT, new double[] {0.7, -0.25, 0, -0.25});

    /** How strings are drawn. */
    public enum Lines { FLAT_WITH_ARCS, IN_SPACE, BOTH }

    /**
     * @param sagittaMetres how far the chords of a polyline in space may leave an arc
     * @param markerMetres how large markers and their words are
     */
    public record Options(Lines lines, double sagittaMetres, double markerMetres) {
    }

    /** How high words of dimensions are, as a part of a marker. */
    private static final double WORDS_OF_MARKER = 0.4;

    private final Fieldwork work;
    private final Options options;
    private final DxfSheet sheet;
    private final Map<String, Integer> layers = new LinkedHashMap<>();
    private final Map<String, Code> blocks = new LinkedHashMap<>();
    /** Names as they were first spelled: to the format capitals make no difference. */
    private final Map<String, String> spelled = new HashMap<>(Map.of("0", "0"));
    private final Map<Code, String> blockOf = new HashMap<>();

    private DxfWriter(Fieldwork work, Options options, Appendable out) {
        this.work = work;
        this.options = options;
        this.sheet = new DxfSheet(out);
    }

    public static void write(Fieldwork work, Options options, Appendable out) {
        new DxfWriter(work, options, out).write();
    }

    private void write() {
        List<String> groups = work.book().rows().stream().map(Codebook.Row::group).distinct().toList();
        work.codes().forEach(code -> {
            int hue = work.book().row(code).map(row -> HUES[groups.indexOf(row.group()) % HUES.length]).orElse(WHITE);
            layers.putIfAbsent(layer(work.layer(code)), hue);
            if (options.lines() == Lines.BOTH && work.strings().stream().anyMatch(s -> s.code().equals(code))) {
                layers.putIfAbsent(layer(work.layer(code) + IN_SPACE), hue);
            }
        });
        if (!work.dimensions().isEmpty()) {
            layers.putIfAbsent(layer(Fieldwork.DIMENSIONS), WHITE);
        }
        layers.remove("0");   // it is in every drawing
        work.points().stream().map(Fieldwork.Spot::code).distinct().forEach(this::addBlock);
        header();
        tables();
        blocks();
        sheet.section("ENTITIES");
        work.points().forEach(this::point);
        work.strings().forEach(this::string);
        work.dimensions().forEach(this::dimension);
        sheet.endSection();
        objects();
        sheet.put(0, "EOF");
    }

    /** As a name in a table may be: what the format keeps for itself becomes a stroke. */
    private static String name(String text) {
        return text.replaceAll("[<>/\\\\\":;?*|=,`\\p{Cntrl}]", "_");
    }

    private String layer(String wanted) {
        String name = name(wanted);
        return spelled.computeIfAbsent(name.toLowerCase(Locale.ROOT), first -> name);
    }

    /** Codes that differ in capitals alone, or are called like the block of points without one, have blocks of their own. */
    private void addBlock(Code code) {
        String wanted = code.equals(Code.NONE) ? "point" : name(code.text());
        String name = wanted;
        for (int i = 2; taken(name); i++) {
            name = wanted + "_" + i;
        }
        blocks.put(name, code);
        blockOf.put(code, name);
    }

    private boolean taken(String name) {
        return blocks.keySet().stream().anyMatch(name::equalsIgnoreCase);
    }

    private void header() {
        sheet.put(999, oneLine(work.job() + ". " + work.system()));
        sheet.section("HEADER").put(9, "$ACADVER").put(1, "AC1021").put(9, "$DWGCODEPAGE").put(3, "ANSI_1252").put(9, "$INSUNITS")
                .put(70, insertUnits(work.unit()))
                .put(9, "$HANDSEED").put(5, "7FFFFFFF").put(9, "$LTSCALE").put(40, 1.0).put(9, "$PDMODE").put(70, 0).endSection();
        sheet.section("CLASSES").endSection();
    }

    private static String oneLine(String text) {
        return text.replaceAll("\\p{Cntrl}", " ");
    }

    private static int insertUnits(LengthUnit unit) {
        return switch (unit) {
            case METRE -> 6;
            case INTERNATIONAL_FOOT -> 2;
            case US_SURVEY_FOOT -> 21;
        };
    }

    private void tables() {
        sheet.section("TABLES");
        sheet.table("VPORT", "8", 0).endTable();
        sheet.table("LTYPE", "5", 3 + DASHES.size());
        for (String fixed : List.of("ByBlock", "ByLayer", "Continuous")) {
            lineType(fixed, new double[0]);
        }
        DASHES.keySet().stream().sorted().forEach(line -> lineType(line.name(), DASHES.get(line)));
        sheet.endTable();
        sheet.table("LAYER", "2", layers.size() + 1);
        layer("0", WHITE, "Continuous");
        layers.forEach((layer, hue) -> layer(layer, hue, lineType(layer)));
        sheet.endTable();
        sheet.table("STYLE", "3", 1).record("STYLE", sheet.nextHandle(), "3", "AcDbTextStyleTableRecord", "Standard").put(70, 0)
                .put(40, 0.0).put(41, 1.0).put(50, 0.0).put(71, 0).put(42, 1.0).put(3, "txt").put(4, "").endTable();
        sheet.table("VIEW", "6", 0).endTable();
        sheet.table("UCS", "7", 0).endTable();
        sheet.table("APPID", "9", 1).record("APPID", sheet.nextHandle(), "9", "AcDbRegAppTableRecord", "ACAD").put(70, 0).endTable();
        sheet.table("DIMSTYLE", "A", 1).put(100, "AcDbDimStyleTable")
                .record("DIMSTYLE", sheet.nextHandle(), "A", "AcDbDimStyleTableRecord", "Standard").put(70, 0).endTable();
        sheet.table("BLOCK_RECORD", "1", blocks.size() + 2);
        sheet.record("BLOCK_RECORD", MODEL, "1", "AcDbBlockTableRecord", "*Model_Space").put(340, "0");
        sheet.record("BLOCK_RECORD", PAPER, "1", "AcDbBlockTableRecord", "*Paper_Space").put(340, "0");
        blocks.keySet().forEach(block -> sheet.record("BLOCK_RECORD", blockHandle(block), "1", "AcDbBlockTableRecord", block)
                .put(340, "0"));
        sheet.endTable().endSection();
    }

    /** Handles of block records: from a row of their own, since they are named before and after. */
    private String blockHandle(String block) {
        return Integer.toHexString(0x40000000 + new ArrayList<>(blocks.keySet()).indexOf(block)).toUpperCase(Locale.ROOT);
    }

    private void lineType(String name, double[] dashes) {
        sheet.record("LTYPE", sheet.nextHandle(), "5", "AcDbLinetypeTableRecord", name).put(70, 0).put(3, "").put(72, 65)
                .put(73, dashes.length);
        double whole = 0;
        for (double dash : dashes) {
            whole += Math.abs(dash);
        }
        sheet.put(40, work.inUnit(whole));
        for (double dash : dashes) {
            sheet.put(49, work.inUnit(dash)).put(74, 0);
        }
    }

    private void layer(String name, int hue, String lineType) {
        sheet.record("LAYER", sheet.nextHandle(), "2", "AcDbLayerTableRecord", name).put(70, 0).put(62, hue).put(6, lineType).put(390, "0");
    }

    /** What the first code of a layer has for its strings. */
    private String lineType(String layer) {
        return work.codes().stream().filter(code -> layer(work.layer(code)).equals(layer) || layer(work.layer(code) + IN_SPACE)
                .equals(layer)).map(code -> work.book().line(code)).filter(DASHES::containsKey)
                .map(Enum::name).findFirst().orElse("Continuous");
    }

    private void blocks() {
        sheet.section("BLOCKS");
        block(MODEL, "*Model_Space", () -> { });
        block(PAPER, "*Paper_Space", () -> { });
        blocks.forEach((name, code) -> block(blockHandle(name), name, () -> {
            DxfMarkers.draw(sheet, blockHandle(name), work.book().marker(code));
            int row = 0;
            for (String tag : tags(code)) {
                sheet.entity("ATTDEF", blockHandle(name), "0", "AcDbText").place(10, 0.6, -0.5 * row++, 0).put(40, 0.4).put(1, "")
                        .put(100, "AcDbAttributeDefinition").put(3, tag).put(2, tag).put(70, 0);
            }
        }));
        sheet.endSection();
    }

    private void block(String record, String name, Runnable content) {
        sheet.put(0, "BLOCK").put(5, sheet.nextHandle()).put(330, record).put(100, "AcDbEntity").put(8, "0").put(100, "AcDbBlockBegin")
                .put(2, name).put(70, 0).place(10, 0, 0, 0).put(3, name).put(1, "");
        content.run();
        sheet.put(0, "ENDBLK").put(5, sheet.nextHandle()).put(330, record).put(100, "AcDbEntity").put(8, "0").put(100, "AcDbBlockEnd");
    }

    /** What a block of a code tells: name, code and height, then what the book asks for. */
    private Set<String> tags(Code code) {
        Set<String> tags = new LinkedHashSet<>(OWN_TAGS);
        work.book().row(code).ifPresent(row -> row.attributes().stream().map(Attribute::name).map(DxfWriter::tag).forEach(tags::add));
        work.points().stream().filter(p -> p.code().equals(code)).flatMap(p -> p.attributes().keySet().stream()).map(DxfWriter::tag)
                .forEach(tags::add);
        return tags;
    }

    private static String tag(String attribute) {
        String tag = attribute.strip().toUpperCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]+", "_");
        return OWN_TAGS.contains(tag) ? "ITS_" + tag : tag;
    }

    private void point(Fieldwork.Spot p) {
        String layer = layer(work.layer(p.code()));
        double east = work.inUnit(p.position().plan().easting());
        double north = work.inUnit(p.position().plan().northing());
        double height = p.position().elevation().map(Elevation::metres).map(work::inUnit).orElse(0.0);
        double size = work.inUnit(options.markerMetres());
        sheet.put(0, "INSERT").put(5, sheet.nextHandle()).put(330, MODEL).put(100, "AcDbEntity").put(8, layer)
                .put(100, "AcDbBlockReference").put(66, 1).put(2, blockOf.get(p.code()))
                .place(10, east, north, height).put(41, size).put(42, size).put(43, size);
        Map<String, String> values = new LinkedHashMap<>();
        values.put("NAME", p.name());
        values.put("CODE", p.code().text());
        // An absent height is an empty attribute: the point lies at 0 only because the format has no other place for it.
        values.put("HEIGHT", p.position().elevation().map(e -> PlainNumber.of(work.inUnit(e.metres()))).orElse(""));
        p.attributes().forEach((name, value) -> values.put(tag(name), value));
        int row = 0;
        for (String tag : tags(p.code())) {
            sheet.entity("ATTRIB", MODEL, layer, "AcDbText").place(10, east + 0.6 * size, north - 0.5 * size * row++, height)
                    .put(40, 0.4 * size).put(1, oneLine(values.getOrDefault(tag, "")))
                    .put(100, "AcDbAttribute").put(2, tag).put(70, tag.equals("NAME") ? 0 : 1);   // the name is seen, the others are read
        }
        sheet.put(0, "SEQEND").put(5, sheet.nextHandle()).put(330, MODEL).put(100, "AcDbEntity").put(8, layer);
    }

    private void string(Fieldwork.Line string) {
        for (Path path : string.paths()) {
            if (options.lines() != Lines.IN_SPACE) {
                flat(path, layer(work.layer(string.code())));
            }
            if (options.lines() != Lines.FLAT_WITH_ARCS) {
                inSpace(path, layer(work.layer(string.code()) + (options.lines() == Lines.BOTH ? IN_SPACE : "")));
            }
        }
    }

    private void dimension(Fieldwork.Dimension dimension) {
        String layer = layer(Fieldwork.DIMENSIONS);
        dimension.lines().forEach(path -> flat(path, layer));
        for (Fieldwork.Words words : dimension.words()) {
            double east = work.inUnit(words.at().easting());
            double north = work.inUnit(words.at().northing());
            // From the east anticlockwise, and never upside down.
            double turned = words.along().map(azimuth -> azimuth.halfCircle().degrees() < 0 ? -90 - azimuth.halfCircle()
                    .degrees() : 90 - azimuth.halfCircle().degrees()).orElse(0.0);
            sheet.entity("TEXT", MODEL, layer, "AcDbText").place(10, east, north, 0)
                    .put(40, work.inUnit(WORDS_OF_MARKER * options.markerMetres())).put(1, oneLine(words.text())).put(50, turned).put(72, 1)
                    .place(11, east, north, 0).put(100, "AcDbText").put(73, 1);
        }
    }

    private void flat(Path path, String layer) {
        Vertices v = path.vertices();
        sheet.entity("LWPOLYLINE", MODEL, layer, "AcDbPolyline").put(90, v.size()).put(70, path.closed() ? 1 : 0);
        for (int i = 0; i < v.size(); i++) {
            sheet.put(10, work.inUnit(v.east(i))).put(20, work.inUnit(v.north(i)));
            if (i < path.pieces() && path.bulge(i) != 0) {
                sheet.put(42, path.bulge(i));
            }
        }
    }

    private void inSpace(Path path, String layer) {
        Vertices v = path.chords(options.sagittaMetres());
        int size = path.closed() ? v.size() - 1 : v.size();   // closed by its flag, not by its first vertex once more
        sheet.entity("POLYLINE", MODEL, layer, "AcDb3dPolyline").put(66, 1).place(10, 0, 0, 0).put(70, path.closed() ? 9 : 8);
        for (int i = 0; i < size; i++) {
            sheet.put(0, "VERTEX").put(5, sheet.nextHandle()).put(330, MODEL).put(100, "AcDbEntity").put(8, layer).put(100, "AcDbVertex")
                    .put(100, "AcDb3dPolylineVertex")
                    .place(10, work.inUnit(v.east(i)), work.inUnit(v.north(i)), work.inUnit(v.height(i).orElse(0))).put(70, 32);
        }
        sheet.put(0, "SEQEND").put(5, sheet.nextHandle()).put(330, MODEL).put(100, "AcDbEntity").put(8, layer);
    }

    private void objects() {
        sheet.section("OBJECTS");
        sheet.put(0, "DICTIONARY").put(5, "C").put(330, "0").put(100, "AcDbDictionary").put(281, 1).put(3, "ACAD_GROUP").put(350, "D");
        sheet.put(0, "DICTIONARY").put(5, "D").put(330, "C").put(100, "AcDbDictionary").put(281, 1);
        sheet.endSection();
    }
}
