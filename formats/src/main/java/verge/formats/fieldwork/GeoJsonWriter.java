package verge.formats.fieldwork;

import java.io.Writer;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.IntStream;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.ObjectWriteContext;
import tools.jackson.core.json.JsonFactory;
import verge.core.coding.Code;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GridPoint;
import verge.core.plan.Path;
import verge.core.plan.Vertices;

/**
 * Writes a drawing as GeoJSON (RFC 7946): longitude, latitude and, where there is one, the elevation in metres, and says so. Arcs become
 * chords.
 */
public final class GeoJsonWriter {
    /** Members that every feature has; an attribute of the same name is told apart. */
    private static final Set<String> OWN = Set.of("name", "kind", "code", "meaning", "layer");

    /** A member of the whole: what the third figures of places are. The format itself would have them over the ellipsoid. */
    public static final String HEIGHTS = "heights";

    private GeoJsonWriter() {
    }

    /**
     * @param geographic where a place of the grid lies on the ellipsoid
     * @param sagittaMetres how far chords may leave an arc
     */
    public static void write(Fieldwork work, Function<GridPoint, Geographic> geographic, double sagittaMetres, Writer out) {
        try (JsonGenerator json = new JsonFactory().createGenerator(ObjectWriteContext.empty(), out)) {
            json.writeStartObject();
            json.writeStringProperty("type", "FeatureCollection");
            json.writeStringProperty("name", work.job());
            json.writeStringProperty("measuredIn", work.system());
            json.writeStringProperty(HEIGHTS, "elevations in metres, " + work.heights() + "; not over the ellipsoid");
            json.writeArrayPropertyStart("features");
            work.points().forEach(p -> {
                begin(json, "Point");
                place(json, geographic, p.position().plan(), p.position().elevation().map(Elevation::metres).orElse(Double.NaN));
                properties(json, work, p.name(), p.code(), p.attributes(), "point");
            });
            for (Fieldwork.Line string : work.strings()) {
                for (Path path : string.paths()) {
                    line(json, geographic, path.chords(sagittaMetres));
                    properties(json, work, string.name(), string.code(), string.attributes(), path.closed() ? "ring" : "string");
                }
            }
            for (Fieldwork.Dimension dimension : work.dimensions()) {
                for (Path path : dimension.lines()) {
                    line(json, geographic, path.chords(sagittaMetres));
                    dimension(json, "", "dimension line");
                }
                for (Fieldwork.Words words : dimension.words()) {
                    begin(json, "Point");
                    place(json, geographic, words.at(), Double.NaN);
                    dimension(json, words.text(), "dimension");
                }
            }
            json.writeEndArray();
            json.writeEndObject();
        }
    }

    private static void line(JsonGenerator json, Function<GridPoint, Geographic> geographic, Vertices chords) {
        begin(json, "LineString");
        json.writeStartArray();
        IntStream.range(0, chords.size()).forEach(i -> place(json, geographic, chords.plan(i), chords.height(i).orElse(Double.NaN)));
        json.writeEndArray();
    }

    private static void dimension(JsonGenerator json, String text, String kind) {
        json.writeEndObject();
        json.writeObjectPropertyStart("properties");
        json.writeStringProperty("name", text);
        json.writeStringProperty("kind", kind);
        json.writeStringProperty("layer", Fieldwork.DIMENSIONS);
        json.writeEndObject();
        json.writeEndObject();
    }

    private static void begin(JsonGenerator json, String type) {
        json.writeStartObject();
        json.writeStringProperty("type", "Feature");
        json.writeObjectPropertyStart("geometry");
        json.writeStringProperty("type", type);
        json.writeName("coordinates");
    }

    private static void place(JsonGenerator json, Function<GridPoint, Geographic> geographic, GridPoint plan, double height) {
        Geographic at = geographic.apply(plan);
        json.writeStartArray();
        json.writeNumber(at.longitude().degrees());
        json.writeNumber(at.latitude().degrees());
        if (!Double.isNaN(height)) {
            json.writeNumber(height);
        }
        json.writeEndArray();
    }

    private static void properties(JsonGenerator json, Fieldwork work, String name, Code code, Map<String, String> attributes,
            String kind) {
        json.writeEndObject();
        json.writeObjectPropertyStart("properties");
        json.writeStringProperty("name", name);
        json.writeStringProperty("kind", kind);
        json.writeStringProperty("code", code.text());
        json.writeStringProperty("meaning", work.meaning(code));
        json.writeStringProperty("layer", work.layer(code));
        attributes.forEach((attribute, answer) ->
                json.writeStringProperty(OWN.contains(attribute) ? "its " + attribute : attribute, answer));
        json.writeEndObject();
        json.writeEndObject();
    }
}
