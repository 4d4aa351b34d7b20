package verge.app.search;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** What each person used lately in a job: the last few things, on whichever device. */
@Component
public class UsedLately {
    static final int LONGEST = 300;
    private static final int MOST_KEPT = 50;

    private final JdbcClient sql;
    private final TransactionTemplate transaction;

    UsedLately(JdbcClient sql, TransactionTemplate transaction) {
        this.sql = sql;
        this.transaction = transaction;
    }

    /** @param thing its kind and its name or id; longer than {@value #LONGEST} letters, it is not kept */
    public void use(UUID job, String person, String thing) {
        if (thing.isEmpty() || thing.length() > LONGEST) {
            return;
        }
        transaction.executeWithoutResult(status -> {
            sql.sql("""
                    insert into used_lately (job_id, person, thing) values (:job, :person, :thing)
                    on conflict (job_id, person, thing) do update set used_at = \
                    clock_timestamp()""").param("job", job).param("person", person).param("thing", thing).update();
            sql.sql("""
                    delete from used_lately where job_id = :job and person = :person and thing not in (
                        select thing from used_lately where job_id = :job and person = :person order by used_at desc limit :most)""")
                    .param("job", job).param("person", person).param("most", MOST_KEPT).update();
        });
    }

    /** The last first. */
    public List<String> of(UUID job, String person) {
        return sql.sql("select thing from used_lately where job_id = :job and person = :person order by used_at desc, thing")
                .param("job", job).param("person", person).query(String.class).list();
    }

    /** How lately each was used, the last with 0. */
    Map<String, Integer> places(UUID job, String person) {
        Map<String, Integer> places = new HashMap<>();
        of(job, person).forEach(thing -> places.put(thing, places.size()));
        return places;
    }
}
