package verge.formats.geoid;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.zip.Deflater;
import mil.nga.tiff.FieldTagType;
import mil.nga.tiff.FileDirectory;
import mil.nga.tiff.TIFFImage;
import mil.nga.tiff.TiffReader;
import mil.nga.tiff.TiffWriter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.provider.ValueSource;
import org.junit.jupiter.params.ParameterizedTest;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.GeoidGrid;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.formats.reading.Watch;

/** Grids of both formats; the two samples are the same cut-out of EGM96 written by GDAL. */
class GeoidFileTest {
    @TempDir
    private Path directory;

    private static GeoidGrid sample(String name) throws IOException {
        return GeoidFile.read(Path.of("src/test/resources/geoid/" + name), Watch.none(name));
    }

    @Test
    void bothFormatsGiveTheSame() throws IOException {
        GeoidGrid gtx = sample("ternholm.gtx");
        GeoidGrid tiff = sample("ternholm.tif");
        assertThat(tiff.frame()).isEqualTo(gtx.frame());
        Random random = new Random(5);
        for (int i = 0; i < 200; i++) {
            Geographic place = Geographic.ofDegrees(56 + 2 * random.nextDouble(), 10 + 3 * random.nextDouble());
            assertThat(tiff.undulation(place).orElseThrow()).isEqualTo(gtx.undulation(place).orElseThrow());
        }
        assertThat(gtx.undulation(Geographic.ofDegrees(56.95, 11.45)).orElseThrow()).isCloseTo(37.618025970459, within(1e-5));
        assertThat(gtx.undulation(Geographic.ofDegrees(55.5, 11.45))).isEmpty();
        assertThat(gtx.undulation(Geographic.ofDegrees(57, -11.45))).isEmpty();
    }

    /** 200 places by PROJ, over the poles, the date line and the grid's own seam. */
    @Test
    void theShippedGridAgreesWithProj() throws IOException {
        List<String> rows = Files.readAllLines(Path.of("src/test/resources/geoid/geoid_egm96.csv"));
        assertThat(rows).hasSize(201);
        for (String row : rows.subList(1, rows.size())) {
            double[] figures = Arrays.stream(row.split(",")).mapToDouble(Double::parseDouble).toArray();
            assertThat(ShippedGeoid.egm96().undulation(Geographic.ofDegrees(figures[0], figures[1])).orElseThrow()).as(row)
                    .isCloseTo(figures[2], within(1e-5));
        }
    }

    @Test
    void aGridThatWasCutOffSaysHowMuchIsThere() throws IOException {
        byte[] whole = Files.readAllBytes(Path.of("src/test/resources/geoid/ternholm.gtx"));
        assertThat(refused(Arrays.copyOf(whole, whole.length - 1))).isEqualTo(Problem.GEOID_GRID_TRUNCATED);
        byte[] tiff = Files.readAllBytes(Path.of("src/test/resources/geoid/ternholm.tif"));
        assertThat(refused(Arrays.copyOf(tiff, tiff.length * 2 / 3))).isIn(Problem.GEOID_GRID_TRUNCATED, Problem.NOT_A_GEOID_GRID);
        assertThat(refused(Arrays.copyOf(tiff, 9))).isIn(Problem.GEOID_GRID_TRUNCATED, Problem.NOT_A_GEOID_GRID);
    }

    /** A grid of three by two, its one strip deflated. @param cut bytes that its end lacks */
    private static byte[] deflated(int cut) {
        byte[] plain = ByteBuffer.allocate(24).order(ByteOrder.LITTLE_ENDIAN).putFloat(37).putFloat(38).putFloat(39).putFloat(40)
                .putFloat(41).putFloat(42).array();
        Deflater deflater = new Deflater();
        deflater.setInput(plain);
        deflater.finish();
        byte[] packed = new byte[100];
        int length = deflater.deflate(packed) - cut;
        return strip(8, Arrays.copyOf(packed, length));
    }

    /** The same grid, its one strip as given. @param compression tag 259 */
    private static byte[] strip(int compression, byte[] packed) {
        int length = packed.length;
        int[][] entries = {{256, 3, 1, 3}, {257, 3, 1, 2}, {258, 3, 1, 32}, {259, 3, 1, compression}, {262, 3, 1, 1}, {273, 4, 1, 300},
                {277, 3, 1, 1}, {278, 3, 1, 2}, {279, 4, 1, length}, {339, 3, 1, 3}, {33550, 12, 3, 200}, {33922, 12, 6, 224}};
        ByteBuffer file = ByteBuffer.allocate(300 + length).order(ByteOrder.LITTLE_ENDIAN).put((byte) 'I').put((byte) 'I')
                .putShort((short) 42).putInt(8).putShort((short) entries.length);
        for (int[] e : entries) {
            file.putShort((short) e[0]).putShort((short) e[1]).putInt(e[2]).putInt(e[3]);
        }
        file.putInt(0).position(200);
        for (double figure : new double[] {0.5, 0.5, 0, 0, 0, 0, 11, 57, 0}) {
            file.putDouble(figure);
        }
        file.position(300);
        return file.put(packed, 0, length).array();
    }

    /** A strip that does not end holds nobody; whole it is read. */
    @Test
    @Timeout(20)
    void aDeflatedStripWithoutItsEndIsCutOff() throws IOException {
        assertThat(GeoidFile.read(Files.write(directory.resolve("whole"), deflated(0)), Watch.none("whole")).frame().columns())
                .isEqualTo(3);
        for (int cut = 1; cut < 20; cut++) {
            assertThat(refused(deflated(cut))).as("without %s bytes", cut).isIn(Problem.GEOID_GRID_TRUNCATED, Problem.NOT_A_GEOID_GRID);
        }
    }

    /** Bytes of anywhere in a strip packed by any of the ways: read or refused, and never without an end. */
    @ParameterizedTest
    @ValueSource(ints = {1, 5, 8, 7, 32_773, 32_946, 50_000})
    @Timeout(value = 60, threadMode = Timeout.ThreadMode.SEPARATE_THREAD)
    void noStripHoldsAnybody(int compression) throws IOException {
        Random seeded = new Random(compression);
        for (int i = 0; i < 300; i++) {
            byte[] packed = new byte[seeded.nextInt(60)];
            seeded.nextBytes(packed);
            Path file = Files.write(directory.resolve("strip"), strip(compression, packed));
            try {
                assertThat(GeoidFile.read(file, Watch.none("strip")).frame().columns()).isEqualTo(3);
            } catch (SurveyException refused) {
                assertThat(refused.problem()).isIn(Problem.GEOID_GRID_TRUNCATED, Problem.NOT_A_GEOID_GRID);
            }
        }
    }

    @Test
    void whatIsNoGridIsSaidToBeNone() throws IOException {
        assertThat(refused("name,northing,easting\nT1,6314000,649000\nT2,6314100,649000\n".getBytes())).isEqualTo(Problem.NOT_A_GEOID_GRID);
        assertThat(refused(new byte[3])).isEqualTo(Problem.NOT_A_GEOID_GRID);
        byte[] kilometres = ByteBuffer.allocate(56).putDouble(0).putDouble(0).putDouble(1).putDouble(1).putInt(2).putInt(2)
                .putFloat(1).putFloat(3000).putFloat(1).putFloat(1).array();
        assertThat(refused(kilometres)).isEqualTo(Problem.NOT_A_GEOID_GRID);
        byte[] huge = ByteBuffer.allocate(60).putDouble(0).putDouble(0).putDouble(1).putDouble(1).putInt(Integer.MAX_VALUE).putInt(2)
                .array();
        assertThat(refused(huge)).isEqualTo(Problem.NOT_A_GEOID_GRID);
    }

    @Test
    void aNodeWithoutValueEmptiesItsCells() {
        byte[] bytes = ByteBuffer.allocate(40 + 24).putDouble(0).putDouble(10).putDouble(1).putDouble(1).putInt(2).putInt(3)
                .putFloat(1).putFloat(2).putFloat(-88.8888f).putFloat(3).putFloat(4).putFloat(5).array();
        GeoidGrid grid = Gtx.read(bytes, "hole");
        assertThat(grid.undulation(Geographic.ofDegrees(0.5, 10.5))).hasValue(2.5);
        assertThat(grid.undulation(Geographic.ofDegrees(0.5, 11.5))).isEmpty();
    }

    private Problem refused(byte[] bytes) throws IOException {
        Path file = Files.write(directory.resolve("grid"), bytes);
        SurveyException[] said = new SurveyException[1];
        assertThatThrownBy(() -> GeoidFile.read(file, Watch.none("grid"))).isInstanceOfSatisfying(SurveyException.class, e -> said[0] = e);
        assertThat(said[0].arguments().get(0)).isEqualTo("grid");
        return said[0].problem();
    }

    private Path withMethod(String method) throws IOException {
        TIFFImage image = TiffReader.readTiff(Path.of("src/test/resources/geoid/ternholm.tif").toFile());
        FileDirectory content = image.getFileDirectory();
        content.setStringEntryValue(FieldTagType.GDAL_METADATA, "<GDALMetadata><Item name=\"interpolation_method\">" + method
                + "</Item></GDALMetadata>");
        content.setWriteRasters(content.readRasters());
        Path file = directory.resolve(method + ".tif");
        TiffWriter.writeTiff(file.toFile(), image);
        return file;
    }

    /** Bicubic: through the nodes, within the curvature's part of a cell of the bilinear one, and not the same. */
    @Test
    void whatTheMakerAsksForBetweenNodesIsDone() throws IOException {
        GeoidGrid straight = GeoidFile.read(withMethod("bilinear"), Watch.none("b"));
        GeoidGrid curved = GeoidFile.read(withMethod("bicubic"), Watch.none("c"));
        Geographic node = Geographic.ofDegrees(straight.frame().south() + 2 * straight.frame().latitudeStep(),
                straight.frame().west() + 3 * straight.frame().longitudeStep());
        assertThat(curved.undulation(node).orElseThrow()).isCloseTo(straight.undulation(node).orElseThrow(), within(1e-9));
        Geographic between = Geographic.ofDegrees(straight.frame().south() + 2.5 * straight.frame().latitudeStep(),
                straight.frame().west() + 3.5 * straight.frame().longitudeStep());
        assertThat(Math.abs(curved.undulation(between).orElseThrow() - straight.undulation(between).orElseThrow())).isBetween(0.0005, 0.2);
        assertThatThrownBy(() -> GeoidFile.read(withMethod("biquadratic"), Watch.none("q")))
                .isInstanceOfSatisfying(SurveyException.class, e -> assertThat(e.problem()).isEqualTo(Problem.GEOID_METHOD_UNKNOWN));
    }

    /** Exact for a surface of second order, straight in the outermost cells. */
    @Test
    void cubicConvolutionIsExactToTheSecondOrder() {
        GeoidGrid.Frame frame = new GeoidGrid.Frame(50, 10, 0.5, 0.25, 6, 7);
        float[] values = new float[42];
        for (int r = 0; r < 6; r++) {
            for (int c = 0; c < 7; c++) {
                values[r * 7 + c] = (float) second(r, c);
            }
        }
        GeoidGrid grid = new GeoidGrid(frame, values, GeoidGrid.Between.BICUBIC);
        Random random = new Random(2);
        for (int i = 0; i < 100; i++) {
            double r = 1 + 3 * random.nextDouble();
            double c = 1 + 4 * random.nextDouble();
            assertThat(grid.undulation(Geographic.ofDegrees(50 + 0.5 * r, 10 + 0.25 * c)).orElseThrow())
                    .isCloseTo(second(r, c), within(2e-5));
        }
        assertThat(grid.undulation(Geographic.ofDegrees(50.25, 10.125)).orElseThrow())
                .isCloseTo((second(0, 0) + second(0, 1) + second(1, 0) + second(1, 1)) / 4, within(1e-5));
    }

    private static double second(double r, double c) {
        return 30 + 0.5 * r - 0.25 * c + 0.125 * r * r - 0.0625 * r * c + 0.25 * c * c;
    }
}
