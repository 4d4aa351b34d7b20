package verge.app.journal;

import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Types;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import verge.core.geodesy.Elevation;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.points.StoredPoint;

/** Keeps the table of points in step with the journal. Its caller holds the transaction. */
@Component
class PointProjection {
    private static final int BATCH = 1000;

    private final JdbcTemplate jdbc;
    private final JdbcClient sql;

    PointProjection(JdbcTemplate jdbc, JdbcClient sql) {
        this.jdbc = jdbc;
        this.sql = sql;
    }

    /** What is to be changed in the table, reckoned without a connection. @param gone entries whose points go */
    record Difference(List<UUID> gone, List<Row> come) {
    }

    /** From one journal to one with more entries: what came to something else, and nothing more. */
    Difference difference(Journal before, Journal after) {
        List<UUID> touched = after.changedSince(before.entries().size()).orElseThrow().stream().map(Entry::id)
                .filter(id -> !before.state().points().of(id).equals(after.state().points().of(id))).toList();
        List<UUID> gone = touched.stream().filter(id -> !before.state().points().of(id).isEmpty()).toList();
        return new Difference(gone, rows(touched.stream().map(after.state().points()::of)));
    }

    void write(UUID job, Difference difference) {
        jdbc.batchUpdate("delete from point where entry_id = ?", difference.gone(), BATCH, (statement, id) -> statement.setObject(1, id));
        insert(job, difference.come());
    }

    /** Throws the job's rows away and writes them anew. */
    void rebuild(UUID job, JobState state) {
        sql.sql("delete from point where job_id = :job").param("job", job).update();
        insert(job, rows(state.points().all().map(StoredPoint::entry).distinct().map(state.points()::of)));
    }

    /** A digest of the job's rows to the last bit. */
    String digest(UUID job) {
        return sql.sql("""
                select coalesce(md5(string_agg(concat_ws('|', entry_id, ordinal, name, code, origin,
                    encode(float8send(northing), 'hex'), encode(float8send(easting), 'hex'), encode(float8send(elevation), 'hex'),
                    encode(float8send(sigma_north), 'hex'), encode(float8send(sigma_east), 'hex'), encode(float8send(sigma_up), 'hex')),
                    E'\\n' order by entry_id, ordinal)), 'no points')
                from point where job_id = :job""").param("job", job).query(String.class).single();
    }

    private static List<Row> rows(Stream<List<StoredPoint>> byEntry) {
        return byEntry.flatMap(points -> IntStream.range(0, points.size()).mapToObj(i -> new Row(i, points.get(i)))).toList();
    }

    private void insert(UUID job, List<Row> rows) {
        jdbc.batchUpdate(
                "insert into point(entry_id, ordinal, job_id, name, code, origin, northing, easting, elevation, sigma_north, sigma_east, "
                + "sigma_up) values (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)",
                rows, BATCH, (statement, row) -> row.fill(statement, job));
    }

    /** @param ordinal place among the points of one entry, from 0 */
    record Row(int ordinal, StoredPoint point) {
        void fill(PreparedStatement statement, UUID job) throws SQLException {
            statement.setObject(1, point.entry());
            statement.setInt(2, ordinal);
            statement.setObject(3, job);
            statement.setString(4, point.name().text());
            statement.setString(5, point.code().text());
            statement.setString(6, point.origin().name());
            statement.setDouble(7, point.position().plan().northing());
            statement.setDouble(8, point.position().plan().easting());
            statement.setObject(9, point.position().elevation().map(Elevation::metres).orElse(null), Types.DOUBLE);
            statement.setObject(10, point.sigma().map(s -> s.north().metres()).orElse(null), Types.DOUBLE);
            statement.setObject(11, point.sigma().map(s -> s.east().metres()).orElse(null), Types.DOUBLE);
            statement.setObject(12, point.sigma().map(s -> s.up().metres()).orElse(null), Types.DOUBLE);
        }
    }
}
