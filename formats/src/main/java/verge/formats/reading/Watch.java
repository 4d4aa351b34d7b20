package verge.formats.reading;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.BooleanSupplier;
import java.util.function.LongConsumer;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * Follows the reading of a file and can end it.
 *
 * @param done told how many bytes have been read
 * @param stopped asked now and then whether to go on
 */
public record Watch(String fileName, LongConsumer done, BooleanSupplier stopped) {
    public static Watch none(String fileName) {
        return new Watch(fileName, bytes -> { }, () -> false);
    }

    /** The file's bytes, watched. */
    public InputStream open(Path file) throws IOException {
        return watched(Files.newInputStream(file));
    }

    /** Bytes that tell how far they have been read. */
    public InputStream watched(InputStream bytes) {
        return new CountedBytes(bytes, read -> {
            done.accept(read);
            goOn();
        });
    }

    /** @throws SurveyException READING_STOPPED if somebody stopped it */
    public void goOn() {
        if (stopped.getAsBoolean()) {
            throw new SurveyException(Problem.READING_STOPPED, fileName);
        }
    }

    /** That its letters are not written as it says. */
    public SurveyException notItsEncoding(String encoding, String where) {
        return new SurveyException(Problem.FILE_NOT_ITS_ENCODING, fileName, encoding, where);
    }

    /** That the file is damaged at a place. */
    public SurveyException damaged(String where) {
        return new SurveyException(Problem.FILE_DAMAGED, fileName, where);
    }
}
