package verge.app.setup;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import verge.core.setup.Arrangement;

/** A setup as typed: texts by field, nothing lost. */
public record SetupForm(Map<String, String> fields) {
    public SetupForm {
        fields = Map.copyOf(fields);
    }

    /** The fields of a setup over a known point with its first backsight. */
    public static SetupForm knownPoint(String station, String mark, String instrumentHeight, String targetHeight, String prismConstant) {
        return new SetupForm(Map.of("kind", "KNOWN_POINT", "station", station, "mark", mark, "instrumentHeight", instrumentHeight,
                "targetHeight", targetHeight, "prismConstant", prismConstant));
    }

    public String get(String field) {
        return fields.getOrDefault(field, "").strip();
    }

    public SetupForm with(String field, String text) {
        Map<String, String> more = new HashMap<>(fields);
        more.put(field, text);
        return new SetupForm(more);
    }

    /** What was typed now over what was typed before. */
    public SetupForm with(Map<String, String> typed) {
        Map<String, String> more = new HashMap<>(fields);
        more.putAll(typed);
        return new SetupForm(more);
    }

    public boolean is(String field) {
        return !get(field).isEmpty() && !get(field).equals("false") && !get(field).equals("0");
    }

    public Arrangement.Kind kind() {
        return choice(Arrangement.Kind.class, "kind").orElse(Arrangement.Kind.KNOWN_POINT);
    }

    <E extends Enum<E>> Optional<E> choice(Class<E> type, String field) {
        for (E value : type.getEnumConstants()) {
            if (value.name().equals(get(field))) {
                return Optional.of(value);
            }
        }
        return Optional.empty();
    }
}
