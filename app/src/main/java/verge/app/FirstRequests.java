package verge.app;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Asks for the first pages itself before the address is told: loading what stands behind them takes longer than answering. */
@Component
class FirstRequests {
    private static final Logger LOG = LoggerFactory.getLogger(FirstRequests.class);
    private static final List<String> PAGES = List.of("/sign-in", "/", "/css/notebook.css");
    private static final Duration PATIENCE = Duration.ofSeconds(10);

    private final boolean awaited;

    /** @param readyFile empty where nobody waits */
    FirstRequests(@Value("${verge.ready-file:}") String readyFile) {
        this.awaited = !readyFile.isEmpty();
    }

    @EventListener
    @Order(Ordered.LOWEST_PRECEDENCE - 1)
    void ask(ApplicationReadyEvent started) {
        if (!awaited || !(started.getApplicationContext() instanceof WebServerApplicationContext web)) {
            return;
        }
        HttpClient client = HttpClient.newBuilder().connectTimeout(PATIENCE).build();
        try {
            for (String page : PAGES) {
                client.send(HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + web.getWebServer().getPort() + page)).timeout(PATIENCE)
                        .build(), HttpResponse.BodyHandlers.discarding());
            }
        } catch (IOException slow) {
            LOG.warn("The first pages were not answered: {}", slow.getMessage());
        } catch (InterruptedException ending) {
            Thread.currentThread().interrupt();
        }
    }
}
