package verge.instruments.ntrip;

import java.io.ByteArrayOutputStream;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;

/**
 * A stream of the first version: some casters end their answer with an empty line, some with headers such as 'Server: …' before it, some
 * with nothing, and no frame begins like either. None of that is for a receiver.
 */
final class WithoutHeaders extends FilterInputStream {
    private static final Pattern HEADER = Pattern.compile("([A-Za-z][A-Za-z0-9-]{0,60}:[ -~\\t]*)?\\r?\\n");
    private static final int LONGEST_LINE = 1_000;

    /** What was looked at and is no header. */
    private byte[] looked = {};
    private int passedOn;
    private boolean begun;

    WithoutHeaders(InputStream in) {
        super(in);
    }

    @Override
    public int read(byte[] into, int from, int count) throws IOException {
        if (count == 0) {
            return 0;
        }
        if (!begun) {
            begun = true;
            passHeaders();
        }
        if (passedOn == looked.length) {
            return super.read(into, from, count);
        }
        int some = Math.min(count, looked.length - passedOn);   // without waiting for more
        System.arraycopy(looked, passedOn, into, from, some);
        passedOn += some;
        return some;
    }

    private void passHeaders() throws IOException {
        do {
            looked = line();
        } while (looked.length > 0 && HEADER.matcher(new String(looked, StandardCharsets.ISO_8859_1)).matches());
    }

    /**
     * Up to the end of a line of letters, or to what is none. A header comes at once: for the rest of a frame that begins like one nobody
     * waits.
     */
    private byte[] line() throws IOException {
        ByteArrayOutputStream line = new ByteArrayOutputStream();
        int next;
        do {
            next = in.read();
            if (next >= 0) {
                line.write(next);
            }
        } while (line.size() < LONGEST_LINE && (next >= ' ' && next < 0x7F || next == '\t' || next == '\r')
                && (in.available() > 0 || next == '\r'));
        return line.toByteArray();
    }
}
