package verge.formats.csv;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.problem.SurveyException;
import verge.core.units.Length;
import verge.formats.reading.Figures;
import verge.formats.reading.Watch;
import verge.formats.text.BoundedLines;
import verge.formats.text.TextEncoding;

/**
 * Reads points from a table of text, row by row. A row that cannot be a point is left out and told with its place, its text and why; the
 * others come. A table that is mostly of such rows is taken for something else than it is.
 */
public final class PointCsvReader {
    /** More points than this are not known points of a site but a cloud; the limit also bounds memory. */
    public static final int MOST_POINTS = 100_000;
    /** After so many faults the file is something else than it was taken for, and reading on tells nobody more. */
    static final int MOST_FAULTS = 10_000;
    /** What stands in a column of heights where there is none. */
    private static final Set<String> NO_HEIGHT = Set.of("-", "--", "---", "n/a", "na", "n.a.", "nan", "none", "null", "nil", "?", "*",
            "keine", "ohne", "ingen", "geen", "sans", "sin", "brak");

    private final PointCsvLayout layout;
    private final List<Row> points = new ArrayList<>();
    private final List<Fault> faults = new ArrayList<>();
    private final Map<PointName, Long> lineOfName = new HashMap<>();
    private final BitSet filled = new BitSet();
    private TableRows.Row row;
    private long badRows;
    private boolean unreadable;
    private boolean headingPassed;
    private int headingWidth;

    private PointCsvReader(PointCsvLayout layout) {
        this.layout = layout;
    }

    /**
     * A point as its row says it, lengths in the layout's unit turned into metres.
     *
     * @param code as it stands there: often words
     * @param elevation NaN if there is none
     * @param sigmaPlan NaN if there is none, like the height's
     */
    public record Row(long line, PointName name, String code, String description, GridPoint plan, double elevation, double sigmaPlan,
            double sigmaHeight) {
    }

    /**
     * @param points as read
     * @param faults all of them, up to {@value #MOST_FAULTS}, where reading stops; those that only tell of what was decided, too
     * @param badRows how many rows were left out
     * @param unreadable whether reading broke off, so that what comes after is not known
     * @param filled columns, from 0, in which something stands in any row
     */
    public record Result(List<Row> points, List<Fault> faults, long badRows, boolean unreadable, BitSet filled) {
        /** Whether nothing was left out. */
        public boolean sound() {
            return badRows == 0 && !unreadable;
        }

        /** Whether it can be used: it was read to its end, and most of its rows are points. */
        public boolean usable() {
            return !unreadable && !points.isEmpty() && badRows <= points.size();
        }
    }

    public static Result read(Path file, TextEncoding encoding, PointCsvLayout layout) throws IOException {
        return read(file, encoding, layout, Watch.none(file.getFileName().toString()));
    }

    /** The same, followed. @throws SurveyException READING_STOPPED */
    public static Result read(Path file, TextEncoding encoding, PointCsvLayout layout, Watch watch) throws IOException {
        return new PointCsvReader(layout).readAll(file, encoding, watch);
    }

    private Result readAll(Path file, TextEncoding encoding, Watch watch) throws IOException {
        boolean unitsMayFollow = false;
        try (TableRows rows = new TableRows(new BoundedLines(encoding.open(watch.open(file))), layout.separator())) {
            for (row = rows.next(); row != null; row = rows.next()) {
                if (layout.header() && !headingPassed) {
                    headingPassed = true;
                    unitsMayFollow = true;
                    headingWidth = row.cells().map(List::size).orElse(0);
                    continue;
                }
                if (unitsMayFollow && row.cells().map(Headings::areUnits).orElse(false)) {
                    continue;
                }
                unitsMayFollow = false;
                if (points.size() == MOST_POINTS || faults.size() >= MOST_FAULTS) {
                    unreadable = true;
                    fault(points.size() == MOST_POINTS ? Fault.Kind.TOO_MANY_POINTS : Fault.Kind.TOO_MANY_FAULTS, 0, null,
                            Integer.toString(points.size() == MOST_POINTS ? MOST_POINTS : MOST_FAULTS));
                    break;
                }
                take();
            }
        } catch (BoundedLines.LineTooLong tooLong) {
            unreadable = true;
            faults.add(new Fault(Fault.Kind.LINE_TOO_LONG, tooLong.line(), 0, null, "", ""));
        }
        if (points.isEmpty() && faults.isEmpty()) {
            faults.add(new Fault(Fault.Kind.NO_POINTS, 0, 0, null, "", ""));
        }
        return new Result(List.copyOf(points), List.copyOf(faults), badRows, unreadable, filled);
    }

    private void take() {
        int before = faults.size();
        if (row.cells().isEmpty()) {
            fault(Fault.Kind.QUOTE_OPEN, 0, null, row.text());
        } else if (row.cells().get().stream().anyMatch(c -> !c.isEmpty())) {
            List<String> cells = row.cells().get();
            IntStream.range(0, cells.size()).filter(i -> !cells.get(i).isEmpty()).forEach(filled::set);
            point(cells).ifPresent(points::add);
        }
        badRows += faults.subList(before, faults.size()).stream().anyMatch(f -> f.kind().leavesOut()) ? 1 : 0;
    }

    private Optional<Row> point(List<String> cells) {
        int before = faults.size();
        // A decimal comma in a file parted by commas makes two cells of one number, all of them plausible.
        if (headingPassed && cells.stream().skip(headingWidth).anyMatch(cell -> !cell.isEmpty())) {
            fault(Fault.Kind.CELL_EXTRA, headingWidth + 1, null, Integer.toString(cells.size()));
        }
        Optional<PointName> name = cell(cells, Column.NAME).flatMap(this::name);
        Optional<Double> northing = cell(cells, Column.NORTHING).flatMap(c -> metres(Column.NORTHING, c));
        Optional<Double> easting = cell(cells, Column.EASTING).flatMap(c -> metres(Column.EASTING, c));
        double elevation = cell(cells, Column.ELEVATION).flatMap(this::height).orElse(Double.NaN);
        double sigmaPlan = cell(cells, Column.SIGMA_PLAN).flatMap(c -> metres(Column.SIGMA_PLAN, c)).orElse(Double.NaN);
        double sigmaHeight = cell(cells, Column.SIGMA_HEIGHT).flatMap(c -> metres(Column.SIGMA_HEIGHT, c)).orElse(Double.NaN);
        boolean left = faults.subList(before, faults.size()).stream().anyMatch(f -> f.kind().leavesOut());
        if (left || name.isEmpty() || northing.isEmpty() || easting.isEmpty()) {
            return Optional.empty();
        }
        Arrays.stream(Column.values()).filter(c -> !c.needed() && layout.index(c).filter(i -> i >= cells.size()).isPresent()).findFirst()
                .ifPresent(lacking -> fault(Fault.Kind.ROW_PARTIAL, layout.index(lacking).get() + 1, lacking,
                Integer.toString(cells.size())));
        lineOfName.put(name.get(), row.line());
        return Optional.of(new Row(row.line(), name.get(), cell(cells, Column.CODE).orElse(""), cell(cells, Column.DESCRIPTION).orElse(""),
                new GridPoint(northing.get(), easting.get()),
                elevation, sigmaPlan, sigmaHeight));
    }

    /** The cell of a column if the layout and the row have it; a needed one that is not there or empty is a fault. */
    private Optional<String> cell(List<String> cells, Column column) {
        Optional<Integer> index = layout.index(column);
        if (index.isEmpty()) {
            return Optional.empty();
        }
        if (index.get() >= cells.size()) {
            if (column.needed()) {
                fault(Fault.Kind.CELL_MISSING, index.get() + 1, column, Integer.toString(cells.size()));
            }
            return Optional.empty();
        }
        String cell = cells.get(index.get());
        if (cell.isEmpty() && column.needed()) {
            fault(Fault.Kind.CELL_EMPTY, index.get() + 1, column, "");
        }
        return cell.isEmpty() ? Optional.empty() : Optional.of(cell);
    }

    private Optional<PointName> name(String cell) {
        try {
            PointName name = PointName.parse(cell);
            Long earlier = lineOfName.get(name);
            if (earlier != null) {
                fault(Fault.Kind.NAME_TWICE, at(Column.NAME), Column.NAME, name + " (" + earlier + ")");
            }
            return Optional.of(name);
        } catch (SurveyException unfit) {
            fault(Fault.Kind.NAME_UNFIT, at(Column.NAME), Column.NAME, cell);
            return Optional.empty();
        }
    }

    private Optional<Double> height(String cell) {
        if (NO_HEIGHT.contains(cell.toLowerCase(Locale.ROOT))) {
            fault(Fault.Kind.HEIGHT_NONE, at(Column.ELEVATION), Column.ELEVATION, cell);
            return Optional.empty();
        }
        return metres(Column.ELEVATION, cell);
    }

    private Optional<Double> metres(Column column, String cell) {
        boolean foreignMark = cell.indexOf(layout.decimalMark() == DecimalMark.POINT ? ',' : '.') >= 0;
        double number = foreignMark ? Double.NaN : number(cell);
        if (!Double.isFinite(number)) {
            boolean comma = layout.decimalMark() == DecimalMark.POINT && foreignMark && Double.isFinite(number(cell));
            fault(comma ? Fault.Kind.DECIMAL_COMMA : Fault.Kind.NOT_A_NUMBER, at(column), column, cell);
            return Optional.empty();
        }
        double metres = Length.of(number, layout.unit()).metres();
        if (Math.abs(metres) > GridPoint.FARTHEST_METRES) {
            fault(Fault.Kind.NUMBER_TOO_LARGE, at(column), column, cell);
            return Optional.empty();
        }
        return Optional.of(metres);
    }

    private static double number(String cell) {
        return Figures.one(cell.replace('\u2212', '-').replace(',', '.'));
    }

    private int at(Column column) {
        return layout.columns().get(column) + 1;
    }

    private void fault(Fault.Kind kind, int column, Column meaning, String found) {
        faults.add(new Fault(kind, row.line(), column, meaning, found, row.text()));
    }
}
