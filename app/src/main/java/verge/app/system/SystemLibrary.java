package verge.app.system;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import verge.core.geodesy.Geographic;
import verge.core.geodesy.system.CoordinateSystem;
import verge.core.geodesy.system.PublishedSystems;
import verge.core.geodesy.system.SystemCatalogue;

/** The published coordinate systems: a list to search, and each system by its code. */
@Component
public class SystemLibrary {
    private static final int MOST_KEPT = 200;

    static {
        // The dataset's engine would else write a log of its own into whatever directory Verge was started in.
        System.setProperty("derby.stream.error.method", "java.io.OutputStream.nullOutputStream");
    }

    /** Read beside the start: thousands of rows that the first page shows nothing of. */
    private final CompletableFuture<SystemCatalogue> catalogue = CompletableFuture.supplyAsync(SystemLibrary::read);
    private final Cache<String, CoordinateSystem> found = Caffeine.newBuilder().maximumSize(MOST_KEPT).build();

    private static SystemCatalogue read() {
        try (InputStream in = SystemLibrary.class.getResourceAsStream("/systems/catalogue.tsv");
                BufferedReader lines = new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8))) {
            return SystemCatalogue.of(lines.lines());
        } catch (IOException unreadable) {
            throw new UncheckedIOException(unreadable);
        }
    }

    /** Opens the dataset behind the scenes: the first person to choose a system does not wait for it. */
    @EventListener(ApplicationReadyEvent.class)
    void warm() {
        search("utm", Optional.empty(), 1);
        Thread thread = new Thread(PublishedSystems::warm, "coordinate systems");
        thread.setDaemon(true);
        thread.setPriority(Thread.MIN_PRIORITY);
        thread.start();
    }

    public SystemCatalogue.Found search(String typed, Optional<Geographic> near, int most) {
        return catalogue.join().search(typed, near, most);
    }

    /** The list's row of a code. */
    public Optional<SystemCatalogue.Row> row(String code) {
        return catalogue.join().find(code);
    }

    /** @throws verge.core.problem.SurveyException SYSTEM_UNKNOWN or SYSTEM_METHOD_UNKNOWN */
    public CoordinateSystem find(String code) {
        return found.get(code, PublishedSystems::find);
    }
}
