package verge.app.setup;

import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import verge.app.journal.ValueJson;

/** Setups under way, one a job: changed one after the other, so that of two readings at once neither is lost. */
@Component
class SetupDrafts {
    private final JdbcClient sql;
    private final TransactionTemplate transaction;
    private final ValueJson json;

    SetupDrafts(JdbcClient sql, TransactionTemplate transaction, ValueJson json) {
        this.sql = sql;
        this.transaction = transaction;
        this.json = json;
    }

    SetupInHand of(UUID job) {
        return text(job, "").map(this::read).orElse(SetupInHand.NOTHING);
    }

    /** Stands for what was typed and read, so that it can be told whether it is still what somebody has looked at. */
    String digest(UUID job) {
        return sql.sql("select md5(payload) from setup_draft where job_id = :job").param("job", job).query(String.class).optional()
                .orElse("");
    }

    private Optional<String> text(UUID job, String lock) {
        return sql.sql("select payload from setup_draft where job_id = :job " + lock).param("job", job).query(String.class).optional();
    }

    private SetupInHand read(String text) {
        return json.read(text, SetupInHand.class);
    }

    /** What a change makes of it, kept. */
    SetupInHand change(UUID job, UnaryOperator<SetupInHand> change) {
        return transaction.execute(status -> {
            // A row to lock must be there first.
            sql.sql("insert into setup_draft values (:job, :nothing) on conflict do nothing").param("job", job)
                    .param("nothing", json.text(SetupInHand.NOTHING)).update();
            SetupInHand after = change.apply(text(job, "for update").map(this::read).orElse(SetupInHand.NOTHING));
            sql.sql("update setup_draft set payload = :text where job_id = :job").param("job", job).param("text", json.text(after))
                    .update();
            return after;
        });
    }

    void discard(UUID job) {
        sql.sql("delete from setup_draft where job_id = :job").param("job", job).update();
    }
}
