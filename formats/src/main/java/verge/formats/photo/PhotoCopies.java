package verge.formats.photo;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import net.coobird.thumbnailator.Thumbnails;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Copies of a photo's picture, turned as the camera was held. The original is only read. */
public final class PhotoCopies {
    private static final double QUALITY = 0.9;

    private PhotoCopies() {
    }

    /** A JPEG no wider or higher than so many pixels, turned as the camera was held. @throws SurveyException PHOTO_UNFIT if there is no picture in it */
    public static void smaller(Path photo, String name, int longest, Path copy) throws IOException {
        BufferedImage small;
        try {
            small = Thumbnails.of(photo.toFile()).size(longest, longest).imageType(BufferedImage.TYPE_INT_RGB).asBufferedImage();
        } catch (IOException | RuntimeException noPicture) {   // cut off, or no picture behind the header of one
            throw new SurveyException(Problem.PHOTO_UNFIT, name);
        }
        Files.write(copy, jpeg(small));
    }

    static BufferedImage whole(Path photo) throws IOException {
        return Thumbnails.of(photo.toFile()).scale(1).imageType(BufferedImage.TYPE_INT_RGB).asBufferedImage();
    }

    static byte[] jpeg(BufferedImage picture) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        Thumbnails.of(picture).scale(1).outputFormat("jpg").outputQuality(QUALITY).toOutputStream(bytes);
        return bytes.toByteArray();
    }
}
