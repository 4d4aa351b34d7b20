package verge.core.journal;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import verge.core.coding.PointName;
import verge.core.problem.SurveyException;
import verge.core.setup.Sighting;

/**
 * A job's entries in order, with the state they come to. Immutable.
 *
 * <p>Most entries only add to the state. Striking, bringing back and a change of settings may touch anything that came before, so
 * they replay the whole; both ways give the same bits.
 */
public final class Journal {
    private final List<Entry> entries;
    private final JobState state;
    private final Geoids geoids;

    private Journal(List<Entry> entries, JobState state, Geoids geoids) {
        this.entries = entries;
        this.state = state;
        this.geoids = geoids;
    }

    /** As {@link #replay(List, Geoids)}, for entries that name no geoid grid. */
    public static Journal replay(List<Entry> entries) {
        return replay(entries, Geoids.NONE);
    }

    /**
     * @throws IllegalArgumentException if the entries are not numbered 1, 2, 3 … or do not begin with the job's settings
     */
    public static Journal replay(List<Entry> entries, Geoids geoids) {
        for (int i = 0; i < entries.size(); i++) {
            if (entries.get(i).sequence() != i + 1) {
                throw new IllegalArgumentException("entry " + (i + 1) + " is numbered " + entries.get(i).sequence());
            }
        }
        Set<UUID> struck = struck(entries);
        return new Journal(List.copyOf(entries), reckon(entries, struck, geoids), geoids);
    }

    private static JobState reckon(List<Entry> entries, Set<UUID> struck, Geoids geoids) {
        Map<UUID, Payload> corrected = corrected(entries, struck);
        List<Entry> counting = corrected.isEmpty() ? entries : entries.stream().map(e -> corrected.containsKey(e.id()) ? e.with(corrected.get(e.id())) : e).toList();
        return JobState.empty(JobGeodesy.of(settings(entries, struck), geoids), struck, Carrier.of(entries, struck)).after(counting);
    }

    /** What entries should have said, by their ids: the latest correction that is not struck. */
    private static Map<UUID, Payload> corrected(List<Entry> entries, Set<UUID> struck) {
        Map<UUID, Payload> corrected = new HashMap<>();
        for (Entry entry : entries) {
            if (entry.payload() instanceof Payload.Reworked rework && !struck.contains(entry.id())) {
                corrected.put(rework.entry(), rework.corrected());
            }
        }
        return corrected;
    }

    /** What an entry says as it counts now, corrections included. */
    public Payload counting(Entry entry) {
        return entries.stream().filter(e -> e.payload() instanceof Payload.Reworked r && r.entry().equals(entry.id()) && !state.isStruck(e.id()))
                .reduce((first, next) -> next).map(e -> ((Payload.Reworked) e.payload()).corrected()).orElse(entry.payload());
    }

    /** What was changed later of a leaf and of all that was read from it: corrections, strikes, readings taken out of sets; struck ones too. */
    public List<Entry> changes(UUID leaf) {
        Set<UUID> own = new HashSet<>(Set.of(leaf));
        List<Entry> changes = new ArrayList<>();
        for (Entry entry : entries) {
            Payload payload = entry.payload();
            if (payload instanceof Payload.OnEntry change && own.contains(change.entry()) || payload instanceof Payload.SetTakenOut out && own.contains(out.plan())) {
                changes.add(entry);
            }
            if (payload instanceof Payload.OfSetup of && own.contains(of.setup()) || payload instanceof Payload.OfSets sets && own.contains(sets.plan())) {
                own.add(entry.id());
            }
        }
        return changes;
    }

    /** This journal with one more entry, which must be numbered next. */
    public Journal append(Entry entry) {
        List<Entry> more = new ArrayList<>(entries);
        more.add(entry);
        if (reachesBack(entry.payload())) {
            return replay(more, geoids);
        }
        if (entry.sequence() != more.size()) {
            throw new IllegalArgumentException("entry " + more.size() + " is numbered " + entry.sequence());
        }
        return new Journal(List.copyOf(more), state.after(List.of(entry)), geoids);
    }

    public List<Entry> entries() {
        return entries;
    }

    public JobState state() {
        return state;
    }

    public Optional<Entry> entry(UUID id) {
        return entries.stream().filter(e -> e.id().equals(id)).findFirst();
    }

    /** Whether an entry can be struck: not the first settings, without which there is no job, and not a strike itself. */
    public boolean canStrike(UUID id) {
        return entry(id).map(e -> e.sequence() > 1 && !(e.payload() instanceof Payload.Struck)
                && !(e.payload() instanceof Payload.Restored)).orElse(false);
    }

    /**
     * How many points would go if an entry were struck: its own, and all that stands on them. Only where a leaf stands on the entry
     * does the journal have to be replayed to know.
     */
    public long pointsThatGoWith(UUID id) {
        Set<PointName> setUpOn = state.leaves().stream().flatMap(leaf -> Stream.concat(Stream.of(leaf.written().station()),
                        leaf.written().arrangement().sightings().stream().map(Sighting::mark)))
                .collect(Collectors.toSet());
        if (state.leaf(id).isEmpty() && state.pointsOf(id).stream().map(StoredPoint::name).noneMatch(setUpOn::contains)) {
            return state.pointsOf(id).size();
        }
        Set<UUID> struck = struck(entries);
        struck.add(id);
        return state.points().count() - reckon(entries, struck, geoids).points().count();
    }

    /** What the job would come to with one entry more, without writing anything. */
    public JobState trial(Payload more) {
        return tried(List.of(more)).state();
    }

    /** This journal with more said in it, to look at: these entries are written nowhere. */
    public Journal tried(List<Payload> more) {
        Entry last = entries.get(entries.size() - 1);
        Journal tried = this;
        for (Payload payload : more) {
            tried = tried.append(new Entry(UUID.randomUUID(), tried.entries.size() + 1L, last.at(), last.person(), last.device(), payload));
        }
        return tried;
    }

    /** The latest entry after a number that changed the job's settings, by choosing them or by striking a choice. */
    public Optional<Entry> settingsChangedSince(long sequence) {
        return since(sequence).filter(e -> e.payload() instanceof Payload.SettingsChosen
                || e.payload() instanceof Payload.OnEntry on && entry(on.entry()).map(Entry::payload).filter(Payload.SettingsChosen.class::isInstance).isPresent()).findFirst();
    }

    /** The latest entry after a number that changed the meaning of another. */
    public Optional<Entry> changedSince(UUID entry, long sequence) {
        return since(sequence).filter(e -> e.payload() instanceof Payload.OnEntry on && on.entry().equals(entry)).findFirst();
    }

    /** What came after a number, the latest first. */
    private Stream<Entry> since(long sequence) {
        int first = (int) Math.max(0, Math.min(sequence, entries.size()));
        return IntStream.rangeClosed(1, entries.size() - first).mapToObj(back -> entries.get(entries.size() - back));
    }

    /**
     * What the job would come to with other settings, without writing anything.
     *
     * @throws SurveyException CANNOT_CARRY if given points are to keep their place and there is no way to tell it
     */
    public JobState preview(Payload.SettingsChosen change) {
        if (change.carry()) {
            Carrier.requirePossible(state.settings().system(), change.settings().system());
        }
        return trial(change);
    }

    /** Whether an entry may change what came before it, so that adding it means replaying. */
    public static boolean reachesBack(Payload payload) {
        return payload instanceof Payload.Struck || payload instanceof Payload.Restored || payload instanceof Payload.SettingsChosen
                || payload instanceof Payload.Reworked;
    }

    private static Set<UUID> struck(List<Entry> entries) {
        Set<UUID> struck = new HashSet<>();
        for (Entry entry : entries) {
            if (entry.payload() instanceof Payload.Struck strike) {
                struck.add(strike.entry());
            } else if (entry.payload() instanceof Payload.Restored back) {
                struck.remove(back.entry());
            }
        }
        return struck;
    }

    private static JobSettings settings(List<Entry> entries, Set<UUID> struck) {
        return entries.stream().filter(e -> !struck.contains(e.id()))
                .map(Entry::payload)
                .filter(Payload.SettingsChosen.class::isInstance).map(Payload.SettingsChosen.class::cast)
                .reduce((first, next) -> next)
                .orElseThrow(() -> new IllegalArgumentException("a journal begins with the job's settings")).settings();
    }
}
