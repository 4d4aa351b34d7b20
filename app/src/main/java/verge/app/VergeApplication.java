package verge.app;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;

/** Verge, the surveyor's notebook. */
@SpringBootApplication
public class VergeApplication {
    private static final Logger LOG = LoggerFactory.getLogger(VergeApplication.class);

    public static void main(String[] arguments) {
        SpringApplication.run(VergeApplication.class, arguments);
    }

    /** The start script waits for this line: the port is bound, the first account made, the demo's sites loaded. */
    @EventListener(ApplicationReadyEvent.class)
    @Order(Ordered.LOWEST_PRECEDENCE)
    void tellThatAllIsThere() {
        LOG.info("Verge is ready");
    }
}
