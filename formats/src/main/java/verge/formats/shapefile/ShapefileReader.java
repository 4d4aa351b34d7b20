package verge.formats.shapefile;

import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.Charset;
import java.nio.charset.IllegalCharsetNameException;
import java.nio.charset.StandardCharsets;
import java.nio.charset.UnsupportedCharsetException;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.zip.ZipException;
import verge.core.drawing.FileSystem;
import verge.core.drawing.FileUnit;
import verge.core.plan.Vertices;
import verge.formats.reading.Archive;
import verge.formats.reading.Declared;
import verge.formats.reading.FileKind;
import verge.formats.reading.Gatherer;
import verge.formats.reading.ReadFile;
import verge.formats.reading.Report.Why;
import verge.formats.reading.Shapes;
import verge.formats.reading.Watch;

/**
 * Reads shapefiles: the shapes alone, or zipped with their table (.dbf), their system (.prj) and the table's encoding (.cpg). By the
 * published technical description of the format of July 1998.
 */
public final class ShapefileReader {
    private static final int HEADER_BYTES = 100;
    private static final int MAGIC = 9994;
    private static final int LONGEST_RECORD_BYTES = 160_000_000;
    private static final int LONGEST_TEXT = 20_000;
    /** What the format writes for 'no value' and anything below. */
    private static final double NO_DATA = -1e38;
    private static final Set<String> PARTS = Set.of("shp", "shx", "dbf", "prj", "cpg", "sbn", "sbx", "qix", "fix", "shp.xml", "qpj");
    private static final int LAST_TYPE = 28;
    private static final int HAS_Z_FROM = 11;
    private static final int HAS_Z_TO = 18;

    private final Gatherer out;
    private final Shapes shapes;
    private final Optional<Table> table;
    private final String layer;

    private ShapefileReader(Gatherer out, Optional<Table> table, String layer) {
        this.out = out;
        this.shapes = new Shapes(out);
        this.table = table;
        this.layer = layer;
    }

    /** Shapes alone, without names or system. */
    public static ReadFile read(Path file, Watch watch) throws IOException {
        Gatherer out = new Gatherer(watch);
        try (InputStream in = watch.open(file)) {
            new ShapefileReader(out, Optional.empty(), stem(watch.fileName())).readShapes(in);
        }
        return out.result(FileKind.SHAPEFILE, Declared.eastNorth(Optional.empty(), Optional.empty()));
    }

    /** All shapefiles of an archive; the system is that of the first. */
    public static ReadFile readArchive(Path file, Watch watch) throws IOException {
        try (Archive archive = Archive.open(file, watch)) {
            Gatherer out = new Gatherer(watch);
            Optional<FileSystem> system = Optional.empty();
            Set<String> stems = archive.all(".shp").stream().map(shp -> shp.substring(0, shp.length() - 4).toLowerCase(Locale.ROOT))
                    .collect(Collectors.toSet());
            archive.others(entry -> isPart(entry, stems))
                    .forEach(other -> out.leaveOut("file of the archive", Why.NOT_READ, "\u2018" + other + "\u2019"));
            for (String shp : archive.all(".shp")) {
                String stem = shp.substring(0, shp.length() - 4);
                Optional<Charset> named = part(archive, stem, ".cpg").map(ShapefileReader::charset);
                Optional<FileSystem> own = part(archive, stem, ".prj").map(FileSystem.Defined::new);
                if (own.isPresent() && system.isPresent() && !own.equals(system)) {
                    out.leaveOut("layer \u2018" + stem(stem) + "\u2019 in a system of its own", Why.NOT_READ, shp);
                    continue;
                }
                system = system.isPresent() ? system : own;
                Optional<String> dbf = archive.first(name -> name.equalsIgnoreCase(stem + ".dbf"));
                try (Table table = dbf.isEmpty() ? null
                        : Table.open(archive.bytes(dbf.get()), named.orElse(StandardCharsets.ISO_8859_1), out);
                        InputStream in = watch.watched(archive.bytes(shp))) {
                    new ShapefileReader(out, Optional.ofNullable(table), stem(stem)).readShapes(in);
                }
            }
            return out.result(FileKind.SHAPEFILE, Declared.eastNorth(system, Optional.<FileUnit>empty()));
        } catch (ZipException broken) {
            throw watch.damaged("the archive");
        }
    }

    /** Whether an entry is one of the files that make a shapefile, or an index of one. */
    private static boolean isPart(String entry, Set<String> stems) {
        int dot = entry.indexOf('.', Math.max(entry.lastIndexOf('/'), 0));
        return dot >= 0 && stems.contains(entry.substring(0, dot).toLowerCase(Locale.ROOT))
                && PARTS.contains(entry.substring(dot + 1).toLowerCase(Locale.ROOT));
    }

    private static String stem(String name) {
        String last = name.substring(Math.max(name.lastIndexOf('/'), name.lastIndexOf('\\')) + 1);
        return last.toLowerCase(Locale.ROOT).endsWith(".shp") ? last.substring(0, last.length() - 4) : last;
    }

    private static Optional<String> part(Archive archive, String stem, String ending) throws IOException {
        Optional<String> entry = archive.first(name -> name.equalsIgnoreCase(stem + ending));
        if (entry.isEmpty()) {
            return Optional.empty();
        }
        try (InputStream in = archive.bytes(entry.get())) {
            return Optional.of(new String(in.readNBytes(LONGEST_TEXT), StandardCharsets.UTF_8).strip()).filter(t -> !t.isEmpty());
        }
    }

    private static Charset charset(String name) {
        try {
            return Charset.forName(name.strip());
        } catch (IllegalCharsetNameException | UnsupportedCharsetException unknown) {
            return StandardCharsets.ISO_8859_1;
        }
    }

    private void readShapes(InputStream bytes) throws IOException {
        DataInputStream in = new DataInputStream(new BufferedInputStream(bytes, 1 << 16));
        byte[] header = in.readNBytes(HEADER_BYTES);
        if (header.length < HEADER_BYTES || ByteBuffer.wrap(header).getInt() != MAGIC) {
            throw out.watch().damaged("the first 100 bytes of the shapes");
        }
        long left = 2L * ByteBuffer.wrap(header).getInt(24) - HEADER_BYTES;
        int number = 0;
        try {
            while (left >= 8) {
                number++;
                in.readInt();
                int length = in.readInt();
                long size = 2L * length;
                if (size < 4 || size > Math.min(left - 8, LONGEST_RECORD_BYTES)) {
                    throw out.watch().damaged("record " + number);
                }
                ByteBuffer record = ByteBuffer.wrap(in.readNBytes((int) size)).order(ByteOrder.LITTLE_ENDIAN);
                if (record.limit() < size) {
                    throw new EOFException();
                }
                shape(record, number);
                left -= 8 + size;
            }
        } catch (EOFException brokenOff) {
            throw out.watch().damaged("record " + number + ": the file breaks off");
        }
    }

    private void shape(ByteBuffer record, int number) throws IOException {
        Shapes.Attributes about = table.isPresent() ? table.get().next() : Shapes.Attributes.NONE;
        String where = "record " + number;
        int type = record.getInt();
        int on = out.layer(about.layer().isEmpty() ? layer : about.layer());
        boolean z = type >= HAS_Z_FROM && type <= HAS_Z_TO;
        try {
            switch (type > LAST_TYPE ? -1 : type % 10) {
                case 0 -> out.leaveOut("shape", Why.NO_SHAPE, where);
                case 1 -> shapes.points("point", on, about, new Vertices.Builder()
                        .add(record.getDouble(12), record.getDouble(4), z ? value(record.getDouble(20)) : Double.NaN).build(), where);
                case 8 -> several(record, on, about, z, where);
                case 3, 5 -> parts(record, type % 10 == 3 ? "line" : "polygon", on, about, z, where);
                default -> out.leaveOut("shape of type " + type, Why.NOT_READ, where);
            }
        } catch (IndexOutOfBoundsException tooShort) {
            throw out.watch().damaged(where + ": it is shorter than its points need");
        }
    }

    private static double value(double written) {
        return written < NO_DATA ? Double.NaN : written;
    }

    private int count(ByteBuffer record, int at, int bytesEach, String where) {
        int count = record.getInt(at);
        if (count < 0 || (long) count * bytesEach > record.limit()) {
            throw out.watch().damaged(where + ": it is shorter than its points need");
        }
        return count;
    }

    private void several(ByteBuffer record, int on, Shapes.Attributes about, boolean z, String where) {
        int count = count(record, 36, 16, where);
        shapes.points("multipoint", on, about, row(record, 40, 40 + 16 * count + 16, 0, count, z), where);
    }

    private void parts(ByteBuffer record, String kind, int on, Shapes.Attributes about, boolean z, String where) {
        int partCount = count(record, 36, 4, where);
        int count = count(record, 40, 16, where);
        int points = 44 + 4 * partCount;
        for (int part = 0; part < partCount; part++) {
            int from = record.getInt(44 + 4 * part);
            int until = part + 1 < partCount ? record.getInt(48 + 4 * part) : count;
            if (from < 0 || until < from || until > count) {
                throw out.watch().damaged(where + ": its parts do not follow one another");
            }
            shapes.line(kind, on, about, row(record, points, points + 16 * count + 16, from, until, z), where);
        }
    }

    private static Vertices row(ByteBuffer record, int points, int heights, int from, int until, boolean z) {
        Vertices.Builder row = new Vertices.Builder();
        for (int i = from; i < until; i++) {
            row.add(record.getDouble(points + 16 * i + 8), record.getDouble(points + 16 * i),
                    z ? value(record.getDouble(heights + 8 * i)) : Double.NaN);
        }
        return row.build();
    }
}
