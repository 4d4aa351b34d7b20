package verge.formats.csv;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import verge.core.drawing.FileUnit;
import verge.core.units.Decimals;
import verge.core.units.LengthUnit;
import verge.formats.reading.Figures;
import verge.formats.text.BoundedLines;
import verge.formats.text.TextEncoding;

/** Looks at the first lines of a point file and proposes how to read it. */
public final class PointCsvProbe {
    private static final int ROWS_LOOKED_AT = 100;
    private static final List<Character> SEPARATORS = List.of(',', ';', '\t', ' ', '|');
    private static final Pattern DECIMAL_COMMA = Pattern.compile("[+-]?\\d+,\\d+([eE][+-]?\\d{1,3})?");
    private static final List<Column> USUAL_ORDER =
            List.of(Column.NAME, Column.NORTHING, Column.EASTING, Column.ELEVATION, Column.CODE);
    /** A word for the unit in a remark: 'unit: ftUS', 'coordinates in US survey feet', 'units = m'. */
    private static final Pattern UNIT_IN_REMARK =
            Pattern.compile(
            "(?:units?|einheit(?:en)?|unit\u00e9s?|unidad(?:es)?|eenheid|enhet|enhed|coordinates in|lengths in)\\s*[:=]?\\s*([\\p{L} "
            + "'()-]{1,30})",
            Pattern.CASE_INSENSITIVE);
    /** Both feet differ by two millionths: from here on that is a millimetre or more. */
    private static final double FEET_THAT_MATTER = 1500;

    private PointCsvProbe() {
    }

    /**
     * @param rows cells of the first lines, heading included, as the proposed separator splits them
     * @param columnCount of the widest row
     */
    public record Proposal(PointCsvLayout layout, List<List<String>> rows, int columnCount, Said said) {
    }

    /**
     * What the file says of itself, in its heading, in a line of units below it, or in a remark above.
     *
     * @param unit empty if it says none, or a foot without saying which
     * @param footSaid whether it says a foot without saying which
     * @param footMatters whether that makes a millimetre
     * @param order whether it says which coordinate is which
     * @param degrees whether its coordinates are latitude and longitude
     * @param ellipsoidal whether its heights lie over the ellipsoid
     * @param southwards empty where only the job can tell
     * @param noughts whether a remark says that a height of 0 is one
     */
    public record Said(Optional<FileUnit> unit, boolean footSaid, boolean footMatters, boolean order, boolean degrees, boolean ellipsoidal,
            Optional<Boolean> southwards, Optional<Boolean> westwards, boolean noughts) {
        public static final Said NOTHING = new Said(Optional.empty(), false, false, false, false, false, Optional.empty(), Optional.empty(),
                false);
    }

    private record Head(List<String> lines, List<String> remarks, Optional<Character> separator) {
    }

    /** Proposes separator, decimal mark, heading and columns; the unit, where the file does not say it, is the caller's. */
    public static Proposal propose(Path file, TextEncoding encoding, LengthUnit unit) throws IOException {
        Head head = head(file, encoding);
        char separator = head.separator()
                .orElseGet(() -> SEPARATORS.stream().max(Comparator.comparingInt((Character c) -> agreement(head.lines(), c))
                .thenComparing(Comparator.comparingInt(SEPARATORS::indexOf).reversed())).orElseThrow());
        return propose(head, separator, unit);
    }

    /** As {@link #propose(Path, TextEncoding, LengthUnit)} with the separator given. */
    public static Proposal propose(Path file, TextEncoding encoding, char separator, LengthUnit unit) throws IOException {
        return propose(head(file, encoding), separator, unit);
    }

    private static Proposal propose(Head head, char separator, LengthUnit unit) {
        List<List<String>> rows = split(head.lines().stream().filter(l -> !TableRows.isRemark(l, separator)).toList(), separator);
        boolean header = !rows.isEmpty() && rows.get(0).stream().noneMatch(PointCsvProbe::looksNumeric) && rows.get(0).stream()
                .anyMatch(c -> !c.isEmpty());
        int columnCount = rows.stream().mapToInt(List::size).max().orElse(0);
        // A remark may be the heading: '# Name, Northing, Easting, Elevation'
        List<String> over = header ? rows.get(0) : head.remarks().stream().map(r -> new CsvLine(separator).cells(r).orElse(List.of()))
                .filter(PointCsvProbe::isHeading).findFirst().orElse(List.of());
        List<Headings.Heading> headings = over.stream().map(Headings::of).toList();
        Map<Column, Integer> columns = headings.isEmpty() ? usual(columnCount) : byHeading(headings);
        boolean commas = separator != ',' && rows.stream().skip(header ? 1 : 0).flatMap(List::stream)
                .anyMatch(c -> DECIMAL_COMMA.matcher(c).matches());
        PointCsvLayout layout = new PointCsvLayout(separator, commas ? DecimalMark.COMMA : DecimalMark.POINT, header, columns, unit);
        return new Proposal(layout, rows, columnCount, said(headings, layout, rows, head.remarks()));
    }

    private static boolean isHeading(List<String> cells) {
        return cells.stream().map(Headings::of).filter(h -> h.meaning().isPresent() || h.axis() != 0).count() >= 3;
    }

    private static Said said(List<Headings.Heading> headings, PointCsvLayout layout, List<List<String>> rows, List<String> remarks) {
        List<Headings.Heading> plan = Stream.of(Column.NORTHING, Column.EASTING).flatMap(c -> layout.index(c).stream())
                .filter(i -> i < headings.size()).map(headings::get).toList();
        Optional<Headings.Unit> unit = plan.stream().flatMap(h -> h.unit().stream()).findFirst()
                .or(() -> layout.header() && rows.size() > 1 && Headings.areUnits(rows.get(1)) ? layout.index(Column.NORTHING)
                .filter(i -> i < rows.get(1).size()).flatMap(i -> Headings.unit(rows.get(1).get(i))) : Optional.empty())
                .or(() -> remarks.stream().flatMap(r -> UNIT_IN_REMARK.matcher(r).results())
                .flatMap(m -> Headings.unit(m.group(1).replaceAll("\\b(are|is|in)\\b", "").strip()).stream()).findFirst());
        boolean order = plan.size() == 2 && plan.stream().allMatch(h -> h.axis() == 0);
        boolean foot = unit.filter(Headings.Unit.SomeFoot.class::isInstance).isPresent();
        return new Said(unit.filter(Headings.Unit.Said.class::isInstance).map(u -> ((Headings.Unit.Said) u).unit()), foot,
                foot && largest(layout, rows) > FEET_THAT_MATTER, order,
                unit.filter(Headings.Unit.Degrees.class::isInstance).isPresent(),
                layout.index(Column.ELEVATION).filter(i -> i < headings.size()).flatMap(i -> headings.get(i).height())
                .filter(h -> h == Headings.Height.ELLIPSOIDAL).isPresent(),
                order ? Optional.of(plan.get(0).south()).filter(s -> s) : Optional.empty(),
                order ? Optional.of(plan.get(1).west()).filter(w -> w) : Optional.empty(),
                remarks.stream().anyMatch(r -> r.equalsIgnoreCase(PointCsvWriter.NOUGHTS)));
    }

    private static double largest(PointCsvLayout layout, List<List<String>> rows) {
        return Stream.of(Column.NORTHING, Column.EASTING).flatMap(c -> layout.index(c).stream())
                .flatMap(i -> rows.stream().filter(r -> i < r.size()).map(r -> r.get(i)))
                .mapToDouble(cell -> Math.abs(Figures.one(cell.replace(',', '.')))).filter(Double::isFinite).max().orElse(0);
    }

    private static Head head(Path file, TextEncoding encoding) throws IOException {
        List<String> head = new ArrayList<>();
        List<String> remarks = new ArrayList<>();
        Optional<Character> separator = Optional.empty();
        try (BoundedLines lines = new BoundedLines(encoding.open(file))) {
            for (String text = lines.next(); text != null && head.size() < ROWS_LOOKED_AT; text = lines.next()) {
                separator = separator.isPresent() ? separator : separatorIn(text, head);
                // Whether a semicolon begins a remark is known only with the separator: such lines are looked at both ways.
                if (TableRows.isRemark(text, ',') && remarks.size() < ROWS_LOOKED_AT) {
                    remarks.add(text.strip().replaceFirst("^(#+|//+|;+)\\s*", ""));
                }
                if (!text.isBlank() && !TableRows.isRemark(text, ';')) {
                    head.add(text);
                }
            }
        } catch (BoundedLines.LineTooLong tooLong) {
            return new Head(head, remarks, separator);   // the reader itself will say so, with the line
        }
        return new Head(head, remarks, separator);
    }

    private static Optional<Character> separatorIn(String text, List<String> before) {
        return before.isEmpty() ? TableRows.separatorSaid(text) : Optional.empty();
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

    /** X and Y stand where a mathematician would have them, and are asked about: in half the countries they are the other way round. */
    private static Map<Column, Integer> byHeading(List<Headings.Heading> headings) {
        Map<Column, Integer> columns = new EnumMap<>(Column.class);
        for (int i = 0; i < headings.size(); i++) {
            Headings.Heading h = headings.get(i);
            Optional<Column> meaning = h.axis() == 'x' ? Optional.of(Column.EASTING) : h.axis() == 'y' ? Optional.of(Column.NORTHING)
                    : h.meaning();
            if (meaning.isPresent()) {
                columns.putIfAbsent(meaning.get(), i);
            }
        }
        // Of several columns of heights the one that says so most plainly, not the first: a height may be any.
        IntStream.range(0, headings.size()).filter(i -> headings.get(i).height().isPresent()).boxed()
                .min(Comparator.comparing(i -> headings.get(i).height().get())).ifPresent(i -> columns.put(Column.ELEVATION, i));
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
        return Decimals.parse(cell).isPresent() || !Double.isNaN(Figures.one(cell));
    }
}
