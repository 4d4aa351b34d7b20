package verge.app.job;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.core.job.JobState;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointsImported;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Moving, copying, putting away, deleting and having back jobs. */
@Service
public class JobShelf {
    /** How long a deleted job can be had back. The database holds to the same. */
    public static final Duration RECOVERABLE = Duration.ofDays(30);
    private static final Logger LOG = LoggerFactory.getLogger(JobShelf.class);
    private static final List<String> TABLES = List.of("point", "setup_draft", "job_instrument", "job_receiver", "journal_entry");

    private final JobRepository jobs;
    private final JobService making;
    private final JournalService journals;
    private final TransactionTemplate transaction;
    private final JdbcClient sql;

    JobShelf(JobRepository jobs, JobService making, JournalService journals, TransactionTemplate transaction, JdbcClient sql) {
        this.jobs = jobs;
        this.making = making;
        this.journals = journals;
        this.transaction = transaction;
        this.sql = sql;
    }

    /** @throws SurveyException JOB_NAME_TAKEN if the other site has a job of that name */
    public void move(UUID job, UUID site) {
        UUID target = making.site(site).id();
        change(making.job(job), j -> j.moveTo(target));
    }

    public void archive(UUID job, boolean away) {
        change(making.job(job), j -> j.archive(away));
    }

    /**
     * A new job with the settings of another and, if wanted, its control.
     *
     * @throws SurveyException NAME_UNFIT or JOB_NAME_TAKEN
     */
    public Job copy(UUID job, UUID site, String name, boolean withControl, Author author) {
        JobState state = journals.state(making.job(job).id());
        Job copy = making.make(site, name, state.settings(), author);
        List<NamedPosition> control = state.points().all(Origin.CONTROL)
                .map(p -> new NamedPosition(p.name(), p.code(), p.position(), p.description(), p.sigma())).toList();
        if (withControl && !control.isEmpty()) {
            String from = "job " + making.job(job).name();
            journals.append(copy.id(), Author.atPage(author.person()), new PointsImported(Origin.CONTROL, from, "", control));
        }
        return copy;
    }

    /** Deletes a job whose name was typed out. @throws SurveyException NAME_NOT_REPEATED if it was not */
    public void delete(UUID job, String typedName) {
        Job doomed = making.job(job);
        if (!typedName.strip().equals(doomed.name())) {
            throw new SurveyException(Problem.NAME_NOT_REPEATED, doomed.name());
        }
        change(doomed, Job::delete);
    }

    /** A site's deleted jobs that can still be had back, latest first. */
    public List<Job> deleted(UUID site) {
        Instant since = Instant.now().minus(RECOVERABLE);
        return jobs.findBySiteIdAndDeletedAtIsNotNullOrderByDeletedAtDesc(site).stream().filter(j -> j.deletedAt().isAfter(since)).toList();
    }

    /** @throws SurveyException NOT_FOUND after thirty days, JOB_NAME_TAKEN if another job has the name now */
    public Job restore(UUID job) {
        Job back = jobs.findById(job).filter(j -> j.deletedAt() != null && j.deletedAt().isAfter(Instant.now().minus(RECOVERABLE)))
                .orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, job));
        change(back, Job::restore);
        return back;
    }

    private void change(Job job, Consumer<Job> change) {
        change.accept(job);
        try {
            jobs.saveAndFlush(job);
        } catch (DataIntegrityViolationException twice) {
            throw new SurveyException(Problem.JOB_NAME_TAKEN, job.name());
        }
    }

    /** At every start: what was deleted more than thirty days ago goes for good. */
    @EventListener(ApplicationReadyEvent.class)
    void clear() {
        List<UUID> old = sql.sql("select id from job where deleted_at < now() - interval '30 days'").query(UUID.class).list();
        old.forEach(job -> transaction.executeWithoutResult(status -> {
            TABLES.forEach(table -> sql.sql("delete from " + table + " where job_id = :job").param("job", job).update());
            sql.sql("delete from job where id = :job").param("job", job).update();
        }));
        if (!old.isEmpty()) {
            LOG.info("{} jobs deleted more than 30 days ago are gone for good.", old.size());
        }
    }
}
