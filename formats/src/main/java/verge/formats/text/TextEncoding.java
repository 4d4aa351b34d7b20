package verge.formats.text;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * How a text file's bytes are to be read, found from its mark or its bytes.
 *
 * @param markBytes length of the byte order mark to skip
 * @param line of the first byte that is not UTF-8, where that is why Latin-1 was chosen; else 0
 * @param column its place in that line, in characters
 */
public record TextEncoding(Charset charset, int markBytes, long line, long column) {
    private static final int PROBE_BYTES = 4096;
    private static final int CHUNK_BYTES = 1 << 16;

    /** Whether the bytes were not UTF-8 and are read as Latin-1 on the chance that they are. */
    public boolean assumed() {
        return line > 0;
    }

    public static TextEncoding of(Path file) throws IOException {
        byte[] head;
        try (InputStream in = Files.newInputStream(file)) {
            head = in.readNBytes(PROBE_BYTES);
        }
        if (startsWith(head, 0xEF, 0xBB, 0xBF)) {
            return new TextEncoding(StandardCharsets.UTF_8, 3, 0, 0);
        }
        if (startsWith(head, 0xFF, 0xFE)) {
            return new TextEncoding(StandardCharsets.UTF_16LE, 2, 0, 0);
        }
        if (startsWith(head, 0xFE, 0xFF)) {
            return new TextEncoding(StandardCharsets.UTF_16BE, 2, 0, 0);
        }
        if (zeroes(head, 1) > head.length / 5) {
            return new TextEncoding(StandardCharsets.UTF_16LE, 0, 0, 0);
        }
        if (zeroes(head, 0) > head.length / 5) {
            return new TextEncoding(StandardCharsets.UTF_16BE, 0, 0, 0);
        }
        return utf8OrLatin1(file);
    }

    /** A reader past the byte order mark. */
    public Reader open(Path file) throws IOException {
        return open(Files.newInputStream(file));
    }

    /** As {@link #open(Path)}, of bytes from the file's first on. */
    public Reader open(InputStream bytes) throws IOException {
        InputStream in = new BufferedInputStream(bytes, CHUNK_BYTES);
        in.skipNBytes(markBytes);
        return new InputStreamReader(in, charset);
    }

    /** The same file by another one-byte encoding, where its bytes are not UTF-8. */
    public TextEncoding orElse(Charset oneByte) {
        return assumed() ? new TextEncoding(oneByte, markBytes, line, column) : this;
    }

    private static boolean startsWith(byte[] head, int... mark) {
        if (head.length < mark.length) {
            return false;
        }
        for (int i = 0; i < mark.length; i++) {
            if ((head[i] & 0xFF) != mark[i]) {
                return false;
            }
        }
        return true;
    }

    /** Zero bytes at even (0) or odd (1) places: the empty half of plain letters in UTF-16. */
    private static int zeroes(byte[] head, int parity) {
        int count = 0;
        for (int i = parity; i < head.length; i += 2) {
            count += head[i] == 0 ? 1 : 0;
        }
        return count;
    }

    private static TextEncoding utf8OrLatin1(Path file) throws IOException {
        byte[] chunk = new byte[CHUNK_BYTES];
        long line = 1;
        long column = 0;
        long leadLine = 1;
        long leadColumn = 1;
        int following = 0;
        try (InputStream in = Files.newInputStream(file)) {
            for (int n = in.read(chunk); n >= 0; n = in.read(chunk)) {
                for (int i = 0; i < n; i++) {
                    int b = chunk[i] & 0xFF;
                    boolean continues = (b & 0xC0) == 0x80;
                    column = b == '\n' ? 0 : continues ? column : column + 1;
                    line = b == '\n' ? line + 1 : line;
                    if (following > 0 && !continues) {
                        return latin1(leadLine, leadColumn);
                    }
                    if (!continues) {
                        leadLine = line;
                        leadColumn = column;
                    }
                    following = continues ? following - 1 : continuationBytes(b);
                    if (following < 0) {
                        return latin1(line, column);
                    }
                }
            }
        }
        return following > 0 ? latin1(leadLine, leadColumn) : new TextEncoding(StandardCharsets.UTF_8, 0, 0, 0);
    }

    private static TextEncoding latin1(long line, long column) {
        return new TextEncoding(StandardCharsets.ISO_8859_1, 0, line, Math.max(1, column));
    }

    /** How many bytes follow one that begins a character of UTF-8; −1 if none begins so. */
    private static int continuationBytes(int first) {
        if (first < 0x80) {
            return 0;
        }
        return first >= 0xC2 && first < 0xE0 ? 1 : first >= 0xE0 && first < 0xF0 ? 2 : first >= 0xF0 && first < 0xF5 ? 3 : -1;
    }
}
