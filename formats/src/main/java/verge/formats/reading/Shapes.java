package verge.formats.reading;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import verge.core.drawing.Feature;
import verge.core.plan.Path;
import verge.core.plan.Vertices;

/**
 * Hands the simple shapes of geographic files over: points, lines, rings. Names and codes come from whichever attribute is usually called
 * so.
 */
public final class Shapes {
    private static final List<String> NAME_KEYS = List.of("name", "point", "pointname", "pt", "id", "no", "nr", "number", "label");
    private static final List<String> CODE_KEYS = List.of("code", "feature", "type", "description", "desc");
    private static final List<String> DESCRIPTION_KEYS = List.of("description", "desc", "remark", "remarks", "comment", "note", "notes");
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
            return key(NAME_KEYS).map(values::get).orElse("");
        }

        String code() {
            return key(CODE_KEYS).map(values::get).orElse("");
        }

        /**
         * All else that is known of it: words about it first, then whatever else by its key, 'depth 1.20'.
         *
         * @param heightUsed whether an attribute gave the height
         */
        String description(boolean heightUsed) {
            List<String> rest = rest(heightUsed).toList();
            return Stream.concat(DESCRIPTION_KEYS.stream().filter(rest::contains).map(values::get),
                    rest.stream().filter(k -> !DESCRIPTION_KEYS.contains(k)).map(k -> k + " " + values.get(k)))
                    .collect(Collectors.joining(", "));
        }

        /** Keys of what is neither name, code, layer nor height. */
        Stream<String> rest(boolean heightUsed) {
            Set<String> used = Stream.of(key(NAME_KEYS), key(CODE_KEYS), Optional.of("layer")).flatMap(Optional::stream)
                    .collect(Collectors.toSet());
            return values.keySet().stream()
                    .filter(k -> !used.contains(k) && !values.get(k).isBlank() && !(heightUsed && HEIGHT_KEYS.contains(k))).sorted();
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

        private Optional<String> key(List<String> keys) {
            return keys.stream().filter(k -> values.get(k) != null && !values.get(k).isBlank()).findFirst();
        }

        public static String key(String written) {
            return written.strip().toLowerCase(Locale.ROOT);
        }
    }

    /** Points, one or several. */
    public void points(String kind, int layer, Attributes about, Vertices places, String where) {
        for (int i = 0; i < places.size(); i++) {
            boolean ownHeight = places.height(i).isPresent();
            out.spot(kind, new Feature.Spot(layer, places.size() == 1 ? about.name() : "", about.code(), about.description(!ownHeight),
                    Feature.Spot.Sigma.NONE,
                    new Vertices.Builder().add(places.north(i), places.east(i), places.height(i).orElse(about.height())).build()), where);
        }
    }

    /** A line, or a ring where it ends in the place where it begins. */
    public void line(String kind, int layer, Attributes about, Vertices places, String where) {
        int last = places.size() - 1;
        boolean closed = last > 2 && Math.hypot(places.north(0) - places.north(last), places.east(0) - places.east(last)) == CLOSED;
        String name = about.name().isEmpty() ? about.code() : about.name();
        Stream.concat(about.rest(false), about.name().isEmpty() || about.code().isEmpty() ? Stream.empty() : Stream.of("code"))
                .forEach(key -> out.leaveOut("attribute \u2018" + key + "\u2019 of a line", Report.Why.ATTRIBUTE_NOT_TAKEN, where));
        out.run(kind, layer, name, Path.straight(closed ? withoutLast(places) : places, closed), where);
    }

    private static Vertices withoutLast(Vertices places) {
        Vertices.Builder open = new Vertices.Builder();
        for (int i = 0; i < places.size() - 1; i++) {
            open.add(places.north(i), places.east(i), places.height(i).orElse(Double.NaN));
        }
        return open.build();
    }
}
