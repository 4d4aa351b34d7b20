package verge.formats.csv;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import verge.core.units.Decimals;
import verge.core.units.LengthUnit;
import verge.formats.text.BoundedLines;
import verge.formats.text.TextEncoding;

/** Looks at the first lines of a point file and proposes how to read it. */
public final class PointCsvProbe {
    private static final int ROWS_LOOKED_AT = 100;
    private static final List<Character> SEPARATORS = List.of(',', ';', '\t', ' ', '|');
    private static final Pattern DECIMAL_COMMA = Pattern.compile("[+-]?\\d+,\\d+");
    private static final Map<Column, List<String>> HEADINGS = Map.of(
            Column.NAME, List.of("name", "point", "id", "no", "nr", "number", "pt"),
            Column.NORTHING, List.of("n", "north", "northing", "s", "south", "southing"),
            Column.EASTING, List.of("e", "east", "easting", "w", "west", "westing"),
            Column.ELEVATION, List.of("h", "z", "elev", "elevation", "height", "level"),
            Column.CODE, List.of("code", "feature", "description", "desc"));
    private static final List<Column> USUAL_ORDER =
            List.of(Column.NAME, Column.NORTHING, Column.EASTING, Column.ELEVATION, Column.CODE);

    private PointCsvProbe() {
    }

    /**
     * @param rows cells of the first lines, heading included, as the proposed separator splits them
     * @param columnCount of the widest row
     */
    public record Proposal(PointCsvLayout layout, List<List<String>> rows, int columnCount) {
    }

    /** Proposes separator, decimal mark, heading and columns; the unit cannot be seen and is the caller's. */
    public static Proposal propose(Path file, TextEncoding encoding, LengthUnit unit) throws IOException {
        List<String> lines = head(file, encoding);
        char separator = SEPARATORS.stream().max(Comparator.comparingInt((Character c) -> agreement(lines, c))
                .thenComparing(Comparator.comparingInt(SEPARATORS::indexOf).reversed())).orElseThrow();
        return propose(file, encoding, separator, unit);
    }

    /** As {@link #propose(Path, TextEncoding, LengthUnit)} with the separator given. */
    public static Proposal propose(Path file, TextEncoding encoding, char separator, LengthUnit unit) throws IOException {
        List<List<String>> rows = split(head(file, encoding), separator);
        boolean header = !rows.isEmpty() && rows.get(0).stream().noneMatch(PointCsvProbe::looksNumeric);
        int columnCount = rows.stream().mapToInt(List::size).max().orElse(0);
        Map<Column, Integer> columns = header ? byHeading(rows.get(0)) : usual(columnCount);
        boolean commas = separator != ',' && rows.stream().skip(header ? 1 : 0).flatMap(List::stream)
                .anyMatch(c -> DECIMAL_COMMA.matcher(c).matches());
        return new Proposal(new PointCsvLayout(separator, commas ? DecimalMark.COMMA : DecimalMark.POINT, header, columns, unit),
                rows, columnCount);
    }

    private static List<String> head(Path file, TextEncoding encoding) throws IOException {
        List<String> head = new ArrayList<>();
        try (BoundedLines lines = new BoundedLines(encoding.open(file))) {
            for (String text = lines.next(); text != null && head.size() < ROWS_LOOKED_AT; text = lines.next()) {
                if (!text.isBlank() && !text.startsWith("#")) {
                    head.add(text);
                }
            }
        } catch (BoundedLines.LineTooLong tooLong) {
            return head;   // the reader itself will say so, with the line
        }
        return head;
    }

    private static List<List<String>> split(List<String> lines, char separator) {
        CsvLine split = new CsvLine(separator);
        return lines.stream().map(split::cells).flatMap(Optional::stream).toList();
    }

    /** How many lines have the most common number of cells, if that is three or more. */
    private static int agreement(List<String> lines, char separator) {
        Map<Integer, Integer> linesOfWidth = new HashMap<>();
        split(lines, separator).forEach(cells -> linesOfWidth.merge(cells.size(), 1, Integer::sum));
        return linesOfWidth.entrySet().stream().filter(e -> e.getKey() >= 3).mapToInt(Map.Entry::getValue).max().orElse(0);
    }

    private static Map<Column, Integer> byHeading(List<String> headings) {
        Map<Column, Integer> columns = new EnumMap<>(Column.class);
        for (int i = 0; i < headings.size(); i++) {
            String plain = headings.get(i).toLowerCase(Locale.ROOT).replaceAll("[\\[(].*", "").strip();
            for (Column column : Column.values()) {
                if (HEADINGS.get(column).contains(plain)) {
                    columns.putIfAbsent(column, i);
                }
            }
        }
        return columns;
    }

    private static Map<Column, Integer> usual(int columnCount) {
        Map<Column, Integer> columns = new EnumMap<>(Column.class);
        for (int i = 0; i < Math.min(columnCount, USUAL_ORDER.size()); i++) {
            columns.put(USUAL_ORDER.get(i), i);
        }
        return columns;
    }

    private static boolean looksNumeric(String cell) {
        return Decimals.parse(cell).isPresent();
    }
}
