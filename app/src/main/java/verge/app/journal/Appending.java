package verge.app.journal;

import java.util.List;
import java.util.function.Consumer;
import java.util.function.Function;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;

/**
 * Something to be appended to a job's journal, as one: decided while nobody else decides about the job, committed once with all that
 * belongs to it, followed up after that.
 *
 * @param author of its last entry, whose id it bears; what comes before it bears ids made of that one
 * @param decision makes entries of what is there, none only for {@link JournalService#appendIfAny}, and refuses by throwing; made again if
 *     another node came first, so that it changes nothing by itself
 * @param within writes what else belongs to it, in the same transaction
 * @param after what follows, once it is committed: caches, a device that is to stop. What must follow even if this program dies first is
 *     found again at its next start, by what the journal says
 */
public record Appending(Author author, Function<Journal, List<Payload>> decision, Consumer<Entry> within, Consumer<Entry> after) {
    private static final Consumer<Entry> NOTHING = entry -> { };

    public static Appending of(Author author, Payload payload) {
        return together(author, journal -> List.of(payload));
    }

    public static Appending of(Author author, Function<JobState, Payload> payload) {
        return together(author, journal -> List.of(payload.apply(journal.state())));
    }

    /** Entries that belong together: all of them or none. */
    public static Appending together(Author author, Function<Journal, List<Payload>> payloads) {
        return new Appending(author, payloads, NOTHING, NOTHING);
    }

    /** With more that is written in the same transaction; it gets the last entry. */
    public Appending with(Consumer<Entry> more) {
        return new Appending(author, decision, within.andThen(more), after);
    }

    /** With more that follows after the commit; it gets the last entry. */
    public Appending then(Consumer<Entry> more) {
        return new Appending(author, decision, within, after.andThen(more));
    }
}
