package verge.app.journal;

import jakarta.persistence.EntityManager;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentMap;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;
import verge.app.problem.Causes;
import verge.core.chapters.Chapters;
import verge.core.job.Deed;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Restored;
import verge.core.journal.Sheet;
import verge.core.journal.Struck;
import verge.core.journal.Unread;
import verge.core.journal.Unreckonable;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.settings.Geoids;
import verge.core.settings.SettingsChosen;

/**
 * The journals of all jobs: reads them, appends to them, keeps the points in step.
 *
 * <p>What has been replayed is kept in memory and caught up from the database before each use, so that entries of another tab or
 * another node are seen; the job's row is locked while entries are written, so that entries interleave and none is lost.
 */
@Service
public class JournalService {
    /** Entries and points of all jobs kept in memory together, about a kilobyte each; what was used longest ago goes first. */
    /** A key of a journal with what is kept under it; measured by the bench of journals. */
    private static final long BYTES_A_KEY = 300;
    /** Journals may have a third of the memory. */
    private static final long MOST_KEPT = Runtime.getRuntime().maxMemory() / 3 / BYTES_A_KEY;
    private static final int MOST_ASKED_AT_ONCE = 10_000;
    private static final Logger LOG = LoggerFactory.getLogger(JournalService.class);
    /** Whoever waits longer for others is told so. */
    private static final Duration PATIENCE = Duration.ofSeconds(60);
    /** Less than a connection waits for any answer: a row that is taken must not look like a database that is away. */
    private static final int LOCK_MILLIS = 2_000;
    /** A journal is rebuilt in so many parts. */
    private static final int PARTS = 7;

    private final EntityManager entities;
    private final TransactionTemplate transaction;
    private final PayloadJson json;
    private final PointProjection projection;
    private final ApplicationEventPublisher events;
    private final Geoids geoids;
    private final ConcurrentMap<UUID, Replayed> replayed = KeptInMemory.upTo(MOST_KEPT, kept -> kept.journal().weight());

    private final ConcurrentMap<UUID, Object> loadings = new ConcurrentHashMap<>();
    private final Turns turns = new Turns(PATIENCE);

    /**
     * Where a journal cannot be read on.
     *
     * @param line number of the first entry that is missing
     * @param behind how many entries are there from it on, which count for nothing
     */
    public record Damage(int line, int behind) {
    }

    private record Replayed(Journal journal, Optional<Damage> damage) {
        static Replayed whole(Journal journal) {
            return new Replayed(journal, Optional.empty());
        }
    }

    JournalService(EntityManager entities, TransactionTemplate transaction, PayloadJson json, PointProjection projection,
            ApplicationEventPublisher events, Geoids geoids) {
        this.entities = entities;
        this.transaction = transaction;
        this.json = json;
        this.projection = projection;
        this.events = events;
        this.geoids = geoids;
    }

    /** The journal as it stands in the database now; of a damaged one, what comes before the damage. */
    public Journal journal(UUID job) {
        return caughtUpOrLoaded(job).journal();
    }

    /**
     * A job that nobody has looked at yet is loaded once, however many ask: the others wait, without a connection of their own, and then
     * only catch up.
     */
    private Replayed caughtUpOrLoaded(UUID job) {
        if (replayed.containsKey(job)) {
            return transaction.execute(status -> caughtUp(job));
        }
        Object loading = loadings.computeIfAbsent(job, first -> new Object());
        try {
            synchronized (loading) {
                return transaction.execute(status -> caughtUp(job));
            }
        } finally {
            loadings.remove(job, loading);
        }
    }

    /**
     * As {@link #journal}; empty if not even its first line can be read, or there is none: where many jobs are listed, one hides no other.
     */
    public Optional<Journal> readable(UUID job) {
        try {
            return Optional.of(journal(job));
        } catch (SurveyException notThere) {
            return Optional.empty();
        }
    }

    public JobState state(UUID job) {
        return journal(job).state();
    }

    /** Where a journal cannot be read on; empty for one that is whole. */
    public Optional<Damage> damage(UUID job) {
        return caughtUpOrLoaded(job).damage();
    }

    /** As {@link #append(UUID, Appending)}: one entry, as it is. */
    public Kept append(UUID job, Author author, Payload payload) {
        return append(job, Appending.of(author, payload));
    }

    /** As {@link #append(UUID, Appending)}: one entry, made from the state that it will follow. */
    public Kept append(UUID job, Author author, Function<JobState, Payload> payload) {
        return append(job, Appending.of(author, payload));
    }

    /** As {@link #append(UUID, Appending)}: entries that belong together. */
    public Kept appendTogether(UUID job, Author author, Function<Journal, List<Payload>> payloads) {
        return append(job, Appending.together(author, payloads));
    }

    /**
     * Appends. When this returns, all of it is committed and flushed.
     *
     * <p>Whoever else writes into the job waits for a turn, without a connection. What follows from the entries is reckoned before the
     * job's row is locked, and anew if another node
     * came first: the lock is held for as long as rows take to be written.
     *
     * @return the last entry, or the one of its id that is in the journal already
     * @throws SurveyException JOB_PUT_AWAY, JOURNAL_DAMAGED, ENTRY_ID_TAKEN, JOB_BUSY, or as the decision does
     * @throws IllegalStateException within another transaction, for pages would be told of what may never be committed; or within another
     *     append to the job
     */
    public Kept append(UUID job, Appending what) {
        return appendIfAny(job, what).orElseThrow(() -> new IllegalStateException("nothing to append"));
    }

    /**
     * As {@link #append(UUID, Appending)}, where it may turn out that nothing is to be appended any more: the decision makes no entry, and
     * nothing else is done.
     */
    public Optional<Kept> appendIfAny(UUID job, Appending what) {
        if (TransactionSynchronizationManager.isActualTransactionActive()) {
            throw new IllegalStateException("an append within another transaction");
        }
        Done done = turns.take(job, () -> {
            Instant until = Instant.now().plus(PATIENCE);
            Optional<Done> now = tried(job, what, Optional.ofNullable(replayed.get(job)).orElseGet(() -> caughtUpOrLoaded(job)));
            while (now.isEmpty()) {
                if (Instant.now().isAfter(until)) {
                    throw new SurveyException(Problem.JOB_BUSY, PATIENCE.toSeconds());
                }
                now = tried(job, what, caughtUpOrLoaded(job));
            }
            return now.get();
        });
        if (done.before().isPresent()) {
            return Optional.of(new Kept(done.last(), true));
        } else if (done.entries().isEmpty()) {
            return Optional.empty();
        }
        done.entries().forEach(entry -> events.publishEvent(new JournalChanged(job, entry)));
        followUp(job, what, done.last());
        return Optional.of(new Kept(done.last(), false));
    }

    /** What is stored is stored: a failure behind it must not be told as if it were not. */
    private static void followUp(UUID job, Appending what, Entry last) {
        try {
            what.after().accept(last);
        } catch (RuntimeException failed) {
            LOG.error("what follows line {} of job {} failed", last.sequence(), job, failed);
        }
    }

    /** @param before the entry of that id that was there already */
    private record Done(List<Entry> entries, Optional<Entry> before) {
        Entry last() {
            return before.orElseGet(() -> entries.get(entries.size() - 1));
        }
    }

    /** @return empty if another node came first, or has the job's row just now */
    private Optional<Done> tried(UUID job, Appending what, Replayed known) {
        Journal before = known.journal();
        Optional<Entry> stored = before.entry(what.author().entry());
        if (stored.isPresent()) {
            return Optional.of(new Done(List.of(), stored));
        }
        if (known.damage().isPresent()) {
            return refusedIfDamaged(job);
        }
        List<Entry> entries;
        Journal after;
        try {
            entries = entries(before, what.author(), what.decision().apply(before));
            after = entries.isEmpty() ? before : before.append(entries);
        } catch (RuntimeException refused) {
            if (isBehind(job, before)) {
                return Optional.empty();   // what another node wrote meanwhile may be what was missing
            }
            throw refused;
        }
        if (entries.isEmpty()) {
            return isBehind(job, before) ? Optional.empty() : Optional.of(new Done(entries, Optional.empty()));
        }
        PointProjection.Difference points = projection.difference(before, after);
        try {
            boolean first = Boolean.TRUE.equals(transaction.execute(status -> {
                lock(job);
                if (length(job) != before.entries().size()) {
                    return false;
                }
                entries.forEach(entry -> persist(job, entry));
                entities.flush();
                projection.write(job, points);
                what.within().accept(entries.get(entries.size() - 1));
                return true;
            }));
            if (!first) {
                return Optional.empty();
            }
        } catch (RuntimeException failed) {
            if (Causes.isLockTaken(failed)) {
                return Optional.empty();
            }
            throw failed;
        }
        keep(job, Replayed.whole(after));
        return Optional.of(new Done(entries, Optional.empty()));
    }

    /** It may have been mended since. */
    private Optional<Done> refusedIfDamaged(UUID job) {
        caughtUpOrLoaded(job).damage().ifPresent(d -> {
            throw new SurveyException(Problem.JOURNAL_DAMAGED, d.line());
        });
        return Optional.empty();
    }

    private boolean isBehind(UUID job, Journal journal) {
        return transaction.execute(status -> length(job)) != journal.entries().size();
    }

    private long length(UUID job) {
        return entities.createQuery("select coalesce(max(e.sequence), 0) from EntryRow e where e.jobId = :job", Long.class)
                .setParameter("job", job).getSingleResult();
    }

    private static List<Entry> entries(Journal before, Author author, List<Payload> payloads) {
        // Microseconds are what the database keeps: the entry must be the same before and after it was read back.
        Instant now = Instant.now().truncatedTo(ChronoUnit.MICROS);
        int last = payloads.size() - 1;
        return IntStream.rangeClosed(0, last).mapToObj(i -> new Entry(i == last ? author.entry() : Entry.companion(author.entry(), i),
                before.entries().size() + 1L + i, now, author.person(), author.device(), payloads.get(i))).toList();
    }

    /** Writes the first entry of a new job within the caller's transaction. */
    public void begin(UUID job, Author author, SettingsChosen settings) {
        persist(job, new Entry(author.entry(), 1, Instant.now().truncatedTo(ChronoUnit.MICROS), author.person(), author.device(),
                settings));
    }

    /** Writes the entries of a new job, as they were written elsewhere, within the caller's transaction. */
    public void begin(UUID job, List<Entry> entries) {
        entries.forEach(entry -> persist(job, entry));
        entities.flush();
        projection.rebuild(job, Chapters.replay(entries, geoids).state());
    }

    /** Whether any of these is in a journal here already. */
    public boolean anyKnown(List<Entry> entries) {
        List<UUID> ids = entries.stream().map(Entry::id).toList();
        return IntStream.iterate(0, from -> from < ids.size(), from -> from + MOST_ASKED_AT_ONCE).anyMatch(from ->
                entities.createQuery("select count(e) from EntryRow e where e.id in :ids", Long.class)
                        .setParameter("ids", ids.subList(from, Math.min(from + MOST_ASKED_AT_ONCE, ids.size()))).getSingleResult() > 0);
    }

    /** Takes an entry out of reckoning. @throws SurveyException NOTHING_TO_STRIKE if it cannot be struck or already is */
    public void strike(UUID job, Author author, UUID entry) {
        appendTogether(job, author, journal -> {
            if (journal.state().isStruck(entry) || !journal.canStrike(entry)) {
                throw new SurveyException(Problem.NOTHING_TO_STRIKE);
            }
            return List.of(new Struck(entry));
        });
    }

    /**
     * Takes the last thing done back. What was done stays to be read.
     *
     * @param seen the last entry of what the person saw as the last thing done
     * @throws SurveyException CHANGED_MEANWHILE if something else was done since
     */
    public void undo(UUID job, Author author, UUID seen) {
        appendTogether(job, author.by(Deed.UNDO), journal -> turned(journal, journal.lastDone(), seen));
    }

    /** Brings the last thing back that was taken back. @throws SurveyException as {@link #undo} */
    public void redo(UUID job, Author author, UUID seen) {
        appendTogether(job, author.by(Deed.REDO), journal -> turned(journal, journal.lastUndone(), seen));
    }

    private static List<Payload> turned(Journal journal, Optional<Deed> deed, UUID seen) {
        Entry latest = journal.entries().get(journal.entries().size() - 1);
        return deed.filter(d -> d.last().id().equals(seen)).map(Deed::back)
                .orElseThrow(() -> new SurveyException(Problem.CHANGED_MEANWHILE, "line " + latest.sequence(), latest.person()));
    }

    /** Brings a struck entry back. @throws SurveyException NOTHING_TO_STRIKE if it is not struck */
    public void restore(UUID job, Author author, UUID entry) {
        append(job, author, state -> {
            if (!state.isStruck(entry)) {
                throw new SurveyException(Problem.NOTHING_TO_STRIKE);
            }
            return new Restored(entry);
        });
    }

    /** Which of some jobs have an entry that says such a thing; it may have been struck. */
    public Set<UUID> having(Class<? extends Payload> said, Set<UUID> jobs) {
        return Set.copyOf(entities.createQuery("select distinct e.jobId from EntryRow e where e.jobId in :jobs and e.kind = :kind",
                UUID.class).setParameter("jobs", jobs).setParameter("kind", json.kind(said)).getResultList());
    }

    /**
     * What rebuilding a job came to.
     *
     * @param alike whether every bit of its points came out as it was
     * @param faults what of its journal's sheet does not fit together, or differs by the way it was reached; empty if nothing
     * @param extent how much was looked at
     */
    public record Rebuilt(boolean alike, List<String> faults, Sheet.Extent extent) {
        public boolean isSound() {
            return alike && faults.isEmpty();
        }
    }

    /** Drops the job's points and computes them again from its journal: at once, and, to be held against that, in parts as they came. */
    public Rebuilt rebuild(UUID job) {
        return transaction.execute(status -> {
            entities.createNativeQuery("select id from job where id = :job for update").setParameter("job", job).getResultList();
            String before = projection.digest(job);
            List<Entry> entries = load(job, 0).entries();
            Journal whole = replayed(job, entries);
            projection.rebuild(job, whole.state());
            List<String> faults = new ArrayList<>(whole.faults());
            Journal inParts = inParts(job, entries);
            faults.addAll(inParts.faults());
            if (!inParts.comesToTheSameAs(whole)) {
                faults.add("entries that came in parts come to something else");
            }
            return new Rebuilt(before.equals(projection.digest(job)), faults, whole.extent());
        });
    }

    private Journal inParts(UUID job, List<Entry> entries) {
        int step = Math.max(1, entries.size() / PARTS);
        Journal journal = replayed(job, entries.subList(0, Math.min(step, entries.size())));
        for (int from = step; from < entries.size(); from += step) {
            Journal before = journal;
            List<Entry> part = entries.subList(from, Math.min(from + step, entries.size()));
            try {
                journal = reckoned(job, part, before::caughtUp);
            } catch (Unreckonable earlier) {
                journal = replayed(job, entries.subList(0, from + part.size()));
            }
        }
        return journal;
    }

    private Replayed caughtUp(UUID job) {
        Replayed known = replayed.get(job);
        Optional<Damage> before = known == null ? Optional.empty() : known.damage();
        if (before.isPresent()) {
            known = null;   // it may have been mended
        }
        Loaded more = load(job, known == null ? 0 : known.journal().entries().size());
        more.damage().filter(d -> !before.equals(Optional.of(d)))
                .ifPresent(d -> LOG.error("the journal of job {} lacks line {}", job, d.line()));
        if (known == null) {
            if (more.entries().isEmpty()) {
                throw more.damage().map(d -> new SurveyException(Problem.JOURNAL_DAMAGED, d.line()))
                        .orElseGet(() -> new SurveyException(Problem.NOT_FOUND, job));
            }
            return keep(job, new Replayed(replayed(job, more.entries()), more.damage()));
        }
        if (more.entries().isEmpty() && more.damage().isEmpty()) {
            return known;
        }
        try {
            return keep(job, new Replayed(reckoned(job, more.entries(), known.journal()::caughtUp), more.damage()));
        } catch (Unreckonable earlier) {   // one of those before: a replay of all tolerates it, and so does who catches up
            Loaded all = load(job, 0);
            Replayed again = new Replayed(replayed(job, all.entries()), all.damage());
            replayed.put(job, again);
            return again;
        }
    }

    private Journal replayed(UUID job, List<Entry> entries) {
        return reckoned(job, entries, all -> Chapters.replay(all, geoids));
    }

    /** What was stored must not keep a job from opening: an entry that cannot be reckoned counts for nothing, and is told. */
    private Journal reckoned(UUID job, List<Entry> entries, Function<List<Entry>, Journal> way) {
        List<Entry> counting = new ArrayList<>(entries);
        while (true) {
            try {
                return way.apply(counting);
            } catch (Unreckonable unfit) {
                int at = (int) (unfit.entry().sequence() - counting.get(0).sequence());
                if (at < 0 || counting.get(at).payload() instanceof Unread) {
                    throw unfit;
                }
                LOG.error("line {} of job {} cannot be reckoned", unfit.entry().sequence(), job, unfit.getCause());
                PayloadJson.Written written = json.write(unfit.entry().payload());
                counting.set(at, with(unfit.entry(),
                        new Unread(written.kind(), written.version(), written.json(), String.valueOf(unfit.getCause().getMessage()))));
            } catch (IllegalArgumentException withoutSettings) {
                throw new SurveyException(Problem.JOURNAL_DAMAGED, 1);
            }
        }
    }

    private static Entry with(Entry entry, Payload payload) {
        return new Entry(entry.id(), entry.sequence(), entry.at(), entry.person(), entry.device(), payload);
    }

    /** Keeps the longer of two journals: they are prefixes of one another. */
    private Replayed keep(UUID job, Replayed journal) {
        return replayed.merge(job, journal, (a, b) -> a.journal().entries().size() > b.journal().entries().size() ? a : b);
    }

    /** @throws SurveyException JOB_PUT_AWAY or NOT_FOUND: nothing is written into what nobody looks at */
    private void lock(UUID job) {
        entities.createNativeQuery("set local lock_timeout = " + LOCK_MILLIS).executeUpdate();
        List<?> found = entities.createNativeQuery(
                "select archived_at is not null from job where id = :job and deleted_at is null for update", Boolean.class)
                .setParameter("job", job).getResultList();
        if (found.isEmpty()) {
            throw new SurveyException(Problem.NOT_FOUND, job);
        }
        if (Boolean.TRUE.equals(found.get(0))) {
            throw new SurveyException(Problem.JOB_PUT_AWAY);
        }
    }

    private void persist(UUID job, Entry entry) {
        entities.persist(new EntryRow(entry.id(), job, entry.sequence(), entry.at(), entry.person(), entry.device(),
                json.write(entry.payload())));
    }

    private record Loaded(List<Entry> entries, Optional<Damage> damage) {
    }

    /** Entries after a number, up to the first that is missing; what cannot be read is there as such. */
    private Loaded load(UUID job, int after) {
        List<EntryRow> rows = entities.createQuery(
                "select e from EntryRow e where e.jobId = :job and e.sequence > :after order by e.sequence", EntryRow.class)
                .setParameter("job", job).setParameter("after", after).getResultList();
        List<Entry> entries = new ArrayList<>(rows.size());
        for (EntryRow row : rows) {
            int line = after + entries.size() + 1;
            if (row.sequence() != line) {
                return new Loaded(entries, Optional.of(new Damage(line, rows.size() - entries.size())));
            }
            entries.add(new Entry(row.id(), row.sequence(), row.at(), row.person(), row.device(), payload(job, row)));
        }
        return new Loaded(entries, Optional.empty());
    }

    private Payload payload(UUID job, EntryRow row) {
        try {
            return json.read(row.written());
        } catch (RuntimeException unreadable) {   // whatever the library makes of what is no such entry
            LOG.error("line {} of job {} cannot be read: {}", row.sequence(), job, unreadable.getMessage());
            return new Unread(row.written().kind(), row.written().version(), row.written().json(), String.valueOf(unreadable.getMessage()));
        }
    }
}
