package verge.app.search;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.journal.EntryWords;
import verge.core.attributes.AttributesWritten;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Amendment;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.measure.Measured;
import verge.core.measure.NotesWritten;
import verge.core.points.StoredPoint;
import verge.core.search.Findable;
import verge.core.search.Index;
import verge.core.search.Sought;
import verge.core.settings.JobSettings;

/** What can be found in journals. It follows each by what changed since it was last asked, and can be made anew at any time. */
@Component
public class JobIndex {
    private static final int MOST_JOBS = 20;

    private final EntryWords words;
    private final Cache<UUID, Held> held = Caffeine.newBuilder().maximumSize(MOST_JOBS).build();

    JobIndex(EntryWords words) {
        this.words = words;
    }

    /** How far it has followed a job. */
    private static final class Held {
        private int entries;
        private JobSettings settings;
        private Index index = Index.EMPTY;
    }

    /** The index of a journal as it stands. */
    Index of(UUID job, Journal journal) {
        Held own = held.get(job, first -> new Held());
        synchronized (own) {
            if (own.entries < journal.entries().size()) {
                own.index = own.index.with(things(journal, changed(own, journal)));
                own.entries = journal.entries().size();
                own.settings = journal.state().settings();
            }
            // of two who ask at once one may get the later's: each thing is looked at in its own journal before it is told
            return own.index;
        }
    }

    /** The lines of a journal that have a text in them, by their places from 0. */
    public BitSet lines(UUID job, Journal journal, Sought text) {
        return of(job, journal).matching(Findable.Kind.LINE, text);
    }

    /** With other units every line reads otherwise. */
    private static Stream<Entry> changed(Held before, Journal now) {
        return (now.state().settings().equals(before.settings) ? since(before.entries, now) : Optional.<Stream<Entry>>empty())
                .orElseGet(now.entries()::stream);
    }

    /** Entries that came, that came to something else, and those that were said otherwise; empty if that is not known any more. */
    private static Optional<Stream<Entry>> since(int size, Journal now) {
        List<Entry> came = now.after(size);
        Stream<Entry> amended = came.stream().map(Entry::payload).filter(Amendment.class::isInstance)
                .flatMap(on -> now.entry(((Amendment) on).entry()).stream());
        return now.changedSince(size).map(changed -> Stream.of(came.stream(), changed.stream(), amended).flatMap(s -> s));
    }

    private Map<Integer, List<Findable>> things(Journal journal, Stream<Entry> entries) {
        Map<Integer, List<Findable>> things = new HashMap<>();
        entries.forEach(entry -> things.computeIfAbsent((int) entry.sequence() - 1, place -> things(journal, entry)));
        return things;
    }

    private List<Findable> things(Journal journal, Entry entry) {
        JobState state = journal.state();
        List<StoredPoint> points = state.points().of(entry.id());
        List<Findable> things = new ArrayList<>(points.size() + 1);
        IntStream.range(0, points.size()).mapToObj(i -> Findable.of(Findable.Kind.POINT, i, points.get(i).name().text(),
                (points.get(i).code() + " " + points.get(i).description()).strip())).forEach(things::add);
        String noted = state.isStruck(entry.id()) ? "" : String.join(" \u00b7 ", noted(journal.counting(entry)).values());
        if (!noted.isBlank()) {
            things.add(Findable.of(Findable.Kind.NOTE, 0, noted, ""));
        }
        things.add(Findable.of(Findable.Kind.LINE, 0, words.text(journal, entry), ""));
        return things;
    }

    /** What was written or answered about something, by its field. */
    static Map<String, String> noted(Payload says) {
        return says instanceof Measured shot ? shot.notes() : says instanceof NotesWritten notes ? notes.notes()
                : says instanceof AttributesWritten written ? written.answers() : Map.of();
    }
}
