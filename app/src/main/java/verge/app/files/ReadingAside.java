package verge.app.files;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import org.springframework.stereotype.Component;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.formats.reading.Watch;

/**
 * Reads what is waited for, geoid grids and antenna files, beside the request and within a time: a file that somebody made to be read for ever
 * holds none of the threads that pages are made by. Two at once; who comes later waits, and that counts.
 */
@Component
public class ReadingAside {
    private static final int AT_ONCE = 2;
    private static final int MOST_SECONDS = 45;

    private final ExecutorService readers = Executors.newFixedThreadPool(AT_ONCE, task -> {
        Thread thread = new Thread(task, "reading aside");
        thread.setDaemon(true);
        return thread;
    });

    /** What is read; it asks its watch now and then whether to go on. */
    @FunctionalInterface
    public interface Reading<T> {
        T by(Watch watch) throws IOException;
    }

    /** @throws SurveyException READING_TOO_LONG, FILE_UNREADABLE, or as the reading does */
    public <T> T read(String name, Reading<T> reading) {
        Future<T> coming = readers.submit(() -> reading.by(new Watch(name, bytes -> { }, () -> Thread.currentThread().isInterrupted())));
        try {
            return coming.get(MOST_SECONDS, TimeUnit.SECONDS);
        } catch (TimeoutException tooLong) {
            coming.cancel(true);
            throw new SurveyException(Problem.READING_TOO_LONG, name, MOST_SECONDS);
        } catch (ExecutionException failed) {
            if (failed.getCause() instanceof IOException) {
                throw new SurveyException(Problem.FILE_UNREADABLE, name);
            }
            throw failed.getCause() instanceof SurveyException said ? said : new CompletionException(failed.getCause());
        } catch (InterruptedException shuttingDown) {
            coming.cancel(true);
            Thread.currentThread().interrupt();
            throw new SurveyException(Problem.READING_STOPPED, name);
        }
    }

    @PreDestroy
    void close() {
        readers.shutdownNow();
    }
}
