package verge.formats.csv;

import java.io.IOException;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** A table just as somebody sees it: the same columns, rows and figures. */
public final class SeenCsvWriter {
    private SeenCsvWriter() {
    }

    /** @param figures the columns that hold figures, by their places: any other text is kept from being taken for a formula */
    public static void write(Appendable out, List<String> headings, Stream<List<String>> rows, Set<Integer> figures) throws IOException {
        try (CSVPrinter printer = new CSVPrinter(out, CSVFormat.RFC4180)) {
            printer.printRecord(headings.stream().map(PlainCells::text).toList());
            for (List<String> row : (Iterable<List<String>>) rows::iterator) {
                printer.printRecord(IntStream.range(0, row.size())
                        .mapToObj(i -> figures.contains(i) ? row.get(i).replace('\u2212', '-') : PlainCells.text(row.get(i))).toList());
            }
        }
    }
}
