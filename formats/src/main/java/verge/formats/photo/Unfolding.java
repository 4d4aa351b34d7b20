package verge.formats.photo;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.MetadataException;
import com.drew.metadata.exif.ExifIFD0Directory;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Semaphore;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import net.coobird.thumbnailator.util.exif.ExifFilterUtils;
import net.coobird.thumbnailator.util.exif.Orientation;

/**
 * Takes pictures out of their files. All that are taken out at once share one memory of {@value #MEGABYTES} MB: whoever comes when
 * it is in use waits. Of large pictures only every second, third … pixel is taken; their files are read row by row.
 */
final class Unfolding {
    static final int MEGABYTES = 320;
    /** The most that a picture may have of which all must be held before its first row is known. */
    static final long MOST_HELD_PIXELS = 25_000_000;
    /** The most that is taken out of a picture. */
    private static final long MOST_PIXELS = 12_000_000;
    /** What a pixel takes: read, turned, copied. */
    private static final int BYTES_OF_A_PIXEL = 12;
    /** Three parts of two bytes. */
    private static final int BYTES_OF_A_HELD_PIXEL = 6;
    /** So much finer than wanted is read what will be made small, that nothing flickers. */
    private static final int FINER = 2;

    private static final int MARKER = 0xFF;
    private static final int START_OF_SCAN = 0xDA;
    /** Frames of JPEG (ITU-T T.81, table B.1): what is not sequential comes in several scans. */
    private static final List<Integer> SEQUENTIAL_FRAMES = List.of(0xC0, 0xC1, 0xC3, 0xC9, 0xCB);
    private static final List<Integer> OTHER_FRAMES = List.of(0xC2, 0xC5, 0xC6, 0xC7, 0xCA, 0xCD, 0xCE, 0xCF);
    private static final int BEFORE_PARTS = 7;

    private static final Semaphore ROOM = new Semaphore(MEGABYTES, true);

    private Unfolding() {
    }

    /** What is made of a picture while there is room for it. */
    @FunctionalInterface
    interface Use<T> {
        T of(BufferedImage picture) throws IOException;
    }

    /** The picture as large as it is, but for {@link #MOST_PIXELS}. */
    static <T> T of(Path photo, Use<T> use) throws IOException {
        return of(photo, Integer.MAX_VALUE / FINER, use);
    }

    /**
     * The picture, turned as the camera was held, red, green and blue.
     *
     * @param longest what its longer side will be made to
     * @throws EOFException if a part of it is missing
     * @throws IOException if there is none
     */
    static <T> T of(Path photo, int longest, Use<T> use) throws IOException {
        try (ImageInputStream in = ImageIO.createImageInputStream(photo.toFile())) {
            ImageReader reader = ImageIO.getImageReaders(in).next();
            try {
                reader.setInput(in, true, true);
                int width = reader.getWidth(0);
                int height = reader.getHeight(0);
                long pixels = (long) width * height;
                int step = Math.max(Math.max(width, height) / (FINER * longest),
                        Math.max(1, (int) Math.ceil(Math.sqrt((double) pixels / MOST_PIXELS))));
                boolean held = holdsAllOfIt(photo, reader.getFormatName().toLowerCase(Locale.ROOT));
                if (held && pixels > MOST_HELD_PIXELS) {
                    throw new IOException("too large for several scans");
                }
                long bytes = (width / step + 1L) * (height / step + 1L) * BYTES_OF_A_PIXEL + (held ? pixels * BYTES_OF_A_HELD_PIXEL : 0);
                int megabytes = (int) Math.min(MEGABYTES, 1 + bytes / 1_000_000);
                ROOM.acquireUninterruptibly(megabytes);
                try {
                    return use.of(turned(read(reader, step), photo));
                } finally {
                    ROOM.release(megabytes);
                }
            } finally {
                reader.dispose();
            }
        }
    }

    private static BufferedImage read(ImageReader reader, int step) throws IOException {
        List<String> warnings = new ArrayList<>();
        reader.addIIOReadWarningListener((source, warning) -> warnings.add(warning));
        ImageReadParam every = reader.getDefaultReadParam();
        every.setSourceSubsampling(step, step, 0, 0);
        BufferedImage picture = reader.read(0, every);
        // A decoder that reaches the end before the picture's paints the rest grey, and only warns.
        if (warnings.stream().map(w -> w.toLowerCase(Locale.ROOT))
                .anyMatch(w -> w.contains("premature end") || w.contains("huffman") || w.contains("truncated"))) {
            throw new EOFException(warnings.toString());
        }
        return picture;
    }

    private static BufferedImage turned(BufferedImage picture, Path photo) {
        BufferedImage plain = new BufferedImage(picture.getWidth(), picture.getHeight(), BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = plain.createGraphics();
        pen.drawImage(picture, 0, 0, null);
        pen.dispose();
        return ExifFilterUtils.getFilterForOrientation(Orientation.typeOf(orientation(photo))).apply(plain);
    }

    private static int orientation(Path photo) {
        int upright = Orientation.TOP_LEFT.ordinal() + 1;
        try {
            ExifIFD0Directory exif = ImageMetadataReader.readMetadata(photo.toFile()).getFirstDirectoryOfType(ExifIFD0Directory.class);
            int said = exif == null || !exif.containsTag(ExifIFD0Directory.TAG_ORIENTATION) ? upright
                    : exif.getInt(ExifIFD0Directory.TAG_ORIENTATION);
            return said >= 1 && said <= Orientation.values().length ? said : upright;
        // what cannot be read says nothing
        } catch (ImageProcessingException | IOException | MetadataException | RuntimeException unread) {
            return upright;
        }
    }

    /** Whether a picture's decoder must hold all of it before it knows the first row: a JPEG in several scans. */
    static boolean holdsAllOfIt(Path photo, String format) throws IOException {
        if (!format.equals("jpeg")) {
            return false;
        }
        try (DataInputStream in = new DataInputStream(new BufferedInputStream(Files.newInputStream(photo)))) {
            in.skipNBytes(2);
            int parts = 0;
            while (true) {
                int marker = in.readUnsignedByte();
                if (marker != MARKER) {
                    continue;   // fill between segments, which decoders pass over too
                }
                while (marker == MARKER) {
                    marker = in.readUnsignedByte();
                }
                if (OTHER_FRAMES.contains(marker)) {
                    return true;
                }
                if (marker == 0) {
                    continue;
                }
                int length = in.readUnsignedShort() - 2;
                if (marker == START_OF_SCAN) {
                    return in.readUnsignedByte() < parts;
                }
                if (SEQUENTIAL_FRAMES.contains(marker)) {
                    in.skipNBytes(BEFORE_PARTS - 2);
                    parts = in.readUnsignedByte();
                    length -= BEFORE_PARTS - 1;
                }
                in.skipNBytes(Math.max(length, 0));
            }
        } catch (EOFException noScan) {
            return false;
        }
    }
}
