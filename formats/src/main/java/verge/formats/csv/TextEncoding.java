package verge.formats.csv;

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
 * @param firstForeignByte offset of the first byte that is not UTF-8, where that is why Latin-1 was chosen; else −1
 */
public record TextEncoding(Charset charset, int markBytes, long firstForeignByte) {
    private static final int PROBE_BYTES = 4096;
    private static final int CHUNK_BYTES = 1 << 16;

    /** Whether the bytes were not UTF-8 and are read as Latin-1 on the chance that they are. */
    public boolean assumed() {
        return firstForeignByte >= 0;
    }

    public static TextEncoding of(Path file) throws IOException {
        byte[] head;
        try (InputStream in = Files.newInputStream(file)) {
            head = in.readNBytes(PROBE_BYTES);
        }
        if (startsWith(head, 0xEF, 0xBB, 0xBF)) {
            return new TextEncoding(StandardCharsets.UTF_8, 3, -1);
        }
        if (startsWith(head, 0xFF, 0xFE)) {
            return new TextEncoding(StandardCharsets.UTF_16LE, 2, -1);
        }
        if (startsWith(head, 0xFE, 0xFF)) {
            return new TextEncoding(StandardCharsets.UTF_16BE, 2, -1);
        }
        if (zeroes(head, 1) > head.length / 5) {
            return new TextEncoding(StandardCharsets.UTF_16LE, 0, -1);
        }
        if (zeroes(head, 0) > head.length / 5) {
            return new TextEncoding(StandardCharsets.UTF_16BE, 0, -1);
        }
        long foreign = firstByteThatIsNotUtf8(file);
        return new TextEncoding(foreign < 0 ? StandardCharsets.UTF_8 : StandardCharsets.ISO_8859_1, 0, foreign);
    }

    /** A reader past the byte order mark. */
    public Reader open(Path file) throws IOException {
        InputStream in = new BufferedInputStream(Files.newInputStream(file), CHUNK_BYTES);
        in.skipNBytes(markBytes);
        return new InputStreamReader(in, charset);
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

    private static long firstByteThatIsNotUtf8(Path file) throws IOException {
        byte[] chunk = new byte[CHUNK_BYTES];
        long offset = 0;
        int following = 0;
        try (InputStream in = Files.newInputStream(file)) {
            for (int n = in.read(chunk); n >= 0; n = in.read(chunk)) {
                for (int i = 0; i < n; i++, offset++) {
                    int b = chunk[i] & 0xFF;
                    boolean continues = (b & 0xC0) == 0x80;
                    if (continues != following > 0) {
                        return offset;
                    }
                    following = continues ? following - 1 : b < 0x80 ? 0 : b >= 0xC2 && b < 0xE0 ? 1
                            : b >= 0xE0 && b < 0xF0 ? 2 : b >= 0xF0 && b < 0xF5 ? 3 : -1;
                    if (following < 0) {
                        return offset;
                    }
                }
            }
        }
        return following > 0 ? offset : -1;
    }
}
