package verge.app.files;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.time.Duration;
import java.util.Map;
import java.util.concurrent.CancellationException;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ConcurrentHashMap;
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
 * Reads what is waited for, geoid grids and antenna files, beside the request and within a time: a file that somebody made to be read for
 * ever holds none of the threads that pages are made by. Two at once; who comes later waits, and that counts.
 */
@Component
public class ReadingAside {
    private static final int AT_ONCE = 2;
    private static final int MOST_SECONDS = 45;

    private static final Duration REMEMBERED = Duration.ofMinutes(10);

    private final Map<String, Future<?>> coming = new ConcurrentHashMap<>();
    /** Stopped by hand: a reading that only begins then does not. */
    private final Cache<String, Boolean> stopped = Caffeine.newBuilder().expireAfterWrite(REMEMBERED).maximumSize(1_000).build();
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

    /**
     * @param ticket by which it may be stopped; empty if nobody will
     * @throws SurveyException READING_TOO_LONG, READING_STOPPED, FILE_UNREADABLE, or as the reading does
     */
    public <T> T read(String ticket, String name, Reading<T> reading) {
        Future<T> result = readers.submit(() -> reading.by(new Watch(name, bytes -> { }, () -> Thread.currentThread().isInterrupted())));
        if (!ticket.isEmpty()) {
            coming.put(ticket, result);
        }
        try {
            if (stopped.getIfPresent(ticket) != null) {
                throw new CancellationException();
            }
            return result.get(MOST_SECONDS, TimeUnit.SECONDS);
        } catch (TimeoutException tooLong) {
            result.cancel(true);
            throw new SurveyException(Problem.READING_TOO_LONG, name, MOST_SECONDS);
        } catch (ExecutionException failed) {
            if (failed.getCause() instanceof IOException) {
                throw new SurveyException(Problem.FILE_UNREADABLE, name);
            }
            throw failed.getCause() instanceof SurveyException said ? said : new CompletionException(failed.getCause());
        } catch (CancellationException byHand) {
            result.cancel(true);
            throw new SurveyException(Problem.READING_STOPPED, name);
        } catch (InterruptedException shuttingDown) {
            result.cancel(true);
            Thread.currentThread().interrupt();
            throw new SurveyException(Problem.READING_STOPPED, name);
        } finally {
            coming.remove(ticket);
        }
    }

    /** Ends the reading with that ticket; one that is only on its way is not begun. */
    public void stop(String ticket) {
        stopped.put(ticket, true);
        Future<?> result = coming.get(ticket);
        if (result != null) {
            result.cancel(true);
        }
    }

    @PreDestroy
    void close() {
        readers.shutdownNow();
    }
}
