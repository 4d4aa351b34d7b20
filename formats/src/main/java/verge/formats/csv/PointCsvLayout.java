package verge.formats.csv;

import java.util.Map;
import java.util.Optional;
import verge.core.units.LengthUnit;

/**
 * How a point file is to be read. Nothing of it is taken silently: it is proposed, shown with the first rows, and confirmed.
 *
 * @param header whether the first line names the columns
 * @param columns index from 0 of each meaning that the file has
 */
public record PointCsvLayout(char separator, DecimalMark decimalMark, boolean header, Map<Column, Integer> columns, LengthUnit unit) {
    public PointCsvLayout {
        columns = Map.copyOf(columns);
    }

    public Optional<Integer> index(Column column) {
        return Optional.ofNullable(columns.get(column));
    }
}
