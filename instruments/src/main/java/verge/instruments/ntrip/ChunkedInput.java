package verge.instruments.ntrip;

import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;

/** The content of a stream that comes in chunks, each with its length before it (RFC 9112, section 7.1). */
public final class ChunkedInput extends InputStream {
    private static final int LONGEST_HEAD = 64;
    private static final int LARGEST = 1 << 24;

    private final InputStream in;
    private int left;
    private boolean ended;

    public ChunkedInput(InputStream in) {
        this.in = in;
    }

    @Override
    public int read() throws IOException {
        byte[] one = new byte[1];
        return read(one, 0, 1) < 0 ? -1 : one[0] & 0xff;
    }

    @Override
    public int read(byte[] into, int from, int count) throws IOException {
        if (left == 0 && !ended) {
            left = head();
            ended = left == 0;
        }
        if (ended) {
            return -1;
        }
        int got = in.read(into, from, Math.min(count, left));
        if (got < 0) {
            throw new EOFException("a chunk broke off");
        }
        left -= got;
        if (left == 0) {
            line();   // behind each chunk
        }
        return got;
    }

    private int head() throws IOException {
        String line = line();
        try {
            int size = Integer.parseInt(line.replaceFirst("[;\\s].*", ""), 16);
            if (size < 0 || size > LARGEST) {
                throw new IOException("a chunk of " + size + " bytes");
            }
            return size;
        } catch (NumberFormatException none) {
            throw new IOException("no chunk: " + line);
        }
    }

    private String line() throws IOException {
        StringBuilder line = new StringBuilder();
        for (int c = in.read(); c != '\n'; c = in.read()) {
            if (c < 0) {
                throw new EOFException("a chunk broke off");
            }
            if (line.length() > LONGEST_HEAD) {
                throw new IOException("no chunk");
            }
            line.append((char) c);
        }
        return line.toString().strip();
    }
}
