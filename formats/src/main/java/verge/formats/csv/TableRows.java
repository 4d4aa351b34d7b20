package verge.formats.csv;

import java.io.Closeable;
import java.io.IOException;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import verge.formats.text.BoundedLines;

/** The rows of a table of text, one at a time: without blank lines and remarks, and with those joined whose quotes go over line ends. */
final class TableRows implements Closeable {
    /** A quote that is open for longer was never meant to close. */
    private static final int MOST_JOINED = 20;
    private static final String SEPARATOR_LINE = "sep=";

    private final BoundedLines lines;
    private final char separator;
    private final CsvLine split;
    private final Deque<Line> ahead = new ArrayDeque<>();

    TableRows(BoundedLines lines, char separator) {
        this.lines = lines;
        this.separator = separator;
        this.split = new CsvLine(separator);
    }

    private record Line(long number, String text) {
    }

    /**
     * @param line where it begins, from 1
     * @param cells empty if a quote in it is not closed
     */
    record Row(long line, Optional<List<String>> cells, String text) {
    }

    /** The next row, or null after the last. @throws BoundedLines.LineTooLong */
    Row next() throws IOException {
        for (Line line = take(); line != null; line = take()) {
            if (!line.text().isBlank() && !isRemark(line.text(), separator)) {
                return row(line);
            }
        }
        return null;
    }

    /** Whether a line says nothing of a point: a remark, or what parts the columns. */
    static boolean isRemark(String text, char separator) {
        String plain = text.stripLeading();
        return plain.startsWith("#") || plain.startsWith("//") || plain.startsWith(";") && separator != ';'
                || plain.toLowerCase(Locale.ROOT).startsWith(SEPARATOR_LINE);
    }

    /** What a line says that parts the columns, as spreadsheets write it at the top. */
    static Optional<Character> separatorSaid(String text) {
        String plain = text.strip();
        return plain.length() == SEPARATOR_LINE.length() + 1 && plain.toLowerCase(Locale.ROOT)
                .startsWith(SEPARATOR_LINE) ? Optional.of(plain.charAt(SEPARATOR_LINE.length())) : Optional.empty();
    }

    private Line take() throws IOException {
        if (!ahead.isEmpty()) {
            return ahead.poll();
        }
        String text = lines.next();
        return text == null ? null : new Line(lines.number(), text);
    }

    private Row row(Line first) throws IOException {
        Optional<List<String>> cells = split.cells(first.text());
        StringBuilder joined = new StringBuilder(first.text());
        Deque<Line> tried = new ArrayDeque<>();
        while (cells.isEmpty() && tried.size() < MOST_JOINED && joined.length() < BoundedLines.LONGEST_LINE) {
            Line more = take();
            if (more == null) {
                break;
            }
            tried.add(more);
            joined.append('\n').append(more.text());
            cells = split.cells(joined.toString());
        }
        if (cells.isEmpty()) {
            tried.descendingIterator().forEachRemaining(ahead::addFirst);   // only the one line is lost
            return new Row(first.number(), cells, first.text());
        }
        return new Row(first.number(), cells.map(all -> all.stream().map(c -> c.replaceAll("\\s*\\R\\s*", " ")).toList()),
                joined.toString());
    }

    @Override
    public void close() throws IOException {
        lines.close();
    }
}
