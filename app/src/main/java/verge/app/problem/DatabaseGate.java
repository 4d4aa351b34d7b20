package verge.app.problem;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import javax.sql.DataSource;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.jdbc.datasource.DelegatingDataSource;
import org.springframework.stereotype.Component;

/**
 * Lets nobody wait for a connection while the database is known to be away. A page asks more than once, for its content, its session and
 * its token: each on its own would wait as long as the first.
 */
@Component
class DatabaseGate implements BeanPostProcessor {
    private final ObjectProvider<DatabaseWatch> watch;

    DatabaseGate(ObjectProvider<DatabaseWatch> watch) {
        this.watch = watch;
    }

    @Override
    public Object postProcessAfterInitialization(Object bean, String name) {
        return bean instanceof DataSource source && !(bean instanceof Guarded) ? new Guarded(source) : bean;
    }

    private final class Guarded extends DelegatingDataSource {
        private Guarded(DataSource source) {
            super(source);
        }

        @Override
        public Connection getConnection() throws SQLException {
            if (watch.getObject().away()) {
                throw new SQLTransientConnectionException("the database does not answer", "08001");
            }
            return super.getConnection();
        }
    }
}
