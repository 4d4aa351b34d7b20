package verge.app;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Tells the start script that all is there: the port is bound, the first account made, the demo's sites loaded. */
@Component
class ReadyFile {
    private static final Logger LOG = LoggerFactory.getLogger(ReadyFile.class);

    private final String file;

    /** @param file empty where nobody waits */
    ReadyFile(@Value("${verge.ready-file:}") String file) {
        this.file = file;
    }

    /** The script waits for the number of this very process: a log or a file may be left of another. */
    @EventListener(ApplicationReadyEvent.class)
    @Order(Ordered.LOWEST_PRECEDENCE)
    void tell() throws IOException {
        LOG.info("Verge is ready");
        if (!file.isEmpty()) {
            Files.writeString(Path.of(file), ProcessHandle.current().pid() + "\n");
        }
    }
}
