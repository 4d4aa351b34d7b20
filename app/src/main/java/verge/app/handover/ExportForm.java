package verge.app.handover;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.units.Figures;
import verge.core.units.LengthUnit;
import verge.formats.csv.DecimalMark;
import verge.formats.csv.PointCsvWriter.Field;
import verge.formats.csv.PointCsvWriter;

/**
 * What is to be written, as chosen on the page; what was not chosen is null and takes the usual value.
 *
 * @param what origins of the points that go
 * @param column fields in order
 * @param move 'up:FIELD', 'down:FIELD', 'out:FIELD' or 'in:FIELD': a change of the columns to be made first
 * @param separator comma, semicolon or tab
 * @param ground whether coordinates go as the job's ground coordinates; else they go as pure grid, which is what the office means by them
 * @param notes whether the job's own note fields go along
 * @param described whether a column for what files say of points has been offered already: who left it out does not get it again
 */
public record ExportForm(Set<Origin> what, List<Field> column, String move, String separator, DecimalMark decimalMark, LengthUnit unit,
        Integer decimals, Boolean ground, Boolean notes, Boolean described) {
    private static final List<Field> USUAL = List.of(Field.NAME, Field.NORTHING, Field.EASTING, Field.ELEVATION, Field.CODE);
    private static final int MOST_DECIMALS = 6;

    Set<Origin> origins() {
        return what == null || what.isEmpty() ? Set.of(Origin.MEASURED) : what;
    }

    boolean inGround() {
        return Boolean.TRUE.equals(ground);
    }

    boolean withNotes() {
        return Boolean.TRUE.equals(notes);
    }

    /** With a column for what files say about points among the usual ones, where there is anything to write in it. */
    ExportForm describing(Stream<StoredPoint> points) {
        if (Boolean.TRUE.equals(described) || points.allMatch(p -> p.description().isEmpty())) {
            return this;
        }
        List<Field> columns = Stream.concat((column == null || column.isEmpty() ? USUAL : column).stream(), Stream.of(Field.DESCRIPTION))
                .distinct().toList();
        return new ExportForm(what, columns, move, separator, decimalMark, unit, decimals, ground, notes, true);
    }

    /** The columns in their order, the asked-for move made. */
    List<Field> columns() {
        List<Field> columns = new ArrayList<>(column == null || column.isEmpty() ? USUAL : column);
        if (move != null) {
            String[] deedAndField = move.split(":", 2);
            Arrays.stream(Field.values()).filter(f -> deedAndField.length == 2 && f.name().equals(deedAndField[1])).findFirst()
                    .ifPresent(field -> move(columns, deedAndField[0], field));
        }
        return columns;
    }

    private static void move(List<Field> columns, String deed, Field field) {
        int at = columns.indexOf(field);
        if (deed.equals("up")) {
            swap(columns, at, at - 1);
        } else if (deed.equals("down")) {
            swap(columns, at, at + 1);
        } else if (deed.equals("out") && columns.size() > 1) {
            columns.remove(field);
        } else if (deed.equals("in") && at < 0) {
            columns.add(field);
        }
    }

    private static void swap(List<Field> columns, int a, int b) {
        if (a >= 0 && b >= 0 && b < columns.size()) {
            Field held = columns.get(a);
            columns.set(a, columns.get(b));
            columns.set(b, held);
        }
    }

    PointCsvWriter.Layout layout(Figures figures) {
        DecimalMark mark = decimalMark == null ? DecimalMark.POINT : decimalMark;
        char character = "semicolon".equals(separator) ? ';' : "tab".equals(separator) ? '\t' : mark == DecimalMark.COMMA ? ';' : ',';
        int places = decimals == null ? figures.lengthDecimals() + (unit == null || unit == figures.lengthUnit() ? 0 : 1) : decimals;
        return new PointCsvWriter.Layout(columns(), character, mark, unit == null ? figures.lengthUnit() : unit,
                Math.max(0, Math.min(MOST_DECIMALS, places)), figures.axes());
    }
}
