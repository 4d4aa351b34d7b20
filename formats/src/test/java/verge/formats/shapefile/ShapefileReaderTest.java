package verge.formats.shapefile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verge.core.drawing.Feature;
import verge.core.drawing.FileSystem;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.formats.reading.ReadFile;
import verge.formats.reading.Report.Why;
import verge.formats.reading.Watch;

/** Records put together byte by byte from the published description, whole and broken. */
class ShapefileReaderTest {
    @TempDir
    private Path directory;

    /** A file with one record of a type, its content already in place after the type. */
    private static byte[] shapes(int type, int contentBytes, java.util.function.Consumer<ByteBuffer> content) {
        ByteBuffer file = ByteBuffer.allocate(100 + 8 + 4 + contentBytes);
        file.putInt(0, 9994).putInt(24, file.capacity() / 2);
        file.order(ByteOrder.LITTLE_ENDIAN).putInt(28, 1000).putInt(32, type);
        file.order(ByteOrder.BIG_ENDIAN).putInt(100, 1).putInt(104, (4 + contentBytes) / 2);
        file.order(ByteOrder.LITTLE_ENDIAN).putInt(108, type);
        ByteBuffer record = file.slice(112, contentBytes).order(ByteOrder.LITTLE_ENDIAN);
        content.accept(record);
        return file.array();
    }

    private static byte[] point(double x, double y) {
        return shapes(1, 16, r -> r.putDouble(x).putDouble(y));
    }

    /** Two parts of two and three places. */
    private static byte[] line(int type, boolean heights) {
        return shapes(type, 32 + 8 + 8 + 5 * 16 + (heights ? 16 + 5 * 8 : 0), r -> {
            r.position(32);
            r.putInt(2).putInt(5).putInt(0).putInt(2);
            for (int i = 0; i < 5; i++) {
                r.putDouble(649_000 + i).putDouble(6_314_000 + 2 * i);
            }
            if (heights) {
                r.putDouble(0).putDouble(9);
                for (int i = 0; i < 5; i++) {
                    r.putDouble(i == 4 ? -1e39 : 3 + i);
                }
            }
        });
    }

    private ReadFile read(byte[] bytes) throws IOException {
        return ShapefileReader.read(Files.write(directory.resolve("lamps.shp"), bytes), Watch.none("lamps.shp"));
    }

    private ReadFile archive(Map<String, byte[]> parts) throws IOException {
        Path zipped = directory.resolve("x.zip");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(zipped))) {
            for (Map.Entry<String, byte[]> part : parts.entrySet()) {
                zip.putNextEntry(new ZipEntry(part.getKey()));
                zip.write(part.getValue());
            }
        }
        return ShapefileReader.readArchive(zipped, Watch.none("x.zip"));
    }

    private static byte[] table(Charset charset, String... names) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ByteBuffer head = ByteBuffer.allocate(32 + 32 + 1).order(ByteOrder.LITTLE_ENDIAN);
        head.put(0, (byte) 3).putInt(4, names.length).putShort(8, (short) 65).putShort(10, (short) 11);
        head.position(32);
        head.put("Name".getBytes(StandardCharsets.US_ASCII));
        head.put(32 + 11, (byte) 'C').put(32 + 16, (byte) 10).put(64, (byte) 0x0D);
        out.write(head.array());
        for (String name : names) {
            out.write(' ');
            out.write(java.util.Arrays.copyOf((name + " ".repeat(10)).getBytes(charset), 10));
        }
        return out.toByteArray();
    }

    @Test
    void aPointLiesNorthByItsSecondFigure() throws IOException {
        Feature.Spot spot = read(point(649_010, 6_314_490)).drawing().spots().findFirst().orElseThrow();
        assertThat(spot.vertices().north(0)).isEqualTo(6_314_490);
        assertThat(spot.vertices().height(0)).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"3, false, 2", "5, false, 2", "13, true, 2", "15, true, 2", "23, false, 2", "25, false, 2"})
    void partsOfLinesAndPolygonsAreLinesOfTheirOwn(int type, boolean heights, int parts) throws IOException {
        ReadFile file = read(line(type, heights));
        assertThat(file.drawing().runs()).hasSize(parts);
        Feature.Run second = file.drawing().runs().skip(1).findFirst().orElseThrow();
        assertThat(second.vertices().size()).isEqualTo(3);
        assertThat(second.vertices().east(0)).isEqualTo(649_002);
        assertThat(second.vertices().height(0).isPresent()).isEqualTo(heights);
        assertThat(second.vertices().height(2)).as("'no value' is no height").isEmpty();
    }

    @Test
    void severalPointsOfOneRecord() throws IOException {
        ReadFile file = read(shapes(8, 32 + 4 + 2 * 16, r -> {
            r.position(32);
            r.putInt(2).putDouble(1).putDouble(2).putDouble(3).putDouble(4);
        }));
        assertThat(file.drawing().spots()).extracting(s -> s.vertices().east(0)).containsExactly(1.0, 3.0);
    }

    @Test
    void emptyAndUnknownShapesAreTold() throws IOException {
        assertThat(read(shapes(0, 0, r -> { })).report().leftOut()).extracting(l -> l.why()).containsExactly(Why.NO_SHAPE);
        assertThat(read(shapes(31, 16, r -> { })).report().leftOut()).extracting(l -> l.kind()).containsExactly("shape of type 31");
    }

    /** Counts larger than the record, parts that run back, a record longer than the file, a file cut short. */
    @Test
    void recordsThatDoNotHoldTogetherAreRefused() {
        byte[] manyPoints = line(3, false);
        ByteBuffer.wrap(manyPoints).order(ByteOrder.LITTLE_ENDIAN).putInt(112 + 36, 1_000_000_000);
        byte[] backwards = line(3, false);
        ByteBuffer.wrap(backwards).order(ByteOrder.LITTLE_ENDIAN).putInt(112 + 40, 4);
        byte[] negative = line(3, false);
        ByteBuffer.wrap(negative).order(ByteOrder.LITTLE_ENDIAN).putInt(112 + 32, -1);
        byte[] longRecord = point(1, 2);
        ByteBuffer.wrap(longRecord).putInt(104, 1_000_000);
        for (byte[] broken : new byte[][] {manyPoints, backwards, negative, longRecord, java.util.Arrays.copyOf(point(1, 2), 120),
                new byte[50]}) {
            assertThatThrownBy(() -> read(broken))
                    .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.FILE_DAMAGED));
        }
    }

    @Test
    void anArchiveGivesNamesSystemAndLayer() throws IOException {
        Map<String, byte[]> parts = new LinkedHashMap<>();
        parts.put("survey/Lamps.shp", point(649_010, 6_314_490));
        parts.put("survey/Lamps.dbf", table(StandardCharsets.UTF_8, "Mårk 1"));
        parts.put("survey/Lamps.cpg", "UTF-8".getBytes(StandardCharsets.UTF_8));
        parts.put("survey/Lamps.prj", "PROJCS[\"made up\"]".getBytes(StandardCharsets.UTF_8));
        ReadFile file = archive(parts);
        assertThat(file.drawing().spots()).extracting(Feature.Spot::name).containsExactly("Mårk 1");
        assertThat(file.drawing().layers().get(0).name()).isEqualTo("Lamps");
        assertThat(file.declared().system()).contains(new FileSystem.Defined("PROJCS[\"made up\"]"));
        parts.remove("survey/Lamps.cpg");
        parts.put("survey/Lamps.dbf", table(StandardCharsets.ISO_8859_1, "Mårk 1"));
        assertThat(archive(parts).drawing().spots()).extracting(Feature.Spot::name).as("without a word on its encoding")
                .containsExactly("Mårk 1");
    }

    @Test
    void aTableThatEndsEarlyLosesNamesAndNoShapes() throws IOException {
        ReadFile file = archive(Map.of("a.shp", point(1, 2), "a.dbf", table(StandardCharsets.UTF_8)));
        assertThat(file.drawing().spots()).extracting(Feature.Spot::name).containsExactly("");
        assertThatThrownBy(() -> archive(Map.of("a.shp", point(1, 2), "a.dbf", new byte[10])))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.FILE_DAMAGED));
    }
}
