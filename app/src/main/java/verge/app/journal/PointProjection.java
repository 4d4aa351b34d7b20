package verge.app.journal;

import jakarta.persistence.EntityManager;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import verge.core.journal.Entry;
import verge.core.journal.JobState;
import verge.core.journal.Journal;
import verge.core.journal.StoredPoint;

/** Keeps the table of points in step with the journal. Its caller holds the transaction. */
@Component
class PointProjection {
    private final EntityManager entities;
    private final JdbcClient sql;

    PointProjection(EntityManager entities, JdbcClient sql) {
        this.entities = entities;
        this.sql = sql;
    }

    /** Brings the table from one state to the next; an entry that may reach back is compared entry by entry. */
    void follow(UUID job, JobState before, Journal after, Entry added) {
        List<UUID> touched = Journal.reachesBack(added.payload())
                ? after.entries().stream().map(Entry::id).filter(id -> !before.pointsOf(id).equals(after.state().pointsOf(id))).toList()
                : List.of(added.id());
        for (UUID entry : touched) {
            if (!before.pointsOf(entry).isEmpty()) {
                sql.sql("delete from point where entry_id = :entry").param("entry", entry).update();
            }
            insert(job, after.state().pointsOf(entry));
        }
    }

    /** Throws the job's rows away and writes them anew. */
    void rebuild(UUID job, JobState state) {
        sql.sql("delete from point where job_id = :job").param("job", job).update();
        state.points().map(StoredPoint::entry).distinct().forEach(entry -> insert(job, state.pointsOf(entry)));
        entities.flush();
        entities.clear();
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

    private void insert(UUID job, List<StoredPoint> points) {
        IntStream.range(0, points.size()).forEach(i -> entities.persist(new PointRow(job, i, points.get(i))));
        entities.flush();
    }
}
