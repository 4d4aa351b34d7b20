package verge.instruments.ntrip;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;

/** A stream of the first version: some casters end their answer with an empty line, some do not, and no frame begins with one. */
final class WithoutEmptyLine extends FilterInputStream {
    private boolean begun;

    WithoutEmptyLine(InputStream in) {
        super(in);
    }

    @Override
    public int read(byte[] into, int from, int count) throws IOException {
        if (begun || count == 0) {
            return super.read(into, from, count);
        }
        int first = in.read();
        while (first == '\r' || first == '\n') {
            first = in.read();
        }
        begun = true;
        if (first < 0) {
            return -1;
        }
        into[from] = (byte) first;
        return 1;
    }
}
