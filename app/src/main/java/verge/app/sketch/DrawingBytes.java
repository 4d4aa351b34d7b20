package verge.app.sketch;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.ByteArrayOutputStream;
import java.util.List;
import java.util.function.Predicate;
import org.springframework.stereotype.Component;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.json.JsonMapper;
import verge.app.drawing.PlacedFile;
import verge.core.drawing.Drawing;
import verge.core.drawing.Feature;
import verge.core.floor.WorkFloor;
import verge.core.geodesy.GridPoint;
import verge.core.plan.Vertices;

/**
 * A drawing as the sketch fetches it: rows of whole numbers, tenths of a millimetre from an origin near its middle, since a hundred
 * thousand points as objects would take the browser seconds to read.
 */
@Component
class DrawingBytes {
    private static final double PER_METRE = 10_000;
    private static final double SAGITTA_METRES = 0.002;
    private static final long MOST_BYTES = 96_000_000;

    private final JsonMapper json;
    /** By the drawing itself: one that is read or placed anew is another. */
    private final Cache<Drawing, byte[]> written = Caffeine.newBuilder().weakKeys().maximumWeight(MOST_BYTES)
            .weigher((Drawing d, byte[] b) -> b.length).build();

    DrawingBytes(JsonMapper json) {
        this.json = json;
    }

    /** @param floor what is not of the floor that is worked on is left out; such a part is not kept */
    byte[] of(PlacedFile placed, WorkFloor floor) {
        return floor.here().isPresent() ? write(placed.drawing(), f -> floor.holds(f.vertices()))
                : written.get(placed.drawing(), d -> write(d, f -> true));
    }

    private byte[] write(Drawing drawing, Predicate<Feature> wanted) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream(1 << 16);
        GridPoint origin = drawing.extent().isEmpty() ? new GridPoint(0, 0) : drawing.extent().middle();
        GridPoint whole = new GridPoint(Math.rint(origin.northing()), Math.rint(origin.easting()));
        try (JsonGenerator out = json.createGenerator(bytes)) {
            out.writeStartObject();
            out.writeNumberProperty("north", whole.northing());
            out.writeNumberProperty("east", whole.easting());
            out.writeArrayPropertyStart("features");
            List<Feature> features = drawing.features();
            for (int i = 0; i < features.size(); i++) {
                if (wanted.test(features.get(i))) {
                    write(out, features.get(i), i, whole);
                }
            }
            out.writeEndArray();
            out.writeEndObject();
        }
        return bytes.toByteArray();
    }

    /** A letter for its kind, its number, its layer, its name, what is its own, then east and north of each vertex. */
    private static void write(JsonGenerator out, Feature feature, int index, GridPoint origin) {
        out.writeStartArray();
        String kind = feature instanceof Feature.Spot ? "p" : feature instanceof Feature.Words ? "w" : feature instanceof Feature.Facets
                ? "t" : feature instanceof Feature.Axis ? "a" : "l";
        out.writeString(kind);
        out.writeNumber(index);
        out.writeNumber(feature.layer());
        out.writeString(feature.name());
        if (feature instanceof Feature.Spot spot) {
            out.writeString(spot.code());
            places(out, spot.vertices(), origin);
        } else if (feature instanceof Feature.Words words) {
            out.writeNumber(words.height());
            places(out, words.vertices(), origin);
        } else if (feature instanceof Feature.Run run) {
            out.writeNumber(run.colour().orElse(-1));
            places(out, run.path().chords(SAGITTA_METRES), origin);
        } else if (feature instanceof Feature.Facets facets) {
            out.writeStartArray();
            for (int corner : facets.surface().triangles()) {
                out.writeNumber(corner);
            }
            out.writeEndArray();
            places(out, facets.vertices(), origin);
        } else {
            out.writeNumber(-1);
            places(out, feature.vertices(), origin);
        }
        out.writeEndArray();
    }

    private static void places(JsonGenerator out, Vertices places, GridPoint origin) {
        out.writeStartArray();
        for (int i = 0; i < places.size(); i++) {
            out.writeNumber(Math.round((places.east(i) - origin.easting()) * PER_METRE));
            out.writeNumber(Math.round((places.north(i) - origin.northing()) * PER_METRE));
        }
        out.writeEndArray();
    }
}
