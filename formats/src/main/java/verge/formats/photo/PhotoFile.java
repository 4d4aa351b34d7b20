package verge.formats.photo;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.lang.Rational;
import com.drew.metadata.Metadata;
import com.drew.metadata.MetadataException;
import com.drew.metadata.exif.GpsDirectory;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Iterator;
import java.util.Locale;
import java.util.Optional;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import verge.core.enclosure.Looking;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;

/**
 * What a photo's file says of itself.
 *
 * @param format as ImageIO calls it, in lower case: jpeg or png
 * @param looking which way its camera looked, where it says so (Exif 2.32, tags 16 and 17 of the GPS attributes)
 */
public record PhotoFile(String format, Optional<Looking> looking) {
    /** A header that promises more is not followed: reading it would take minutes. */
    private static final long MOST_PIXELS = 150_000_000;
    private static final long ALL_BITS = 0xFFFF_FFFFL;
    private static final double FULL_CIRCLE = 360;

    /** @param name that it came with, for words alone @throws SurveyException PHOTO_UNFIT, PHOTO_TOO_LARGE */
    public static PhotoFile read(Path file, String name) throws IOException {
        try (ImageInputStream in = ImageIO.createImageInputStream(file.toFile())) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            ImageReader reader = readers.hasNext() ? readers.next() : null;
            String format = reader == null ? "" : reader.getFormatName().toLowerCase(Locale.ROOT);
            if (!format.equals("jpeg") && !format.equals("png")) {
                throw new SurveyException(Problem.PHOTO_UNFIT, name);
            }
            try {
                reader.setInput(in, true, true);
                long pixels = (long) reader.getWidth(0) * reader.getHeight(0);
                long most = Unfolding.holdsAllOfIt(file, format) ? Unfolding.MOST_HELD_PIXELS : MOST_PIXELS;
                if (pixels > most) {
                    throw new SurveyException(Problem.PHOTO_TOO_LARGE, name, (pixels + 999_999) / 1_000_000, most / 1_000_000);
                }
            } catch (IOException | RuntimeException unreadable) {
                throw unreadable instanceof SurveyException said ? said : new SurveyException(Problem.PHOTO_UNFIT, name);
            } finally {
                reader.dispose();
            }
            return new PhotoFile(format, looking(file));
        }
    }

    private static Optional<Looking> looking(Path file) {
        try {
            Metadata metadata = ImageMetadataReader.readMetadata(file.toFile());
            GpsDirectory gps = metadata.getFirstDirectoryOfType(GpsDirectory.class);
            return gps == null || !gps.containsTag(GpsDirectory.TAG_IMG_DIRECTION) ? Optional.empty() : looking(gps);
        // what cannot be read says nothing
        } catch (ImageProcessingException | IOException | MetadataException | RuntimeException unread) {
            return Optional.empty();
        }
    }

    private static Optional<Looking> looking(GpsDirectory gps) throws MetadataException {
        Rational degrees = gps.getRational(GpsDirectory.TAG_IMG_DIRECTION);
        String north = gps.getString(GpsDirectory.TAG_IMG_DIRECTION_REF);
        // Cameras without a compass write a direction too: 0/0, or all bits set.
        boolean told = degrees != null && degrees.getDenominator() != 0 && degrees.getDenominator() != ALL_BITS
                && degrees.doubleValue() >= 0 && degrees.doubleValue() <= FULL_CIRCLE;
        return told ? Optional.of(new Looking(Angle.ofDegrees(degrees.doubleValue()),
                "M".equals(north) ? Looking.North.MAGNETIC : Looking.North.TRUE)) : Optional.empty();
    }
}
