package verge.formats.shapefile;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import verge.formats.reading.Gatherer;
import verge.formats.reading.Shapes;

/** The table beside a shapefile's shapes, row by row. */
final class Table implements AutoCloseable {
    private static final int HEADER_BYTES = 32;
    private static final int FIELD_BYTES = 32;
    private static final int MOST_FIELDS = 2_000;

    private record Field(String key, int length) {
    }

    private final InputStream in;
    private final Charset charset;
    private final List<Field> fields;
    private final int rowBytes;

    private Table(InputStream in, Charset charset, List<Field> fields, int rowBytes) {
        this.in = in;
        this.charset = charset;
        this.fields = fields;
        this.rowBytes = rowBytes;
    }

    static Table open(InputStream bytes, Charset charset, Gatherer out) throws IOException {
        InputStream in = new BufferedInputStream(bytes, 1 << 16);
        byte[] header = in.readNBytes(HEADER_BYTES);
        if (header.length < HEADER_BYTES) {
            throw out.watch().damaged("the head of the table (.dbf)");
        }
        ByteBuffer head = ByteBuffer.wrap(header).order(ByteOrder.LITTLE_ENDIAN);
        int headerLength = head.getShort(8) & 0xFFFF;
        int rowBytes = head.getShort(10) & 0xFFFF;
        int count = Math.min(MOST_FIELDS, (headerLength - HEADER_BYTES) / FIELD_BYTES);
        List<Field> fields = new ArrayList<>();
        int read = HEADER_BYTES;
        int width = 1;
        for (int i = 0; i < count; i++) {
            byte[] field = in.readNBytes(FIELD_BYTES);
            read += field.length;
            if (field.length < FIELD_BYTES || field[0] == 0x0D) {
                break;
            }
            fields.add(new Field(Shapes.Attributes.key(zeroEnded(field, charset)), field[16] & 0xFF));
            width += field[16] & 0xFF;
        }
        if (width > Math.max(rowBytes, 1)) {
            throw out.watch().damaged("the head of the table (.dbf)");
        }
        in.readNBytes(Math.max(0, headerLength - read));
        return new Table(in, charset, fields, rowBytes);
    }

    private static String zeroEnded(byte[] field, Charset charset) {
        int end = 0;
        while (end < 11 && field[end] != 0) {
            end++;
        }
        return new String(field, 0, end, charset);
    }

    /** The next row; nothing after the last, and where the table breaks off: shapes count, not what is said of them. */
    Shapes.Attributes next() throws IOException {
        byte[] row = in.readNBytes(rowBytes);
        if (row.length < rowBytes || rowBytes == 0) {
            return Shapes.Attributes.NONE;
        }
        Map<String, String> values = new HashMap<>();
        int at = 1;
        for (Field field : fields) {
            values.put(field.key(), new String(row, at, field.length(), charset).strip());
            at += field.length();
        }
        return new Shapes.Attributes(values);
    }

    @Override
    public void close() throws IOException {
        in.close();
    }
}
