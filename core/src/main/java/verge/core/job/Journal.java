package verge.core.job;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import verge.core.journal.Amendment;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Restored;
import verge.core.journal.Sheet;
import verge.core.journal.Struck;
import verge.core.journal.Unreckonable;
import verge.core.points.SeenPoints;
import verge.core.problem.SurveyException;
import verge.core.sets.SetTakenOut;
import verge.core.settings.Carrier;
import verge.core.settings.SettingsChosen;

/** A job's entries in order, with the state they come to. Immutable; a later one shares what stayed with the one before it. */
public final class Journal {
    private final Sheet sheet;
    private final JobState state;

    /** @throws IllegalArgumentException if the entries do not begin with the job's settings */
    public Journal(Sheet sheet) {
        this.sheet = sheet;
        this.state = new JobState(sheet, SeenPoints.NONE);
    }

    /** This journal with one more entry, which must be numbered next. */
    public Journal append(Entry entry) {
        return append(List.of(entry));
    }

    /**
     * This journal with more entries.
     *
     * @throws IllegalArgumentException if they are not numbered on
     * @throws SurveyException CANNOT_CARRY if settings that are to take places along would follow on others from which there is no way
     */
    public Journal append(List<Entry> entries) {
        try {
            return new Journal(sheet.with(entries));
        } catch (Unreckonable unfit) {
            throw unfit.getCause() instanceof SurveyException said ? said : unfit;
        }
    }

    /**
     * This journal with entries that are stored already, as a replay of all would take them.
     *
     * @throws IllegalArgumentException if they are not numbered on
     * @throws Unreckonable if one of all cannot be reckoned any more
     */
    public Journal caughtUp(List<Entry> stored) {
        return new Journal(sheet.with(stored));
    }

    /** What of it does not fit together; empty if all does. */
    public List<String> faults() {
        return sheet.faults();
    }

    /** Whether each entry comes to the same, bit for bit, as in another journal of the same entries. */
    public boolean comesToTheSameAs(Journal other) {
        return entries().size() == other.entries().size() && sheet.outcomes().toList().equals(other.sheet.outcomes().toList());
    }

    /** How much {@link #faults} looks at. */
    public Sheet.Extent extent() {
        return sheet.extent();
    }

    public List<Entry> entries() {
        return sheet.entries();
    }

    /** The entries after so many, in their order. */
    public List<Entry> after(long size) {
        return between((int) Math.max(0, Math.min(size, entries().size())), entries().size());
    }

    /** The entries after so many, up to so many; each is fetched, since cutting a part off would copy all the rest. */
    public List<Entry> between(int from, int to) {
        return IntStream.range(from, to).mapToObj(entries()::get).toList();
    }

    public JobState state() {
        return state;
    }

    Sheet sheet() {
        return sheet;
    }

    public Optional<Entry> entry(UUID id) {
        return sheet.entry(id);
    }

    /** The last entry of a kind, as it was written, whatever became of it. */
    public <P extends Payload> Optional<P> lastWritten(Class<P> kind) {
        return lastEntry(kind).map(entry -> kind.cast(entry.payload()));
    }

    /** As {@link #lastWritten}, with all that stands beside it. */
    public Optional<Entry> lastEntry(Class<? extends Payload> kind) {
        return sheet.lastWritten(kind);
    }

    /** What an entry says as it counts now, corrections included. */
    public Payload counting(Entry entry) {
        return sheet.counting(entry);
    }

    /** About how much is kept in memory, in entries. */
    public int weight() {
        return sheet.weight();
    }

    /** The entries that came to something else since the journal had so many; empty if that is not known any more. */
    public Optional<List<Entry>> changedSince(long size) {
        return sheet.changedSince(size);
    }

    /** How an entry came about, and what rests on it; empty if there is no such entry. */
    public Optional<Trace> trace(UUID id) {
        return entry(id).map(e -> Trace.of(sheet, e));
    }

    /**
     * What was changed later of a leaf and of all that was read from it: corrections, strikes, readings taken out of sets; struck ones too.
     */
    public List<Entry> changes(UUID leaf) {
        Set<UUID> own = new HashSet<>(Set.of(leaf));
        List<Entry> changes = new ArrayList<>();
        for (Entry entry : entries()) {
            Payload payload = entry.payload();
            if (payload instanceof Amendment change && own.contains(change.entry()) || payload instanceof SetTakenOut out
                    && own.contains(out.plan())) {
                changes.add(entry);
            }
            payload.under().filter(own::contains).ifPresent(belongs -> own.add(entry.id()));
        }
        return changes;
    }

    /** The last thing done that stands, over sessions and people, with what takes it back. */
    public Optional<Deed> lastDone() {
        return new Deeds(this).lastDone();
    }

    /** The last thing taken back, with what brings it back. */
    public Optional<Deed> lastUndone() {
        return new Deeds(this).lastUndone();
    }

    /** Whether an entry can be struck: not the first settings, without which there is no job, and not a strike itself. */
    public boolean canStrike(UUID id) {
        return entry(id).map(e -> e.sequence() > 1 && !(e.payload() instanceof Struck) && !(e.payload() instanceof Restored)).orElse(false);
    }

    /** Whether striking an entry does nothing but take its own points: nobody looked at it, and it amends nothing and is no settings. */
    public boolean standsAlone(UUID id) {
        return entry(id).filter(e -> !(e.payload() instanceof Amendment) && !(e.payload() instanceof SettingsChosen)).isPresent()
                && sheet.lookersAt(id).isEmpty();
    }

    /**
     * How many points would go if an entry were struck: its own, and all that stands on them. Settings give none, and what they move is
     * told when they are struck.
     */
    public long pointsThatGoWith(UUID id) {
        Payload payload = entry(id).map(Entry::payload).orElse(null);
        if (!canStrike(id) || payload instanceof SettingsChosen) {
            return 0;
        }
        if (standsAlone(id)) {
            return state.points().of(id).size();
        }
        Journal without = tried(List.of(new Struck(id)));
        return without.changedSince(entries().size()).orElseThrow().stream()
                .mapToLong(e -> state.points().of(e.id()).size() - without.state.points().of(e.id()).size()).sum();
    }

    /** What the job would come to with one entry more, without writing anything. */
    public JobState trial(Payload more) {
        return tried(List.of(more)).state();
    }

    /** This journal with more said in it, to look at: these entries are written nowhere. */
    public Journal tried(List<Payload> more) {
        if (more.isEmpty()) {
            return this;
        }
        Entry last = entries().get(entries().size() - 1);
        return append(IntStream.range(0, more.size())
                .mapToObj(i -> new Entry(UUID.randomUUID(), last.sequence() + 1 + i, last.at(), last.person(), last.device(), more.get(i)))
                .toList());
    }

    /** The latest entry after a number that changed the job's settings, by choosing them or by striking a choice. */
    public Optional<Entry> settingsChangedSince(long sequence) {
        return since(sequence).filter(e -> e.payload() instanceof SettingsChosen
                || e.payload() instanceof Amendment on && entry(on.entry()).map(Entry::payload).filter(SettingsChosen.class::isInstance)
                .isPresent()).findFirst();
    }

    /** The latest entry after a number that changed the meaning of another. */
    public Optional<Entry> amendedSince(UUID entry, long sequence) {
        return since(sequence).filter(e -> e.payload() instanceof Amendment on && on.entry().equals(entry)).findFirst();
    }

    /** What came after a number, the latest first. */
    private Stream<Entry> since(long sequence) {
        List<Entry> after = after(sequence);
        return IntStream.rangeClosed(1, after.size()).mapToObj(back -> after.get(after.size() - back));
    }

    /**
     * What the job would come to with other settings, without writing anything.
     *
     * @throws SurveyException CANNOT_CARRY if given points are to keep their place and there is no way to tell it
     */
    public JobState preview(SettingsChosen change) {
        if (change.carry()) {
            Carrier.requirePossible(state.settings().system(), change.settings().system());
        }
        return trial(change);
    }
}
