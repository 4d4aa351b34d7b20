package verge.app.shelf;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import verge.app.job.Job;
import verge.app.journal.JournalService;
import verge.app.walkround.WalkRoundService;
import verge.core.search.Plain;
import verge.core.search.Sought;

/** Which jobs the shelf lists, and in which order. */
@Component
class ShelfLines {
    private final JdbcClient sql;
    private final JournalService journals;
    private final WalkRoundService walkRounds;

    ShelfLines(JdbcClient sql, JournalService journals, WalkRoundService walkRounds) {
        this.sql = sql;
        this.journals = journals;
        this.walkRounds = walkRounds;
    }

    /**
     * Those of a name or with a person in their book that has all typed words in it, in any case and with or without accents; what is alike
     * goes by name.
     *
     * @param text empty for all
     */
    List<Job> of(Stream<Job> jobs, ShelfOrder order, String text) {
        List<Job> all = jobs.toList();
        Sought sought = Sought.of(text);
        if (!sought.isEmpty()) {
            Map<UUID, String> people = people(all);
            all = all.stream().filter(j -> sought.fit(Plain.of(j.name()), people.getOrDefault(j.id(), "")) != Sought.Fit.NOT).toList();
        }
        return all.stream().sorted(comparator(all, order).thenComparing(Job::name, String.CASE_INSENSITIVE_ORDER)).toList();
    }

    private Comparator<Job> comparator(Collection<Job> all, ShelfOrder order) {
        return switch (order) {
            case NAME -> Comparator.comparing(Job::name, String.CASE_INSENSITIVE_ORDER);
            case WORKED -> mostFirst(asked(all, """
                    select j.id as job, e.at as what from job j
                    join lateral (select at from journal_entry where job_id = j.id order by sequence desc limit 1) e on true
                    where j.id in (:jobs)""", row -> row.getTimestamp("what").toInstant()), Instant.EPOCH);
            case POINTS -> mostFirst(asked(all, "select job_id as job, count(*) as what from point where job_id in (:jobs) group by job_id",
                    row -> row.getLong("what")), 0L);
            case SETTLE -> mostFirst(all.stream().collect(Collectors.toMap(Job::id, this::open)), 0);
        };
    }

    private int open(Job job) {
        return journals.readable(job.id()).map(journal -> walkRounds.open(job.id(), journal).size()).orElse(0);
    }

    private static <T extends Comparable<T>> Comparator<Job> mostFirst(Map<UUID, T> each, T none) {
        return Comparator.comparing((Job j) -> each.getOrDefault(j.id(), none)).reversed();
    }

    private Map<UUID, String> people(Collection<Job> all) {
        return asked(all, """
                select job_id as job, string_agg(distinct person, ' ') as what from journal_entry where job_id in (:jobs) group by \
                job_id""",
                row -> Plain.of(row.getString("what")));
    }

    /** What the database says of a job, in the column 'what'. */
    private interface Said<T> {
        T read(ResultSet row) throws SQLException;
    }

    private <T> Map<UUID, T> asked(Collection<Job> all, String query, Said<T> said) {
        Map<UUID, T> each = new HashMap<>();
        if (!all.isEmpty()) {
            sql.sql(query).param("jobs", all.stream().map(Job::id).toList())
                    .query((ResultSet row) -> {
                        each.put(row.getObject("job", UUID.class), said.read(row));
                    });
        }
        return each;
    }
}
