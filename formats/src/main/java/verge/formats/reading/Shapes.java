package verge.formats.reading;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import verge.core.plan.Path;
import verge.core.plan.Vertices;

/**
 * Hands the simple shapes of geographic files over: points, lines, rings. Names and codes come from whichever attribute is usually called
 * so.
 */
public final class Shapes {
    private static final List<String> NAME_KEYS = List.of("name", "point", "pointname", "pt", "id", "no", "nr", "number", "label");
    private static final List<String> CODE_KEYS = List.of("code", "feature", "type", "description", "desc");
    private static final Set<String> HEIGHT_KEYS = Set.of("elevation", "elev", "height", "z", "h");
    private static final double CLOSED = 0;

    private final Gatherer out;

    public Shapes(Gatherer out) {
        this.out = out;
    }

    /** What is known of a thing beside its shape, by lower-case key. */
    public record Attributes(Map<String, String> values) {
        public static final Attributes NONE = new Attributes(Map.of());

        String name() {
            return first(NAME_KEYS);
        }

        String code() {
            return first(CODE_KEYS);
        }

        /** A height written as an attribute, where the shape itself has none; NaN if there is none either. */
        double height() {
            return values.entrySet().stream().filter(e -> HEIGHT_KEYS.contains(e.getKey())).mapToDouble(e -> Figures.one(e.getValue()))
                    .filter(Double::isFinite).findFirst().orElse(Double.NaN);
        }

        /** The layer it says it is on; empty if it does not. */
        public String layer() {
            return values.getOrDefault("layer", "");
        }

        private String first(List<String> keys) {
            return keys.stream().map(values::get).filter(v -> v != null && !v.isBlank()).findFirst().orElse("");
        }

        public static String key(String written) {
            return written.strip().toLowerCase(Locale.ROOT);
        }
    }

    /** Points, one or several. */
    public void points(String kind, int layer, Attributes about, Vertices places, String where) {
        for (int i = 0; i < places.size(); i++) {
            out.spot(kind, layer, places.size() == 1 ? about.name() : "", about.code(), places.north(i), places.east(i),
                    places.height(i).orElse(about.height()), where);
        }
    }

    /** A line, or a ring where it ends in the place where it begins. */
    public void line(String kind, int layer, Attributes about, Vertices places, String where) {
        int last = places.size() - 1;
        boolean closed = last > 2 && Math.hypot(places.north(0) - places.north(last), places.east(0) - places.east(last)) == CLOSED;
        out.run(kind, layer, about.name().isEmpty() ? about.code() : about.name(), Path.straight(closed ? withoutLast(places) : places, closed), where);
    }

    private static Vertices withoutLast(Vertices places) {
        Vertices.Builder open = new Vertices.Builder();
        for (int i = 0; i < places.size() - 1; i++) {
            open.add(places.north(i), places.east(i), places.height(i).orElse(Double.NaN));
        }
        return open.build();
    }
}
