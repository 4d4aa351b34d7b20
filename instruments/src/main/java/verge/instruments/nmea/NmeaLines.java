package verge.instruments.nmea;

import java.nio.charset.StandardCharsets;
import java.util.function.Consumer;

/**
 * Lines out of a stream of bytes that may begin anywhere, break off and be mixed with others: a dollar begins a line anew, what is longer
 * than any is dropped.
 */
public final class NmeaLines {
    private final byte[] line = new byte[NmeaParser.LONGEST + 1];
    private int length = -1;   // -1: between lines
    private long broken;

    /** Takes bytes as they come. @param each gets every line that came whole, without its end */
    public void take(byte[] bytes, int count, Consumer<String> each) {
        for (int i = 0; i < count; i++) {
            byte b = bytes[i];
            if (b == '$') {
                broken += length > 0 ? 1 : 0;
                length = 0;
            }
            if (length < 0) {
                continue;
            }
            if (b == '\r' || b == '\n') {
                each.accept(new String(line, 0, length, StandardCharsets.US_ASCII));
                length = -1;
            } else if (length >= NmeaParser.LONGEST || b < ' ') {
                broken++;
                length = -1;
            } else {
                line[length++] = b;
            }
        }
    }

    /** How many lines began and never ended. */
    public long broken() {
        return broken;
    }
}
