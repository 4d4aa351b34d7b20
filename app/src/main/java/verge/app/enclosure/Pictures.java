package verge.app.enclosure;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import verge.app.files.Originals;
import verge.core.enclosure.Original;
import verge.formats.photo.PhotoCopies;

/** Smaller copies of photos, made once each; they can be thrown away, since they are made again. */
@Component
class Pictures {
    /** How large copies are. */
    enum Size {
        THUMBNAIL(320), PAGE(1600);

        private final int pixels;

        Size(int pixels) {
            this.pixels = pixels;
        }
    }

    private final Originals originals;
    private final Path directory;

    Pictures(Originals originals, @Value("${verge.data}") Path data) throws IOException {
        this.originals = originals;
        this.directory = Files.createDirectories(data.resolve("thumbnails"));
    }

    /** @throws verge.core.problem.SurveyException PHOTO_UNFIT, PHOTO_BROKEN_OFF */
    Path of(Original photo, Size size) {
        Path copy = directory.resolve(photo.sha256() + "-" + size.pixels + ".jpg");
        try {
            if (!Files.exists(copy)) {
                make(originals.require(photo), photo.name(), size, copy);
            }
            return copy;
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /**
     * Tries whether there is a picture in a file.
     *
     * @throws verge.core.problem.SurveyException PHOTO_UNFIT if not, PHOTO_BROKEN_OFF if only a part of one
     */
    void look(Path file, String name) throws IOException {
        Path trial = Files.createTempFile(directory, "look", ".part");
        try {
            PhotoCopies.smaller(file, name, Size.THUMBNAIL.pixels, trial);
        } finally {
            Files.deleteIfExists(trial);
        }
    }

    private void make(Path photo, String name, Size size, Path copy) throws IOException {
        Path part = Files.createTempFile(directory, "copy", ".part");
        try {
            PhotoCopies.smaller(photo, name, size.pixels, part);
            Files.move(part, copy, StandardCopyOption.REPLACE_EXISTING, StandardCopyOption.ATOMIC_MOVE);
        } finally {
            Files.deleteIfExists(part);
        }
    }
}
