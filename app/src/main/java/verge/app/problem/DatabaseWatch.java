package verge.app.problem;

import jakarta.annotation.PreDestroy;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.Properties;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Knows whether the database answers, by a connection of its own: when it does not, a request is told so at once instead of waiting for a
 * connection of the pool.
 */
@Component
class DatabaseWatch {
    private static final Logger LOG = LoggerFactory.getLogger(DatabaseWatch.class);
    private static final int SECONDS_BETWEEN = 1;
    private static final int PATIENCE_SECONDS = 2;

    private final String url;
    private final Properties sign = new Properties();
    private final ScheduledExecutorService clock = Executors.newSingleThreadScheduledExecutor(task -> new Thread(task, "database watch"));
    private Connection connection;
    private volatile boolean away;

    DatabaseWatch(@Value("${spring.datasource.url}") String url, @Value("${spring.datasource.username}") String user,
            @Value("${spring.datasource.password}") String password) {
        this.url = url;
        sign.setProperty("user", user);
        sign.setProperty("password", password);
        sign.setProperty("connectTimeout", Integer.toString(PATIENCE_SECONDS));
        sign.setProperty("loginTimeout", Integer.toString(PATIENCE_SECONDS));
        sign.setProperty("socketTimeout", Integer.toString(PATIENCE_SECONDS));
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        clock.scheduleWithFixedDelay(this::look, SECONDS_BETWEEN, SECONDS_BETWEEN, TimeUnit.SECONDS);
    }

    /** Whether the last look found no answer. */
    boolean away() {
        return away;
    }

    private void look() {
        boolean before = away;
        try {
            if (connection == null) {
                connection = DriverManager.getConnection(url, sign);
            }
            if (!connection.isValid(PATIENCE_SECONDS)) {
                throw new SQLException("no answer");
            }
            away = false;
        } catch (SQLException | RuntimeException gone) {
            away = true;
            let();
        }
        if (before != away) {
            LOG.warn(away ? "the database does not answer" : "the database is there again");
        }
    }

    private void let() {
        try {
            if (connection != null) {
                connection.close();
            }
        } catch (SQLException alreadyGone) {
            // nothing is left to close
        }
        connection = null;
    }

    @PreDestroy
    void end() {
        clock.shutdownNow();
        let();
    }
}
