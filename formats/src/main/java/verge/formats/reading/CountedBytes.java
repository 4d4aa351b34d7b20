package verge.formats.reading;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.function.LongConsumer;

/** Bytes that tell, as they are read, how many have been. Whoever is told may end it by throwing. */
final class CountedBytes extends FilterInputStream {
    private final LongConsumer told;
    private long read;

    CountedBytes(InputStream bytes, LongConsumer told) {
        super(bytes);
        this.told = told;
    }

    @Override
    public int read() throws IOException {
        int one = super.read();
        count(one < 0 ? 0 : 1);
        return one;
    }

    @Override
    public int read(byte[] into, int offset, int length) throws IOException {
        int some = super.read(into, offset, length);
        count(Math.max(0, some));
        return some;
    }

    private void count(int more) {
        read += more;
        told.accept(read);
    }
}
