package verge.formats.csv;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** Splits one line into its cells, quotes undone and blanks around cells dropped. */
final class CsvLine {
    private final CSVFormat format;

    CsvLine(char separator) {
        format = CSVFormat.DEFAULT.builder().setDelimiter(separator).setIgnoreSurroundingSpaces(separator != ' ')
                .setTrim(true).get();
    }

    /** The cells, or empty if a quote is not closed on the line. */
    Optional<List<String>> cells(String line) {
        try (CSVParser parser = CSVParser.parse(line, format)) {
            List<CSVRecord> records = parser.getRecords();
            return Optional.of(records.isEmpty() ? List.of() : List.of(records.get(0).values()));
        } catch (IOException | UncheckedIOException | IllegalStateException openQuote) {
            return Optional.empty();
        }
    }
}
