package verge.app.importing;

import java.util.List;
import java.util.Map;
import verge.app.drawing.ReadAs;
import verge.core.drawing.FileCoordinates;
import verge.core.drawing.FileUnit;
import verge.core.drawing.Role;
import verge.core.units.PlanAxes;
import verge.formats.csv.DecimalMark;

/**
 * How a person or a program wants a file read; what was not chosen is null and comes from the proposal.
 *
 * @param role what the file is to the site's jobs
 * @param unit of its lengths
 * @param order which coordinate comes first: in a table without a heading it stands for the order of its columns
 * @param system job-grid, job-grid-zone (the zone's number before the easting), job-ground, lat-lon, or a code such as EPSG:25832
 * @param separator comma, semicolon, tab, blank, pipe or colon, for a table
 * @param header whether a table's first line names its columns
 * @param column for each column of a table its meaning, or an empty text to leave it out
 * @param asked whether the columns come from a page that still asks which coordinate comes first: then they do not answer it
 * @param codes how a table of codes is read
 */
public record FileChoice(Role role, FileUnit unit, PlanAxes.Order order, Boolean southwards, Boolean westwards,
        FileCoordinates.Heights heights, String system,
        String separator, DecimalMark decimalMark, Boolean header, List<String> column, Boolean asked, CodesChoice codes) {
    private static final Map<String, Character> SEPARATORS = Map.of("comma", ',', "semicolon", ';', "tab", '\t', "blank", ' ', "pipe", '|',
            "colon", ':');
    static final List<String> SEPARATOR_NAMES = List.of("comma", "semicolon", "tab", "blank", "pipe", "colon");

    /** Nothing but the role. */
    public static FileChoice of(Role role) {
        return new FileChoice(role, null, null, null, null, null, null, null, null, null, null, null, null);
    }

    /** The character that parts columns; null if it was not chosen. */
    Character separatorCharacter() {
        return separator == null ? null : SEPARATORS.get(separator);
    }

    static String separatorName(String character) {
        return SEPARATORS.entrySet().stream().filter(e -> String.valueOf(e.getValue()).equals(character)).map(Map.Entry::getKey).findFirst()
                .orElse("comma");
    }

    /** The proposal with what was chosen put over it. */
    ReadAs over(ReadAs proposed) {
        ReadAs.Table table = proposed.table() == null ? null : over(proposed.table());
        return new ReadAs(or(system, proposed.system()), or(unit, proposed.unit()),
                table == null ? or(order, proposed.order()) : PlanAxes.Order.NORTH_EAST,
                or(southwards, proposed.southwards()), or(westwards, proposed.westwards()), or(heights, proposed.heights()),
                table == null || order == null ? table : table.inOrder(order));
    }

    /** Without the meanings of columns if they were chosen for another number of columns: then the separator has just been changed. */
    FileChoice fitting(int columns) {
        return column == null || column.size() == columns ? this
                : new FileChoice(role, unit, order, southwards, westwards, heights, system, separator, decimalMark, header, null, asked,
                codes);
    }

    /** Whether it says which of a table's coordinates comes first. */
    boolean saysOrder() {
        return order != null || column != null && !Boolean.TRUE.equals(asked);
    }

    private ReadAs.Table over(ReadAs.Table proposed) {
        return new ReadAs.Table(proposed.separator(), or(decimalMark, proposed.decimalMark()), or(header, proposed.header()),
                or(column, proposed.columns()));
    }

    private static <T> T or(T chosen, T proposed) {
        return chosen == null ? proposed : chosen;
    }
}
