package verge.formats.geojson;

import java.io.CharConversionException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.ObjectReadContext;
import tools.jackson.core.json.JsonFactory;
import verge.core.drawing.FileSystem;
import verge.core.drawing.FileUnit;
import verge.core.plan.Vertices;
import verge.formats.fieldwork.GeoJsonWriter;
import verge.formats.reading.Declared;
import verge.formats.reading.FileKind;
import verge.formats.reading.Gatherer;
import verge.formats.reading.ReadFile;
import verge.formats.reading.Report.Why;
import verge.formats.reading.Shapes;
import verge.formats.reading.Watch;

/**
 * Reads GeoJSON (RFC 7946), token by token. Coordinates are longitude, latitude, height on WGS 84; an older file may name another system
 * under {@code crs}, and one whose figures cannot be degrees is taken to be in the job's grid.
 */
public final class GeoJsonReader {
    private static final Pattern CRS = Pattern.compile(".*EPSG:(?::|[\\d.]*:)?(\\d{4,6})");
    /** So many places in degrees for each that cannot be one. */
    private static final int MOSTLY = 3;
    private static final int DEEPEST = 5;

    private final JsonParser json;
    private final Gatherer out;
    private final Shapes shapes;
    private String layer = "";
    private Optional<FileSystem> system = Optional.empty();
    private long positions;
    private long beyond;
    private Optional<double[]> lastPosition = Optional.empty();
    private int count;

    private GeoJsonReader(JsonParser json, Gatherer out) {
        this.json = json;
        this.out = out;
        this.shapes = new Shapes(out);
    }

    public static ReadFile read(Path file, Watch watch) throws IOException {
        try (InputStream in = watch.open(file); JsonParser json = new JsonFactory().createParser(ObjectReadContext.empty(), in)) {
            GeoJsonReader reader = new GeoJsonReader(json, new Gatherer(watch));
            try {
                reader.readAll();
            } catch (JacksonException broken) {
                if (broken.getCause() instanceof IOException io && !(io instanceof CharConversionException)) {
                    throw io;
                }
                throw String.valueOf(broken.getMessage()).contains("Invalid UTF-8") ? watch.notItsEncoding("UTF-8", reader.where())
                        : watch.damaged(reader.where());
            }
            return reader.out.result(FileKind.GEOJSON, reader.declared());
        }
    }

    private Declared declared() {
        // By the format's own rule they are degrees; a few places beyond are mistakes of their own, and do not make metres of all the
        // others.
        if (system.isPresent() || beyond * MOSTLY <= positions) {
            return system.map(s -> Declared.eastNorth(Optional.of(s),
                    s instanceof FileSystem.LatLon ? Optional.of(FileUnit.METRE) : Optional.empty()))
                    .orElse(Declared.LAT_LON);
        }
        return Declared.eastNorth(Optional.empty(), Optional.empty());
    }

    private String where() {
        return "line " + json.currentTokenLocation().getLineNr() + ", column " + json.currentTokenLocation().getColumnNr();
    }

    private void readAll() {
        if (json.nextToken() != JsonToken.START_OBJECT) {
            throw out.watch().damaged(where());
        }
        object(new Thing());
        while (json.nextToken() != null) {   // a sequence: one feature a line, without a collection round them
            if (json.currentToken() != JsonToken.START_OBJECT) {
                throw out.watch().damaged(where());
            }
            object(new Thing());
        }
    }

    /** A shape with the coordinates of its parts, however deep they are nested. */
    private record Part(String type, List<Vertices> rows) {
    }

    /** What has been read of a feature or a bare geometry; its members may come in any order. */
    private static final class Thing {
        private String type = "";
        private String id = "";
        private List<Vertices> rows = new ArrayList<>();
        private final List<Part> parts = new ArrayList<>();
        private Map<String, String> attributes = Map.of();
    }

    /** Reads the object just begun; a feature in it is handed over at once, so that no list of features is kept. */
    private void object(Thing thing) {
        String where = where();
        boolean whole = json.streamReadContext().getParent().inRoot();   // a feature's own name or system is not that of all
        while (json.nextToken() == JsonToken.PROPERTY_NAME) {
            String member = json.currentName();
            JsonToken value = json.nextToken();
            switch (member) {
                case "type" -> thing.type = text(value);
                case "name" -> layer = whole && !thing.type.equals("Feature") ? text(value) : passOver(member, layer);
                case "features" -> features(value);
                case "geometries" -> geometries(value, thing);
                case "geometry" -> geometry(value, thing);
                case "coordinates" -> coordinates(value, thing.rows, 0);
                case "properties" -> thing.attributes = properties(value);
                case "crs" -> system = whole ? system(properties(value)) : passOver(member, system);
                case "id" -> thing.id = text(value);
                case GeoJsonWriter.HEIGHTS -> {
                    out.noughtsAreHeights();   // and where there is none, a place has two figures
                    json.skipChildren();
                }
                case "bbox" -> json.skipChildren();   // follows from the places
                default -> passOver(member, thing);
            }
        }
        if (json.currentToken() != JsonToken.END_OBJECT) {
            throw out.watch().damaged(where());
        }
        if (!thing.rows.isEmpty()) {
            thing.parts.add(new Part(thing.type, thing.rows));
        }
        if (thing.type.equals("Feature") || !thing.type.equals("FeatureCollection") && json.streamReadContext().inRoot()) {
            handOver(thing, where);
        }
    }

    /** Leaves things as they are, and tells so. */
    private <T> T passOver(String member, T before) {
        out.leaveOut("member \u2018" + member + "\u2019", Why.NOT_READ, where());
        json.skipChildren();
        return before;
    }

    private String text(JsonToken value) {
        String text = value.isScalarValue() ? json.getString() : "";
        json.skipChildren();
        return text;
    }

    private void features(JsonToken value) {
        if (value != JsonToken.START_ARRAY) {
            json.skipChildren();
            return;
        }
        while (json.nextToken() == JsonToken.START_OBJECT) {
            object(new Thing());
        }
        if (json.currentToken() != JsonToken.END_ARRAY) {
            throw out.watch().damaged(where());
        }
    }

    private void geometry(JsonToken value, Thing thing) {
        if (value == JsonToken.START_OBJECT) {
            Thing inner = new Thing();
            object(inner);
            thing.parts.addAll(inner.parts);
        } else {
            json.skipChildren();
        }
    }

    private void geometries(JsonToken value, Thing thing) {
        if (value != JsonToken.START_ARRAY) {
            json.skipChildren();
            return;
        }
        while (json.nextToken() == JsonToken.START_OBJECT) {
            geometry(JsonToken.START_OBJECT, thing);
            out.limit("shapes of one thing", thing.parts.size(), Gatherer.MOST_FEATURES);
        }
    }

    /**
     * The array just begun: a position is a row of one; positions in it make one row; arrays of positions make a row each, in the order
     * in which they stand.
     */
    private void coordinates(JsonToken value, List<Vertices> rows, int depth) {
        if (value != JsonToken.START_ARRAY || depth > DEEPEST) {
            json.skipChildren();
            return;
        }
        if (level(rows, depth)) {
            double[] p = lastPosition.orElseThrow();
            rows.add(new Vertices.Builder().add(p[1], p[0], p[2]).build());
        }
    }

    /** Reads one level of nesting. @return whether it was a position, now in {@link #lastPosition} */
    private boolean level(List<Vertices> rows, int depth) {
        Vertices.Builder row = new Vertices.Builder();
        double[] p = {Double.NaN, Double.NaN, Double.NaN};
        int figures = 0;
        boolean arrays = false;
        for (JsonToken token = json.nextToken(); token != JsonToken.END_ARRAY && token != null; token = json.nextToken()) {
            if (token == JsonToken.START_ARRAY && depth < DEEPEST) {
                arrays = true;
                if (level(rows, depth + 1)) {
                    double[] q = lastPosition.orElseThrow();
                    row.add(q[1], q[0], q[2]);
                    out.checkGrowth(row.size());
                }
            } else if (token.isScalarValue()) {
                if (figures < p.length && token.isNumeric()) {
                    p[figures] = json.getDoubleValue();
                }
                figures++;
            } else {
                json.skipChildren();
            }
        }
        if (row.size() > 0) {
            rows.add(row.build());
        }
        if (arrays || figures == 0) {
            return false;
        }
        if (figures > p.length) {
            out.leaveOut("figure behind the height of a place", Why.NOT_READ, where());
        }
        lastPosition = Optional.of(p);
        positions++;
        beyond += Math.abs(p[0]) <= Gatherer.LARGEST_LONGITUDE && Math.abs(p[1]) <= Gatherer.LARGEST_LONGITUDE ? 0 : 1;
        return true;
    }

    private Map<String, String> properties(JsonToken value) {
        Map<String, String> found = new HashMap<>();
        if (value != JsonToken.START_OBJECT) {
            json.skipChildren();
            return found;
        }
        while (json.nextToken() == JsonToken.PROPERTY_NAME) {
            String key = Shapes.Attributes.key(json.currentName());
            JsonToken token = json.nextToken();
            if (token.isScalarValue() && token != JsonToken.VALUE_NULL) {
                found.put(key, json.getString());
            } else if (token == JsonToken.START_OBJECT && key.equals("properties")) {
                found.putAll(properties(token));   // a system's name lies one deeper
            } else if (token != JsonToken.VALUE_NULL) {
                out.leaveOut("attribute \u2018" + key + "\u2019", Why.NOT_READ, where());
                json.skipChildren();
            }
        }
        return found;
    }

    private static Optional<FileSystem> system(Map<String, String> members) {
        String name = members.getOrDefault("name", "");
        Matcher m = CRS.matcher(name);
        if (m.matches()) {
            return Optional.of(m.group(1).equals("4326") ? FileSystem.LAT_LON : new FileSystem.Published("EPSG:" + m.group(1)));
        }
        return name.endsWith("CRS84") ? Optional.of(FileSystem.LAT_LON) : Optional.empty();
    }

    private void handOver(Thing thing, String where) {
        String number = "thing " + ++count + ", " + where;
        Map<String, String> attributes = new HashMap<>(thing.attributes);
        if (!thing.id.isBlank()) {
            attributes.putIfAbsent("id", thing.id);
        }
        Shapes.Attributes about = new Shapes.Attributes(attributes);
        String own = about.layer().isEmpty() ? layer : about.layer();
        if (thing.parts.isEmpty()) {
            out.leaveOut(thing.type.isEmpty() ? "object" : thing.type, Why.NO_SHAPE, number);
        }
        for (Part part : thing.parts) {
            int on = out.layer(own);
            switch (part.type()) {
                case "Point", "MultiPoint" -> part.rows().forEach(row -> shapes.points(part.type(), on, about, row, number));
                case "LineString", "MultiLineString", "Polygon", "MultiPolygon" -> part.rows()
                        .forEach(row -> shapes.line(part.type(), on, about, row, number));
                default -> out.leaveOut(part.type().isEmpty() ? "geometry" : part.type(), Why.NOT_READ, number);
            }
        }
    }
}
