package verge.formats.text;

import java.io.Closeable;
import java.io.IOException;
import java.io.Reader;

/** Lines of a text, one at a time, each of bounded length, so that a file without line ends cannot fill the memory. */
public final class BoundedLines implements Closeable {
    public static final int LONGEST_LINE = 10_000;
    private static final int END = -1;

    private final Reader reader;
    private final int longest;
    private final char[] buffer = new char[1 << 14];
    private int length;
    private int next;
    private boolean afterCarriageReturn;
    private long number;

    public BoundedLines(Reader reader) {
        this(reader, LONGEST_LINE);
    }

    /** @param longest characters that a line may have */
    public BoundedLines(Reader reader, int longest) {
        this.reader = reader;
        this.longest = longest;
    }

    /** The line last returned, counted from 1 as an editor would. */
    public long number() {
        return number;
    }

    /**
     * The next line without its end, or null after the last.
     *
     * @throws LineTooLong if it has more characters than a line may
     */
    public String next() throws IOException {
        StringBuilder line = new StringBuilder(80);
        boolean any = false;
        for (int c = read(); c != END; c = read()) {
            boolean secondHalfOfLineEnd = c == '\n' && afterCarriageReturn;
            afterCarriageReturn = c == '\r';
            if (secondHalfOfLineEnd) {
                continue;
            }
            any = true;
            if (c == '\n' || c == '\r') {
                break;
            }
            if (line.length() == longest) {
                throw new LineTooLong(number + 1);
            }
            line.append((char) c);
        }
        if (!any) {
            return null;
        }
        number++;
        return line.toString();
    }

    private int read() throws IOException {
        if (next == length) {
            length = reader.read(buffer);
            next = 0;
            if (length < 0) {
                length = 0;
                return END;
            }
        }
        return buffer[next++];
    }

    @Override
    public void close() throws IOException {
        reader.close();
    }

    /** A line so long that the file cannot be a table of points. */
    public static final class LineTooLong extends IOException {
        private static final long serialVersionUID = 1L;
        private final long line;

        LineTooLong(long line) {
            super("line " + line);
            this.line = line;
        }

        public long line() {
            return line;
        }
    }
}
