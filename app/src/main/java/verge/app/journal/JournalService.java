package verge.app.journal;

import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.persistence.EntityManager;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentMap;
import java.util.function.Function;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import verge.core.journal.Entry;
import verge.core.journal.Geoids;
import verge.core.journal.JobState;
import verge.core.journal.Journal;
import verge.core.journal.Payload;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * The journals of all jobs: reads them, appends to them, keeps the points in step.
 *
 * <p>What has been replayed is kept in memory and caught up from the database before each use, so that entries of another tab or
 * another node are seen; the job's row is locked while an entry is appended, so that entries interleave and none is lost.
 */
@Service
public class JournalService {
    /** Entries and points of all jobs kept in memory together, about a kilobyte each; what was used longest ago goes first. */
    private static final long MOST_KEPT = 300_000;

    private final EntityManager entities;
    private final TransactionTemplate transaction;
    private final PayloadJson json;
    private final PointProjection projection;
    private final ApplicationEventPublisher events;
    private final Geoids geoids;
    private final ConcurrentMap<UUID, Journal> replayed = Caffeine.newBuilder().maximumWeight(MOST_KEPT)
            .weigher((UUID job, Journal journal) -> journal.entries().size() + journal.state().nameCount()).<UUID, Journal>build().asMap();

    JournalService(EntityManager entities, TransactionTemplate transaction, PayloadJson json, PointProjection projection,
            ApplicationEventPublisher events, Geoids geoids) {
        this.entities = entities;
        this.transaction = transaction;
        this.json = json;
        this.projection = projection;
        this.events = events;
        this.geoids = geoids;
    }

    /** The journal as it stands in the database now. */
    public Journal journal(UUID job) {
        return transaction.execute(status -> caughtUp(job));
    }

    public JobState state(UUID job) {
        return journal(job).state();
    }

    public Entry append(UUID job, Author author, Payload payload) {
        return append(job, author, state -> payload);
    }

    /**
     * Appends an entry made from the state it will follow. When this returns, the entry is committed and flushed.
     *
     * @param payload decides with the job locked, and refuses by throwing
     * @return the entry; if its id is already in the journal, the one stored then
     */
    public Entry append(UUID job, Author author, Function<JobState, Payload> payload) {
        record Appended(Journal journal, Entry entry, boolean added) {
        }
        Appended done = transaction.execute(status -> {
            lock(job);
            Journal before = caughtUp(job);
            Optional<Entry> stored = before.entry(author.entry());
            if (stored.isPresent()) {
                return new Appended(before, stored.get(), false);
            }
            // Microseconds are what the database keeps: the entry must be the same before and after it was read back.
            Entry entry = new Entry(author.entry(), before.entries().size() + 1, Instant.now().truncatedTo(ChronoUnit.MICROS),
                    author.person(), author.device(), payload.apply(before.state()));
            Journal after = before.append(entry);
            persist(job, entry);
            projection.follow(job, before.state(), after, entry);
            return new Appended(after, entry, true);
        });
        if (done.added()) {
            keep(job, done.journal());
            events.publishEvent(new JournalChanged(job, done.entry()));
        }
        return done.entry();
    }

    /** Writes the first entry of a new job within the caller's transaction. */
    public void begin(UUID job, Author author, Payload.SettingsChosen settings) {
        persist(job, new Entry(author.entry(), 1, Instant.now().truncatedTo(ChronoUnit.MICROS), author.person(), author.device(), settings));
    }

    /** Writes the entries of a new job, as they were written elsewhere, within the caller's transaction. */
    public void begin(UUID job, List<Entry> entries) {
        entries.forEach(entry -> persist(job, entry));
        projection.rebuild(job, Journal.replay(entries, geoids).state());
    }

    /** Whether any of these is in a journal here already. */
    public boolean anyKnown(List<Entry> entries) {
        return entries.stream().map(Entry::id).anyMatch(id -> entities.find(EntryRow.class, id) != null);
    }

    /** Takes an entry out of reckoning. @throws SurveyException NOTHING_TO_STRIKE if it cannot be struck or already is */
    public void strike(UUID job, Author author, UUID entry) {
        append(job, author, state -> {
            if (state.isStruck(entry) || !journal(job).canStrike(entry)) {
                throw new SurveyException(Problem.NOTHING_TO_STRIKE);
            }
            return new Payload.Struck(entry);
        });
    }

    /** Brings a struck entry back. @throws SurveyException NOTHING_TO_STRIKE if it is not struck */
    public void restore(UUID job, Author author, UUID entry) {
        append(job, author, state -> {
            if (!state.isStruck(entry)) {
                throw new SurveyException(Problem.NOTHING_TO_STRIKE);
            }
            return new Payload.Restored(entry);
        });
    }

    /**
     * Drops the job's points and computes them again from its journal.
     *
     * @return whether every bit came out as it was
     */
    public boolean rebuild(UUID job) {
        return Boolean.TRUE.equals(transaction.execute(status -> {
            lock(job);
            String before = projection.digest(job);
            projection.rebuild(job, Journal.replay(load(job, 0), geoids).state());
            return before.equals(projection.digest(job));
        }));
    }

    private Journal caughtUp(UUID job) {
        Journal known = replayed.get(job);
        List<Entry> more = load(job, known == null ? 0 : known.entries().size());
        if (known == null) {
            if (more.isEmpty()) {
                throw new SurveyException(Problem.NOT_FOUND, job);
            }
            return keep(job, Journal.replay(more, geoids));
        }
        Journal now = known;
        for (Entry entry : more) {
            now = now.append(entry);
        }
        return more.isEmpty() ? known : keep(job, now);
    }

    /** Keeps the longer of two journals: they are prefixes of one another. */
    private Journal keep(UUID job, Journal journal) {
        return replayed.merge(job, journal, (a, b) -> a.entries().size() >= b.entries().size() ? a : b);
    }

    private void lock(UUID job) {
        entities.createNativeQuery("select id from job where id = :job for update").setParameter("job", job).getResultList();
    }

    private void persist(UUID job, Entry entry) {
        entities.persist(new EntryRow(entry.id(), job, entry.sequence(), entry.at(), entry.person(), entry.device(),
                json.write(entry.payload())));
        entities.flush();
    }

    private List<Entry> load(UUID job, int after) {
        return entities.createQuery("select e from EntryRow e where e.jobId = :job and e.sequence > :after order by e.sequence", EntryRow.class)
                .setParameter("job", job).setParameter("after", after).getResultStream()
                .map(row -> new Entry(row.id(), row.sequence(), row.at(), row.person(), row.device(), json.read(row.written())))
                .toList();
    }
}
