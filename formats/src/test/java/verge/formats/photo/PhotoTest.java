package verge.formats.photo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import com.drew.imaging.ImageMetadataReader;
import com.drew.metadata.Metadata;
import com.drew.metadata.exif.ExifIFD0Directory;
import com.drew.metadata.exif.GpsDirectory;
import com.sun.management.ThreadMXBean;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.enclosure.Looking;
import verge.core.enclosure.Stroke;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Geographic;
import verge.core.problem.Problem;
import verge.core.units.Angle;

/** Photos as cameras make them, and as they leave. What was written is read back by another library than wrote it. */
class PhotoTest {
    @TempDir
    private Path directory;

    private Path photo(String format, int width, int height) throws IOException {
        BufferedImage picture = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = picture.createGraphics();
        pen.setColor(Color.GRAY);
        pen.fillRect(0, 0, width, height);
        pen.setColor(Color.GREEN);
        pen.fillRect(0, 0, width / 2, height / 2);
        pen.dispose();
        Path file = directory.resolve("quay." + format);
        ImageIO.write(picture, format, file.toFile());
        return file;
    }

    private static Metadata written(byte[] jpeg) throws Exception {
        return ImageMetadataReader.readMetadata(new ByteArrayInputStream(jpeg));
    }

    @ParameterizedTest
    @CsvSource({"56.973812345, -7.123456789, 12.345, 271.25, TRUE, T, jpg", "-33.5, 151.99999999, -2.5, 0, MAGNETIC, M, jpg",
            "0.00000001, 0, 0, 359.9999, TRUE, T, png"})
    void whatLeavesHasPlaceAndDirection(double latitude, double longitude, double metres, double azimuth, Looking.North north,
            String reference, String format) throws Exception {
        Path file = photo(format, 40, 30);
        Looking looking = new Looking(Angle.ofDegrees(azimuth), north);
        byte[] placed = PlacedPhoto.of(file, PhotoFile.read(file, "quay"),
                new PhotoPlace(Optional.of(Geographic.ofDegrees(latitude, longitude)), Optional.of(new Elevation(metres)),
                Optional.of(looking), "107 LMP"));

        GpsDirectory gps = written(placed).getFirstDirectoryOfType(GpsDirectory.class);
        assertThat(gps.getGeoLocation().getLatitude()).isEqualTo(latitude, within(2e-9));
        assertThat(gps.getGeoLocation().getLongitude()).isEqualTo(longitude, within(2e-9));
        assertThat(gps.getDouble(GpsDirectory.TAG_ALTITUDE)).isEqualTo(Math.abs(metres));
        assertThat(gps.getInt(GpsDirectory.TAG_ALTITUDE_REF)).isEqualTo(metres < 0 ? 1 : 0);
        assertThat(gps.getDouble(GpsDirectory.TAG_IMG_DIRECTION)).isEqualTo(azimuth == 359.9999 ? 0 : azimuth);
        assertThat(gps.getString(GpsDirectory.TAG_IMG_DIRECTION_REF)).isEqualTo(reference);
        assertThat(gps.getString(GpsDirectory.TAG_MAP_DATUM)).isEqualTo("WGS-84");
        assertThat(written(placed).getFirstDirectoryOfType(ExifIFD0Directory.class).getString(ExifIFD0Directory.TAG_IMAGE_DESCRIPTION))
                .isEqualTo("107 LMP");
        assertThat(ImageIO.read(new ByteArrayInputStream(placed)).getWidth()).isEqualTo(40);

        Path again = Files.write(directory.resolve("again.jpg"), placed);
        Looking told = PhotoFile.read(again, "again").looking().orElseThrow();
        assertThat(told.north()).isEqualTo(north);
        assertThat(told.azimuth().minus(looking.azimuth()).sin()).isEqualTo(0, within(1e-5));
    }

    /** Made with Pillow: a camera held upright (Exif orientation 6), looking 123.5° from magnetic north, with a maker's own note. */
    @Test
    void aCameraHeldUprightIsLookedAtUpright() throws Exception {
        Path file = Path.of(PhotoTest.class.getResource("/photo/upright.jpg").toURI());
        PhotoFile told = PhotoFile.read(file, "upright.jpg");
        assertThat(told.looking().orElseThrow()).isEqualTo(new Looking(Angle.ofDegrees(123.5), Looking.North.MAGNETIC));

        Path small = directory.resolve("small.jpg");
        PhotoCopies.smaller(file, "upright.jpg", 60, small);
        BufferedImage picture = ImageIO.read(small.toFile());
        assertThat(picture.getHeight()).isEqualTo(60).isGreaterThan(picture.getWidth());
        assertThat(new Color(picture.getRGB(picture.getWidth() - 4, 4)).getRed()).as("its red corner is at the upper right")
                .isGreaterThan(200);

        byte[] placed = PlacedPhoto.of(file, told, new PhotoPlace(Optional.empty(), Optional.empty(), told.looking(), "gate"));
        assertThat(written(placed).getFirstDirectoryOfType(ExifIFD0Directory.class).getInt(ExifIFD0Directory.TAG_ORIENTATION))
                .as("what the camera wrote stays").isEqualTo(6);
        assertThat(written(placed).getFirstDirectoryOfType(GpsDirectory.class).getGeoLocation()).isNull();
    }

    /** Cameras without a compass write a direction all the same. Each is eight bytes within the file: numerator and denominator. */
    @ParameterizedTest
    @CsvSource({"0, 0, ", "-1, 1, ", "-1, -1, ", "361, 1, ", "270, 0, ", "0, 7, 0", "360, 1, 0", "900, 10, 90"})
    void aDirectionThatIsNoneIsNone(int numerator, int denominator, Double degrees) throws Exception {
        byte[] bytes = PlacedPhoto.of(photo("jpg", 40, 30), new PhotoFile("jpeg", Optional.empty()),
                new PhotoPlace(Optional.empty(), Optional.empty(), Optional.of(new Looking(Angle.ofDegrees(123.457), Looking.North.TRUE)),
                "quay"));
        ByteBuffer written = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
        int at = IntStream.range(0, bytes.length - 8).filter(i -> written.getInt(i) == 123_457 && written.getInt(i + 4) == 1000).findFirst()
                .orElseThrow();
        written.putInt(at, numerator).putInt(at + 4, denominator);
        Optional<Looking> told = PhotoFile.read(Files.write(directory.resolve("compass.jpg"), bytes), "compass.jpg").looking();
        assertThat(told.map(l -> l.azimuth().degrees())).isEqualTo(Optional.ofNullable(degrees));
    }

    /** Four of them at once took the whole memory, each unfolded to 576 MB. */
    @Test
    void hundredsOfMillionsOfPixelsAreMadeSmallInLittleMemory() throws Exception {
        Path file = directory.resolve("wide.jpg");
        ImageIO.write(new BufferedImage(12_000, 12_000, BufferedImage.TYPE_BYTE_GRAY), "jpg", file.toFile());
        ThreadMXBean threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
        for (int longest : new int[] {320, 1600}) {
            long before = threads.getCurrentThreadAllocatedBytes();
            PhotoCopies.smaller(file, "wide", longest, directory.resolve("small.jpg"));
            assertThat(threads.getCurrentThreadAllocatedBytes() - before).isLessThan(150_000_000);
            assertThat(ImageIO.read(directory.resolve("small.jpg").toFile()).getWidth()).isEqualTo(longest);
        }
    }

    /** Its decoder holds all of it before the first row is known. */
    @Test
    void aJpegOfSeveralScansMayHaveLess() throws Exception {
        Path small = progressive(photo("png", 800, 600));
        assertThat(Unfolding.holdsAllOfIt(small, "jpeg")).isTrue();
        PhotoCopies.smaller(small, "small", 100, directory.resolve("small.jpg"));
        byte[] bytes = Files.readAllBytes(small);
        int frame = IntStream.range(0, bytes.length).filter(i -> bytes[i] == (byte) 0xFF && bytes[i + 1] == (byte) 0xC2).findFirst()
                .orElseThrow();
        ByteBuffer.wrap(bytes).putShort(frame + 5, (short) 6000).putShort(frame + 7, (short) 6000);
        Path large = Files.write(directory.resolve("large.jpg"), bytes);
        assertThatThrownBy(() -> PhotoFile.read(large, "large.jpg")).extracting("problem").isEqualTo(Problem.PHOTO_TOO_LARGE);
    }

    private Path progressive(Path photo) throws IOException {
        Path file = directory.resolve("scans.jpg");
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ImageWriteParam scans = writer.getDefaultWriteParam();
        scans.setProgressiveMode(ImageWriteParam.MODE_DEFAULT);
        try (ImageOutputStream out = ImageIO.createImageOutputStream(file.toFile())) {
            writer.setOutput(out);
            writer.write(null, new IIOImage(ImageIO.read(photo.toFile()), null, null), scans);
        }
        writer.dispose();
        return file;
    }

    @ParameterizedTest
    @CsvSource({"jpg, 0.5", "jpg, 0.9", "jpg, 0.99", "png, 0.5", "png, 0.95", "scans, 0.5", "scans, 0.9"})
    void halfAPhotoIsSaid(String kind, double part) throws Exception {
        Path whole = kind.equals("scans") ? progressive(noise("png")) : noise(kind);
        PhotoCopies.smaller(whole, "whole", 100, directory.resolve("small.jpg"));
        byte[] bytes = Files.readAllBytes(whole);
        Path half = Files.write(directory.resolve("half.jpg"), Arrays.copyOf(bytes, (int) (bytes.length * part)));
        assertThatThrownBy(() -> PhotoCopies.smaller(half, "half.jpg", 100, directory.resolve("half-small.jpg"))).extracting("problem")
                .isIn(Problem.PHOTO_BROKEN_OFF, Problem.PHOTO_UNFIT);
    }

    private Path noise(String format) throws IOException {
        Random seeded = new Random(8);
        BufferedImage picture = new BufferedImage(300, 200, BufferedImage.TYPE_INT_RGB);
        IntStream.range(0, 300 * 200).forEach(i -> picture.setRGB(i % 300, i / 300, seeded.nextInt()));
        Path file = directory.resolve("grain." + format);
        ImageIO.write(picture, format, file.toFile());
        return file;
    }

    @Test
    void twentyMillionPixelsAreMadeSmallInLittleRoom() throws Exception {
        Path file = photo("jpg", 5472, 3648);
        Path small = directory.resolve("small.jpg");
        PhotoCopies.smaller(file, "quay", 320, small);
        assertThat(ImageIO.read(small.toFile()).getWidth()).isEqualTo(320);
        assertThat(Files.size(small)).isLessThan(60_000);
    }

    @ParameterizedTest
    @ValueSource(strings = {"no picture at all", "", "\u0089PNG\r\n\u001a\n", "\u00ff\u00d8\u00ff\u00e0\u0000\u0010JFIF",
            "GIF89a\u0001\u0000\u0001\u0000", "BM"})
    void whatIsNoPhotoIsRefused(String bytes) throws Exception {
        Path file = Files.write(directory.resolve("note.jpg"), bytes.getBytes(StandardCharsets.ISO_8859_1));
        assertThatThrownBy(() -> PhotoFile.read(file, "note.jpg")).extracting("problem").isEqualTo(Problem.PHOTO_UNFIT);
    }

    @Test
    void aHeaderThatPromisesTooMuchIsNotFollowed() throws Exception {
        byte[] png = Files.readAllBytes(photo("png", 8, 8));
        Arrays.fill(png, 17, 19, (byte) 1);   // 8 becomes 65,800 and more, in width
        Arrays.fill(png, 21, 23, (byte) 1);
        Path file = Files.write(directory.resolve("bomb.png"), png);
        assertThatThrownBy(() -> PhotoFile.read(file, "bomb.png")).extracting("problem").isEqualTo(Problem.PHOTO_TOO_LARGE);
    }

    @Test
    void aPhotoThatBreaksOffBehindItsHeaderIsNone() throws Exception {
        byte[] png = Files.readAllBytes(photo("png", 400, 300));
        Path file = Files.write(directory.resolve("broken.png"), Arrays.copyOf(png, 60));
        assertThatThrownBy(() -> PhotoCopies.smaller(file, "broken.png", 100, directory.resolve("small.jpg"))).extracting("problem")
                .isEqualTo(Problem.PHOTO_UNFIT);
    }

    @Test
    void whatIsDrawnLiesWhereItWasDrawn() throws Exception {
        Path file = photo("jpg", 1600, 1200);
        Stroke arrow = new Stroke.Arrow(new Stroke.Spot(0.6, 0.8), new Stroke.Spot(0.9, 0.8));
        Stroke circle = new Stroke.Circle(new Stroke.Spot(0.1, 0.6), new Stroke.Spot(0.4, 0.9));
        Stroke words = new Stroke.Words(new Stroke.Spot(0.55, 0.3), "MMMM");
        BufferedImage drawn = ImageIO.read(new ByteArrayInputStream(DrawnPhoto.of(file, List.of(arrow, circle, words))));

        assertThat(red(drawn, 1200, 960)).as("the arrow's shaft").isTrue();
        assertThat(red(drawn, 400, 720)).as("the circle's top").isTrue();
        assertThat(red(drawn, 400, 900)).as("within the circle").isFalse();
        assertThat(red(drawn, 20, 20)).isFalse();
        assertThat(IntStream.range(880, 920).anyMatch(x -> red(drawn, x, 350))).as("the first letter's stem").isTrue();
    }

    private static boolean red(BufferedImage picture, int x, int y) {
        Color colour = new Color(picture.getRGB(x, y));
        return colour.getRed() > colour.getGreen() + 60 && colour.getRed() > colour.getBlue() + 60;
    }
}
