package verge.app.importing;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import verge.core.journal.Origin;
import verge.core.units.LengthUnit;
import verge.formats.csv.Column;
import verge.formats.csv.DecimalMark;
import verge.formats.csv.PointCsvLayout;

/**
 * How a person wants a file read; what was not chosen is null and comes from the proposal.
 *
 * @param separator comma, semicolon, tab or blank
 * @param header whether the first line names the columns
 * @param column for each column of the file its meaning, or an empty text to leave it out
 * @param role what the points become
 * @param ground whether the coordinates are the job's ground coordinates rather than grid
 */
public record ColumnChoice(String separator, DecimalMark decimalMark, Boolean header, LengthUnit unit, List<String> column, Origin role, Boolean ground) {
    private static final Map<String, Character> SEPARATORS = Map.of("comma", ',', "semicolon", ';', "tab", '\t', "blank", ' ');

    Character separatorCharacter() {
        return separator == null ? null : SEPARATORS.get(separator);
    }

    static String separatorName(char character) {
        return SEPARATORS.entrySet().stream().filter(e -> e.getValue() == character).findFirst().orElseThrow().getKey();
    }

    boolean inGround() {
        return Boolean.TRUE.equals(ground);
    }

    Origin roleOrControl() {
        return role == Origin.DESIGN ? Origin.DESIGN : Origin.CONTROL;
    }

    /** The proposal with what was chosen put over it. */
    PointCsvLayout over(PointCsvLayout proposed) {
        return new PointCsvLayout(proposed.separator(), decimalMark == null ? proposed.decimalMark() : decimalMark,
                header == null ? proposed.header() : header, column == null ? proposed.columns() : columns(),
                unit == null ? proposed.unit() : unit);
    }

    private Map<Column, Integer> columns() {
        Map<Column, Integer> chosen = new EnumMap<>(Column.class);
        for (int i = 0; i < column.size(); i++) {
            if (!column.get(i).isEmpty()) {
                chosen.putIfAbsent(Column.valueOf(column.get(i)), i);
            }
        }
        return chosen;
    }
}
