package verge.app.problem;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.sql.Connection;
import java.sql.SQLException;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.ObjectProvider;
import verge.core.problem.Problem;

class DatabaseGateTest {
    private final DatabaseWatch watch = mock(DatabaseWatch.class);
    private final DataSource pool = mock(DataSource.class);

    @Test
    @SuppressWarnings("unchecked")
    void whileTheDatabaseIsAwayThePoolIsNotAsked() throws SQLException {
        ObjectProvider<DatabaseWatch> provider = mock(ObjectProvider.class);
        when(provider.getObject()).thenReturn(watch);
        Connection connection = mock(Connection.class);
        when(pool.getConnection()).thenReturn(connection);
        DataSource guarded = (DataSource) new DatabaseGate(provider).postProcessAfterInitialization(pool, "dataSource");
        assertThat(guarded.getConnection()).isSameAs(connection);
        when(watch.away()).thenReturn(true);
        assertThatThrownBy(guarded::getConnection).satisfies(failure ->
                assertThat(Causes.of(failure)).hasValueSatisfying(said -> assertThat(said.problem()).isEqualTo(Problem.DATABASE_AWAY)));
        verify(pool, times(1)).getConnection();
    }
}
