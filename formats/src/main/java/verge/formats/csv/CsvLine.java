package verge.formats.csv;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** Splits one line into its cells, quotes undone and blanks around cells dropped; where blanks part the columns, several are one. */
final class CsvLine {
    private final char separator;
    private final CSVFormat format;

    CsvLine(char separator) {
        this.separator = separator;
        format = CSVFormat.DEFAULT.builder().setDelimiter(separator).setIgnoreSurroundingSpaces(separator != ' ')
                .setTrim(true).get();
    }

    /** The cells, or empty if a quote is not closed. */
    Optional<List<String>> cells(String line) {
        if (line.indexOf('"') < 0) {
            return Optional.of(plain(separator == ' ' ? line.strip() : line));
        }
        try (CSVParser parser = CSVParser.parse(line, format)) {
            List<CSVRecord> records = parser.getRecords();
            List<String> cells = records.isEmpty() ? List.of() : Arrays.asList(records.get(0).values());
            return Optional.of(separator == ' ' ? cells.stream().filter(c -> !c.isEmpty()).toList() : List.copyOf(cells));
        } catch (IOException | UncheckedIOException | IllegalStateException openQuote) {
            return Optional.empty();
        }
    }

    private List<String> plain(String line) {
        List<String> cells = new ArrayList<>();
        int from = 0;
        for (int to = line.indexOf(separator); ; to = line.indexOf(separator, from)) {
            String cell = (to < 0 ? line.substring(from) : line.substring(from, to)).strip();
            if (separator != ' ' || !cell.isEmpty()) {
                cells.add(cell);
            }
            if (to < 0) {
                return cells;
            }
            from = to + 1;
        }
    }
}
