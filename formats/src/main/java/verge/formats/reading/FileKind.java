package verge.formats.reading;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Iterator;
import java.util.Locale;
import java.util.Set;

/** What a file is, found from its first bytes; its name's ending is not believed. */
public enum FileKind {
    /** A table of text: points, or codes. */
    TABLE("table of text", Set.of("csv", "txt", "tsv", "asc", "xyz", "pts", "dat")),
    DXF("DXF", Set.of("dxf")),
    LANDXML("LandXML", Set.of("xml", "landxml")),
    GEOJSON("GeoJSON", Set.of("geojson", "json")),
    GEOPACKAGE("GeoPackage", Set.of("gpkg")),
    KML("KML", Set.of("kml")),
    KMZ("KMZ", Set.of("kmz")),
    SHAPEFILE("shapefile", Set.of("shp", "zip")),
    /** Verge's own table of codes, as JSON. */
    CODEBOOK("codebook", Set.of("json")),
    BINARY_DXF("binary DXF", Set.of("dxf")),
    CLOSED_DRAWING("closed drawing", Set.of("dwg")),
    XML("other XML", Set.of()),
    ZIP("other archive", Set.of()),
    BINARY("other bytes", Set.of());

    private static final int HEAD_BYTES = 16_384;
    private static final byte[] SQLITE = "SQLite format 3\0".getBytes(StandardCharsets.ISO_8859_1);
    private static final byte[] ZIP_HEAD = {'P', 'K', 3, 4};
    private static final byte[] SHAPE_HEAD = {0, 0, 0x27, 0x0A};

    private final String title;
    private final Set<String> endings;

    FileKind(String title, Set<String> endings) {
        this.title = title;
        this.endings = endings;
    }

    public String title() {
        return title;
    }

    /** Whether a file's name ends as files of this kind usually do. */
    public boolean fits(String fileName) {
        return endings.contains(ending(fileName));
    }

    static String ending(String fileName) {
        return fileName.substring(fileName.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT);
    }

    public static FileKind of(Path file) throws IOException {
        byte[] head;
        try (InputStream in = Files.newInputStream(file)) {
            head = in.readNBytes(HEAD_BYTES);
        }
        if (startsWith(head, SQLITE)) {
            return GEOPACKAGE;
        }
        if (startsWith(head, SHAPE_HEAD)) {
            return SHAPEFILE;
        }
        if (startsWith(head, ZIP_HEAD)) {
            return Archive.kind(file);
        }
        String text = text(head);
        if (text.startsWith("AC10")) {
            return CLOSED_DRAWING;
        }
        if (text.substring(0, Math.min(text.length(), 40)).contains("Binary DXF")) {
            return BINARY_DXF;
        }
        return ofText(text.stripLeading());
    }

    private static FileKind ofText(String text) {
        if (text.startsWith("<")) {
            return text.contains("<LandXML") || text.contains(":LandXML") ? LANDXML : text.contains("<kml")
                    || text.contains(":kml") ? KML : XML;
        }
        if (text.startsWith("{") || text.startsWith("[")) {
            return text.contains("\"codebook\"") ? CODEBOOK : GEOJSON;
        }
        if (beginsWithSection(text)) {
            return DXF;
        }
        return text.chars().filter(c -> c < ' ' && c != '\t' && c != '\n' && c != '\r' && c != '\f')
                .count() > text.length() / 100 ? BINARY : TABLE;
    }

    /** Pairs of lines: remarks under code 999, then a section under code 0. */
    private static boolean beginsWithSection(String text) {
        Iterator<String> lines = text.lines().map(String::strip).iterator();
        while (lines.hasNext()) {
            String code = lines.next();
            String value = lines.hasNext() ? lines.next() : "";
            if (!code.equals("999")) {
                return code.equals("0") && value.equals("SECTION");
            }
        }
        return false;
    }

    /** The first bytes as letters, zeros of two-byte encodings dropped. */
    private static String text(byte[] head) {
        boolean wide = head.length > 3 && ((head[0] & 0xFF) >= 0xFE || head[0] == 0 || head[1] == 0);
        String letters = new String(head, StandardCharsets.ISO_8859_1);
        String plain = wide ? letters.replace("\0", "") : letters;
        return plain.startsWith("\u00EF\u00BB\u00BF") ? plain.substring(3) : plain.startsWith("\u00FF\u00FE")
                || plain.startsWith("\u00FE\u00FF") ? plain.substring(2) : plain;
    }

    private static boolean startsWith(byte[] head, byte[] mark) {
        return head.length >= mark.length && Arrays.equals(Arrays.copyOf(head, mark.length), mark);
    }
}
