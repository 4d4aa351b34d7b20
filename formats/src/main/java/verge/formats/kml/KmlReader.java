package verge.formats.kml;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.zip.ZipException;
import verge.core.plan.Vertices;
import verge.formats.reading.Archive;
import verge.formats.reading.Declared;
import verge.formats.reading.Figures;
import verge.formats.reading.FileKind;
import verge.formats.reading.Gatherer;
import verge.formats.reading.ReadFile;
import verge.formats.reading.Report.Why;
import verge.formats.reading.Shapes;
import verge.formats.reading.Watch;
import verge.formats.reading.Xml;

/**
 * Reads KML 2.2 and 2.3 (an OGC standard) and KMZ: places, lines, rings. Coordinates are longitude, latitude, height on WGS 84; a height
 * counts only where the shape says that it is meant ({@code altitudeMode} other than on the ground), as the standard has it.
 */
public final class KmlReader {
    private final Xml xml;
    private final Gatherer out;
    private final Shapes shapes;
    private final Deque<String> folders = new ArrayDeque<>();
    private int count;

    private KmlReader(Xml xml, Gatherer out) {
        this.xml = xml;
        this.out = out;
        this.shapes = new Shapes(out);
    }

    public static ReadFile read(Path file, Watch watch) throws IOException {
        try (InputStream in = watch.open(file)) {
            return read(in, FileKind.KML, new Gatherer(watch));
        }
    }

    /** The first KML in the archive: the standard's main document. Pictures and other KML beside it are not read, and told. */
    public static ReadFile readArchive(Path file, Watch watch) throws IOException {
        try (Archive archive = Archive.open(file, watch)) {
            String entry = archive.first("doc.kml").or(() -> archive.first(".kml"))
                    .orElseThrow(() -> watch.damaged("no KML in the archive"));
            Gatherer out = new Gatherer(watch);
            archive.others(Set.of(entry)::contains)
                    .forEach(other -> out.leaveOut("file of the archive", Why.NOT_READ, "\u2018" + other + "\u2019"));
            try (InputStream in = watch.watched(archive.bytes(entry))) {
                return read(in, FileKind.KMZ, out);
            }
        } catch (ZipException broken) {
            throw watch.damaged("the archive");
        }
    }

    private static ReadFile read(InputStream bytes, FileKind kind, Gatherer out) throws IOException {
        try (Xml xml = Xml.open(new BufferedInputStream(bytes), out.watch())) {
            new KmlReader(xml, out).container(0);
            return out.result(kind, Declared.LAT_LON);
        }
    }

    /** A document or folder; its own name comes before what is in it. */
    private void container(int depth) throws IOException {
        folders.push(folders.isEmpty() ? "" : folders.peek());
        while (xml.nextWithin(depth)) {
            switch (xml.name()) {
                case "kml", "Document" -> { }
                case "Folder" -> container(xml.depth());
                case "name" -> rename(xml.text().strip());
                case "Placemark" -> placemark();
                case "NetworkLink", "GroundOverlay", "ScreenOverlay", "PhotoOverlay" -> {
                    out.leaveOut(xml.name(), Why.NOT_READ, xml.where());
                    xml.skip();
                }
                default -> xml.skip();   // styles and views
            }
        }
        folders.pop();
    }

    private void rename(String name) {
        folders.pop();
        folders.push(name);
    }

    /** A row of places with what shape it is of. */
    private record Row(String kind, Vertices places, String mode) {
        boolean heightsMeant() {
            return !onTheGround() && !aboveIt();
        }

        boolean aboveIt() {
            return mode.toLowerCase(Locale.ROOT).startsWith("relativeto");
        }

        private boolean onTheGround() {
            return mode.toLowerCase(Locale.ROOT).startsWith("clampto");
        }
    }

    private void placemark() throws IOException {
        Map<String, String> about = new HashMap<>();
        List<Row> rows = new ArrayList<>();
        String where = "thing " + ++count + ", " + xml.where();
        int depth = xml.depth();
        while (xml.nextWithin(depth)) {
            switch (xml.name()) {
                case "name" -> about.put("name", xml.text().strip());
                case "description" -> about.put("description", xml.text().replaceAll("<[^>]*>", " ").replaceAll("\\s+", " ").strip());
                case "address", "phoneNumber", "Snippet", "when", "begin",
                        "end" -> about.putIfAbsent(Shapes.Attributes.key(xml.name()), xml.text().strip());
                case "Data" -> about.putIfAbsent(key(), value());
                case "SimpleData" -> about.putIfAbsent(key(), xml.text().strip());
                case "Point", "LineString", "LinearRing" -> shape(rows);
                case "Track", "MultiTrack", "Model" -> {
                    out.leaveOut(xml.name(), Why.NOT_READ, where);
                    xml.skip();
                }
                default -> { }   // what holds several shapes, or words about the place
            }
        }
        if (rows.isEmpty()) {
            out.leaveOut("Placemark", Why.NO_SHAPE, where);
        }
        Shapes.Attributes attributes = new Shapes.Attributes(about);
        for (Row row : rows) {
            if (!row.heightsMeant() && hasHeight(row.places())) {
                out.leaveOut(row.kind(), row.aboveIt() ? Why.ABOVE_GROUND : Why.HEIGHT_NOT_MEANT, where);
            }
            Vertices places = row.heightsMeant() ? row.places() : withoutHeights(row.places());
            if (row.kind().equals("Point")) {
                shapes.points("Point", out.layer(folders.peek()), attributes, places, where);
            } else {
                shapes.line(row.kind(), out.layer(folders.peek()), attributes, places, where);
            }
        }
    }

    private String key() {
        return Shapes.Attributes.key(xml.attribute("name").orElse(""));
    }

    private String value() throws IOException {
        String value = "";
        int depth = xml.depth();
        while (xml.nextWithin(depth)) {
            value = xml.name().equals("value") ? xml.text().strip() : value;
        }
        return value;
    }

    private void shape(List<Row> rows) throws IOException {
        String kind = xml.name();
        Vertices.Builder places = new Vertices.Builder();
        String mode = "clampToGround";
        int depth = xml.depth();
        while (xml.nextWithin(depth)) {
            if (xml.name().equals("altitudeMode")) {
                mode = xml.text().strip();
            } else if (xml.name().equals("coordinates")) {
                add(places, xml.text());
            }
        }
        rows.add(new Row(kind, places.build(), mode));
    }

    /** Tuples are parted by blanks, figures within one by commas. */
    private void add(Vertices.Builder places, String text) {
        String begun = "";
        int from = 0;
        while (from < text.length()) {
            int until = from;
            while (until < text.length() && !Character.isWhitespace(text.charAt(until))) {
                until++;
            }
            String tuple = begun + text.substring(from, until);
            double[] p = Figures.of(tuple);
            begun = p.length == 1 && tuple.endsWith(",") ? tuple : "";   // '11.4, 56.9': the blank parts nothing
            if (p.length > 0 && begun.isEmpty()) {
                places.add(p.length == 2 || p.length == 3 ? p[1] : Double.NaN, p[0], p.length > 2 ? p[2] : Double.NaN);
                out.checkGrowth(places.size());
            }
            from = until + 1;
        }
        if (!begun.isEmpty()) {
            places.add(Double.NaN, Double.NaN, Double.NaN);
        }
    }

    private static boolean hasHeight(Vertices places) {
        for (int i = 0; i < places.size(); i++) {
            if (places.height(i).orElse(0) != 0) {
                return true;
            }
        }
        return false;
    }

    private static Vertices withoutHeights(Vertices places) {
        Vertices.Builder flat = new Vertices.Builder();
        for (int i = 0; i < places.size(); i++) {
            flat.add(places.north(i), places.east(i));
        }
        return flat.build();
    }
}
