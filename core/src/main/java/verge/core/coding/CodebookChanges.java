package verge.core.coding;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * What a later version of a table of codes has otherwise than an earlier one. Codes are told apart by their text; their order does not
 * count.
 *
 * @param came rows that only the later has
 * @param gone rows that only the earlier has
 * @param changed rows that both have, and not alike
 */
public record CodebookChanges(List<Codebook.Row> came, List<Codebook.Row> gone, List<Changed> changed) {
    /** What can be otherwise in a row. */
    public enum Part { MEANING, KIND, SURFACE, MARKER, LINE, LAYER, GROUP, COMES_WITH, ATTRIBUTES, EXPECTED_IN }

    /** One code that both have. @param parts in which they differ, at least one */
    public record Changed(Codebook.Row earlier, Codebook.Row later, List<Part> parts) {
    }

    private static final Map<Part, Function<Codebook.Row, Object>> PARTS = parts();

    private static Map<Part, Function<Codebook.Row, Object>> parts() {
        Map<Part, Function<Codebook.Row, Object>> parts = new LinkedHashMap<>();
        parts.put(Part.MEANING, Codebook.Row::meaning);
        parts.put(Part.KIND, Codebook.Row::kind);
        parts.put(Part.SURFACE, Codebook.Row::surface);
        parts.put(Part.MARKER, row -> row.drawn().marker());
        parts.put(Part.LINE, row -> row.drawn().line());
        parts.put(Part.LAYER, row -> row.drawn().layer());
        parts.put(Part.GROUP, Codebook.Row::group);
        parts.put(Part.COMES_WITH, Codebook.Row::comesWith);
        parts.put(Part.ATTRIBUTES, Codebook.Row::attributes);
        parts.put(Part.EXPECTED_IN, Codebook.Row::expectedIn);
        return parts;
    }

    public static CodebookChanges between(Codebook earlier, Codebook later) {
        Map<Code, Codebook.Row> before = byCode(earlier);
        Map<Code, Codebook.Row> after = byCode(later);
        List<Changed> changed = later.rows().stream().filter(row -> before.containsKey(row.code()))
                .map(row -> new Changed(before.get(row.code()), row, differing(before.get(row.code()), row)))
                .filter(c -> !c.parts().isEmpty()).toList();
        return new CodebookChanges(without(later, before), without(earlier, after), changed);
    }

    private static List<Part> differing(Codebook.Row a, Codebook.Row b) {
        return PARTS.entrySet().stream().filter(part -> !Objects.equals(part.getValue().apply(a), part.getValue().apply(b)))
                .map(Map.Entry::getKey).toList();
    }

    private static List<Codebook.Row> without(Codebook book, Map<Code, Codebook.Row> other) {
        return book.rows().stream().filter(row -> !other.containsKey(row.code())).toList();
    }

    private static Map<Code, Codebook.Row> byCode(Codebook book) {
        return book.rows().stream().collect(Collectors.toMap(Codebook.Row::code, row -> row));
    }
}
