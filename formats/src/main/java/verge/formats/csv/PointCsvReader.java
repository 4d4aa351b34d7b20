package verge.formats.csv;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.journal.NamedPosition;
import verge.core.problem.SurveyException;
import verge.core.units.Decimals;
import verge.core.units.Length;
import verge.formats.reading.Watch;
import verge.formats.text.BoundedLines;
import verge.formats.text.TextEncoding;

/**
 * Reads points from a table of text, line by line. Either every row becomes a point, or the result says what is wrong where; the
 * caller takes all or nothing.
 */
public final class PointCsvReader {
    /** More points than this are not known points of a site but a cloud; the limit also bounds memory. */
    public static final int MOST_POINTS = 100_000;
    static final int MOST_FAULTS_KEPT = 50;
    /** After so many faults the file is something else than it was taken for, and reading on tells nobody more. */
    static final int MOST_FAULTS_COUNTED = 10_000;

    private final PointCsvLayout layout;
    private final List<NamedPosition> points = new ArrayList<>();
    private final List<Fault> faults = new ArrayList<>();
    private final Map<PointName, Long> lineOfName = new HashMap<>();
    private long faultCount;
    private long line;
    private boolean headingPassed;
    private int headingWidth;

    private PointCsvReader(PointCsvLayout layout) {
        this.layout = layout;
    }

    /**
     * @param points as read, in metres
     * @param faults the first {@value #MOST_FAULTS_KEPT}
     * @param faultCount all of them, up to {@value #MOST_FAULTS_COUNTED}, where reading stops
     */
    public record Result(List<NamedPosition> points, List<Fault> faults, long faultCount) {
        public boolean sound() {
            return faultCount == 0;
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
        CsvLine split = new CsvLine(layout.separator());
        try (BoundedLines lines = new BoundedLines(encoding.open(watch.open(file)))) {
            for (String text = lines.next(); text != null && faultCount < MOST_FAULTS_COUNTED; text = lines.next()) {
                line = lines.number();
                if (text.isBlank() || text.startsWith("#")) {
                    continue;
                }
                if (layout.header() && !headingPassed) {
                    headingPassed = true;
                    headingWidth = split.cells(text).map(List::size).orElse(0);
                    continue;
                }
                if (points.size() == MOST_POINTS) {
                    fault(Fault.Kind.TOO_MANY_POINTS, 0, null, Integer.toString(MOST_POINTS));
                    break;
                }
                Optional<List<String>> cells = split.cells(text);
                cells.flatMap(this::point).ifPresent(points::add);
                if (cells.isEmpty()) {
                    fault(Fault.Kind.QUOTE_OPEN, 0, null, text);
                }
            }
        } catch (BoundedLines.LineTooLong tooLong) {
            line = tooLong.line();
            fault(Fault.Kind.LINE_TOO_LONG, 0, null, "");
        }
        if (points.isEmpty() && faultCount == 0) {
            fault(Fault.Kind.NO_POINTS, 0, null, "");
        }
        return new Result(List.copyOf(points), List.copyOf(faults), faultCount);
    }

    private Optional<NamedPosition> point(List<String> cells) {
        long before = faultCount;
        // A decimal comma in a file parted by commas makes two cells of one number, all of them plausible.
        if (headingPassed && cells.stream().skip(headingWidth).anyMatch(cell -> !cell.isEmpty())) {
            fault(Fault.Kind.CELL_EXTRA, headingWidth + 1, null, Integer.toString(cells.size()));
        }
        Optional<PointName> name = cell(cells, Column.NAME).flatMap(this::name);
        Optional<Double> northing = cell(cells, Column.NORTHING).flatMap(c -> metres(Column.NORTHING, c));
        Optional<Double> easting = cell(cells, Column.EASTING).flatMap(c -> metres(Column.EASTING, c));
        Optional<Elevation> elevation = cell(cells, Column.ELEVATION).flatMap(c -> metres(Column.ELEVATION, c)).map(Elevation::new);
        Optional<Code> code = cell(cells, Column.CODE).flatMap(this::code);
        if (faultCount > before || name.isEmpty() || northing.isEmpty() || easting.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new NamedPosition(name.get(), code.orElse(Code.NONE),
                new Position(new GridPoint(northing.get(), easting.get()), elevation)));
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
            Long earlier = lineOfName.putIfAbsent(name, line);
            if (earlier != null) {
                fault(Fault.Kind.NAME_TWICE, at(Column.NAME), Column.NAME, name + " (" + earlier + ")");
            }
            return Optional.of(name);
        } catch (SurveyException unfit) {
            fault(Fault.Kind.NAME_UNFIT, at(Column.NAME), Column.NAME, cell);
            return Optional.empty();
        }
    }

    private Optional<Code> code(String cell) {
        try {
            return Optional.of(Code.parse(cell));
        } catch (SurveyException unfit) {
            fault(Fault.Kind.CODE_UNFIT, at(Column.CODE), Column.CODE, cell);
            return Optional.empty();
        }
    }

    private Optional<Double> metres(Column column, String cell) {
        boolean foreignMark = cell.indexOf(layout.decimalMark() == DecimalMark.POINT ? ',' : '.') >= 0;
        Optional<Double> number = foreignMark ? Optional.empty() : Decimals.parse(cell);
        if (number.isEmpty()) {
            boolean comma = layout.decimalMark() == DecimalMark.POINT && foreignMark && Decimals.parse(cell).isPresent();
            fault(comma ? Fault.Kind.DECIMAL_COMMA : Fault.Kind.NOT_A_NUMBER, at(column), column, cell);
            return Optional.empty();
        }
        double metres = Length.of(number.get(), layout.unit()).metres();
        if (Math.abs(metres) > GridPoint.FARTHEST_METRES) {
            fault(Fault.Kind.NUMBER_TOO_LARGE, at(column), column, cell);
            return Optional.empty();
        }
        return Optional.of(metres);
    }

    private int at(Column column) {
        return layout.columns().get(column) + 1;
    }

    private void fault(Fault.Kind kind, int column, Column meaning, String found) {
        faultCount++;
        if (faults.size() < MOST_FAULTS_KEPT) {
            faults.add(new Fault(kind, line, column, meaning, found));
        }
    }
}
