package verge.formats.photo;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.EOFException;
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

    /**
     * A JPEG no wider or higher than so many pixels, turned as the camera was held.
     *
     * @throws SurveyException PHOTO_UNFIT if there is no picture in it, PHOTO_BROKEN_OFF if there is a part of one
     */
    public static void smaller(Path photo, String name, int longest, Path copy) throws IOException {
        byte[] small;
        try {
            small = Unfolding.of(photo, longest,
                    picture -> jpeg(Thumbnails.of(picture).size(longest, longest).imageType(BufferedImage.TYPE_INT_RGB).asBufferedImage()));
        } catch (EOFException half) {
            throw new SurveyException(Problem.PHOTO_BROKEN_OFF, name);
        } catch (IOException | RuntimeException noPicture) {   // cut off, or no picture behind the header of one
            throw new SurveyException(Problem.PHOTO_UNFIT, name);
        }
        Files.write(copy, small);
    }

    static byte[] jpeg(BufferedImage picture) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        Thumbnails.of(picture).scale(1).outputFormat("jpg").outputQuality(QUALITY).toOutputStream(bytes);
        return bytes.toByteArray();
    }
}
