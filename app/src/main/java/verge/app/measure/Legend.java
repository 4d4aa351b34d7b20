package verge.app.measure;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToIntFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import verge.core.coding.Code;
import verge.core.coding.Codebook;

/** The legend beside the sketch: its entries are keys. A short one stands open; a long one in groups, the codes most used before them. */
final class Legend {
    private static final int STANDS_OPEN = 24;
    private static final int MOST_USED = 8;

    private Legend() {
    }

    /**
     * Some codes under a heading.
     *
     * @param title empty if there is only one group
     * @param open whether its codes are seen at once
     */
    record Group(String title, boolean open, List<Entry> entries) {
    }

    /** One key. @param line how its strings look, or null @param marker how its points look */
    record Entry(String code, String meaning, String line, String marker) {
    }

    /** @param times how many measured points have each code */
    static List<Group> of(Codebook book, Map<Code, Integer> times) {
        if (book.rows().size() <= STANDS_OPEN) {
            return List.of(new Group("", true, entries(book.rows().stream())));
        }
        List<Group> groups = new ArrayList<>();
        List<Entry> used = entries(mostUsed(book, times));
        if (!used.isEmpty()) {
            groups.add(new Group("Most used here", true, used));
        }
        Map<String, List<Codebook.Row>> grouped = book.rows().stream()
                .collect(Collectors.groupingBy(Codebook.Row::group, LinkedHashMap::new, Collectors.toList()));
        grouped.forEach((title, rows) ->
                groups.add(new Group(title.isEmpty() ? "Others" : title, groups.isEmpty(), entries(rows.stream()))));
        return groups;
    }

    private static Stream<Codebook.Row> mostUsed(Codebook book, Map<Code, Integer> times) {
        ToIntFunction<Codebook.Row> count = row -> times.getOrDefault(row.code(), 0);
        return book.rows().stream().filter(row -> count.applyAsInt(row) > 0)
                .sorted(Comparator.comparingInt(count).reversed())
                .limit(MOST_USED);
    }

    private static List<Entry> entries(Stream<Codebook.Row> rows) {
        return rows.map(row -> new Entry(row.code().text(), row.meaning(), row.joins() ? row.drawn().line().name() : null,
                row.drawn().marker().name())).toList();
    }
}
