package verge.core.journal;

import java.util.BitSet;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.pcollections.HashTreePMap;
import org.pcollections.PMap;
import org.pcollections.PVector;
import org.pcollections.TreePMap;
import org.pcollections.TreePSet;
import org.pcollections.TreePVector;

/**
 * A job as a sheet in time: its entries in order, and what each comes to. Immutable; a later sheet shares all that stayed with the one
 * before it, so that whoever reads an earlier one may go on.
 *
 * <p>An entry is reckoned by its {@link Chapter} from what it says and what it looks at. When one comes, or its meaning is changed by an
 * {@link Amendment}, it is reckoned, and of the others exactly those that looked at something whose value changed, in order, each once; an
 * outcome that comes out the same stops there. What a sheet holds is the same to the last bit whichever way it was reached.
 */
public final class Sheet {
    private final Kept kept;
    /**
     * What came of the values under keys, shared by all sheets that came of each other: good for as long as the values are the very ones.
     */
    private final Map<Key<?>, Folded> folded;

    private Sheet(Kept kept, Map<Key<?>, Folded> folded) {
        this.kept = kept;
        this.folded = folded;
    }

    /** @param values of the key, of which the result came */
    private record Folded(Object values, Object result) {
    }

    /**
     * All that a sheet holds, as persistent collections.
     *
     * @param numbers the place of each entry, by its id
     * @param values what is provided under each key, by the place of who provides it
     * @param lookers the places of those who looked, by what they looked at and how
     * @param strikes by the entry struck or brought back: at which place, and whether struck
     * @param corrections by the entry corrected: at which place, and to what
     * @param kinds what was written of each kind so far
     * @param changes which places each entry changed when it came, from {@code replayed} on
     * @param replayed how many entries were reckoned at once at first
     * @param folds what each fold keeps of the values
     */
    record Kept(Map<Class<? extends Payload>, Chapter<?>> chapters, PVector<Entry> entries, PMap<UUID, Integer> numbers,
            PVector<Reckoned> reckoned, PMap<Key<?>, TreePMap<Integer, Object>> values, PMap<Reckoned.Look, TreePSet<Integer>> lookers,
            PMap<UUID, TreePMap<Integer, Boolean>> strikes,
            PMap<UUID, TreePMap<Integer, Payload>> corrections, PMap<Class<?>, Written> kinds, PVector<int[]> changes, int replayed,
            Folds folds) {
    }

    /** How many of a kind were written, struck ones too, and the place of the last. */
    record Written(int count, int last) {
        static final Written NONE = new Written(0, 0);
    }

    /**
     * Without entries.
     *
     * @param chapters one for each kind of entry that comes to something
     * @param folds what is to be kept of what they come to
     * @throws IllegalStateException if they cannot be reckoned together
     */
    public static Sheet blank(Collection<? extends Chapter<?>> chapters, List<? extends Fold<?, ?, ?>> folds) {
        return new Sheet(new Kept(Order.of(chapters), TreePVector.empty(), HashTreePMap.empty(), TreePVector.empty(),
                HashTreePMap.empty(), HashTreePMap.empty(), HashTreePMap.empty(), HashTreePMap.empty(), HashTreePMap.empty(),
                TreePVector.empty(), 0, Folds.empty(folds)), new ConcurrentHashMap<>());
    }

    /**
     * The sheet with more entries.
     *
     * @throws IllegalArgumentException if they are not numbered on from the last one here
     * @throws Unreckonable if one of all cannot be reckoned any more
     */
    public Sheet with(List<Entry> more) {
        Wave wave = new Wave(kept);
        more.forEach(wave::add);
        return new Sheet(wave.run(), folded);
    }

    public List<Entry> entries() {
        return kept.entries();
    }

    /** The place of an entry, which counts from 1. @throws java.util.NoSuchElementException if there is none of that id */
    public int place(UUID entry) {
        return Optional.ofNullable(kept.numbers().get(entry)).orElseThrow();
    }

    public Optional<Entry> entry(UUID id) {
        return Optional.ofNullable(kept.numbers().get(id)).map(number -> kept.entries().get(number - 1));
    }

    /** The last entry of a kind, as it was written, whatever became of it. */
    public Optional<Entry> lastWritten(Class<? extends Payload> kind) {
        return kept.kinds().entrySet().stream().filter(e -> kind.isAssignableFrom(e.getKey())).map(e -> e.getValue().last())
                .max(Comparator.naturalOrder()).map(last -> kept.entries().get(last - 1));
    }

    public boolean isStruck(UUID entry) {
        return isStruck(kept.strikes().get(entry));
    }

    /** @param said of an entry: at which place it was struck or brought back; null if never */
    static boolean isStruck(TreePMap<Integer, Boolean> said) {
        return said != null && said.lastEntry().getValue();
    }

    /** What an entry says as it counts now, corrections included. */
    public Payload counting(Entry entry) {
        return counting(entry, kept.corrections().get(entry.id()), by -> isStruck(kept.entries().get(by - 1).id()));
    }

    /** @param corrections of the entry by their places; null if there is none */
    static Payload counting(Entry entry, TreePMap<Integer, Payload> corrections, IntPredicate isStruck) {
        return corrections == null ? entry.payload() : corrections.descendingMap().entrySet().stream()
                .filter(c -> !isStruck.test(c.getKey())).map(Map.Entry::getValue)
                .filter(c -> c.getClass() == entry.payload().getClass()).findFirst().orElse(entry.payload());
    }

    /** What an entry comes to: nothing if it is struck. */
    public Outcome outcome(UUID entry) {
        Integer number = kept.numbers().get(entry);
        return number == null ? Outcome.NOTHING : kept.reckoned().get(number - 1).outcome();
    }

    /** What all entries come to, in their order. */
    public Stream<Outcome> outcomes() {
        return kept.reckoned().stream().map(Reckoned::outcome);
    }

    /** What the last entry that provided it says. */
    @SuppressWarnings("unchecked")
    public <V> Optional<V> latest(Key<V> key) {
        return Optional.ofNullable((V) last(kept.values().get(key)));
    }

    private static Object last(TreePMap<Integer, Object> values) {
        return values == null ? null : values.lastEntry().getValue();
    }

    /** What is provided under a key, in the order of the entries. */
    @SuppressWarnings("unchecked")
    public <V> List<V> all(Key<V> key) {
        TreePMap<Integer, Object> values = kept.values().get(key);
        return values == null ? List.of() : List.copyOf((Collection<V>) values.values());
    }

    /** How many entries provide something under a key. */
    public int count(Key<?> key) {
        TreePMap<Integer, Object> values = kept.values().get(key);
        return values == null ? 0 : values.size();
    }

    /** What a fold keeps. @throws IllegalArgumentException if the sheet was begun without it */
    public <R> R kept(Fold<?, ?, R> fold) {
        return kept.folds().of(fold);
    }

    /** What the entry at a place comes to, which counts from 1. */
    public Outcome outcomeAt(int place) {
        return kept.reckoned().get(place - 1).outcome();
    }

    /**
     * What comes of all that was said under a key; made once, and again only when something under the key has changed.
     *
     * @param fold a pure function, always the same for the kind of key
     */
    @SuppressWarnings("unchecked")
    public <V, R> R folded(Key<V> key, Function<List<V>, R> fold) {
        Object values = kept.values().get(key);
        if (values == null) {
            return fold.apply(List.of());
        }
        Folded known = folded.get(key);
        if (known == null || known.values() != values) {
            known = new Folded(values, fold.apply(all(key)));
            folded.put(key, known);
        }
        return (R) known.result();
    }

    /**
     * Where an entry looked when it was reckoned, and what it saw there.
     *
     * @param by who provided it, in their order
     * @param values what each of them provided
     */
    public record Sight(Key<?> key, List<Entry> by, List<Object> values) {
    }

    /** What an entry saw of the job. */
    public List<Sight> seenBy(UUID entry) {
        Integer number = kept.numbers().get(entry);
        return number == null ? List.of() : kept.reckoned().get(number - 1).looked().stream().map(look -> sight(look, number)).toList();
    }

    private Sight sight(Reckoned.Look look, int number) {
        TreePMap<Integer, Object> all = kept.values().getOrDefault(look.key(), TreePMap.empty());
        TreePMap<Integer, Object> seen = switch (look.manner()) {
            case ALL -> all.headMap(number, false);
            case BEFORE -> all.headMap(number, false).isEmpty() ? all.headMap(number, false)
                    : TreePMap.singleton(all.lowerKey(number), all.lowerEntry(number).getValue());
            case WHOLE -> all;
        };
        return new Sight(look.key(), seen.keySet().stream().map(by -> kept.entries().get(by - 1)).toList(), List.copyOf(seen.values()));
    }

    /** Those who may have looked at what an entry provides, in their order. */
    public List<Entry> lookersAt(UUID entry) {
        Integer number = kept.numbers().get(entry);
        BitSet lookers = new BitSet();
        Outcome outcome = outcome(entry);
        for (int i = 0; i < outcome.size(); i++) {
            for (Reckoned.Manner manner : Reckoned.Manner.values()) {
                TreePSet<Integer> of = kept.lookers().getOrDefault(new Reckoned.Look(manner, outcome.key(i)), TreePSet.empty());
                (manner == Reckoned.Manner.WHOLE ? of : of.tailSet(number, false)).forEach(lookers::set);
            }
        }
        return lookers.stream().mapToObj(by -> kept.entries().get(by - 1)).toList();
    }

    /** What was said later of an entry: struck, brought back, corrected; in its order, what was struck itself among it. */
    public List<Entry> amendments(UUID entry) {
        BitSet places = new BitSet();
        kept.strikes().getOrDefault(entry, TreePMap.empty()).keySet().forEach(places::set);
        kept.corrections().getOrDefault(entry, TreePMap.empty()).keySet().forEach(places::set);
        return places.stream().mapToObj(by -> kept.entries().get(by - 1)).toList();
    }

    /** How much a sheet holds: entries, values under keys, looks that are remembered, amendments. */
    public record Extent(long entries, long values, long looks, long amendments) {
        public Extent plus(Extent other) {
            return new Extent(entries + other.entries, values + other.values, looks + other.looks, amendments + other.amendments);
        }
    }

    public Extent extent() {
        return new Extent(kept.entries().size(), kept.values().values().stream().mapToLong(TreePMap::size).sum(),
                kept.lookers().values().stream().mapToLong(TreePSet::size).sum(),
                Stream.concat(kept.strikes().values().stream(), kept.corrections().values().stream()).mapToLong(TreePMap::size).sum());
    }

    /**
     * What does not fit together: entries numbered on, each found by its id and of the ordinal of its kind; under each key exactly what the
     * outcomes provide; among the lookers exactly those who looked; strikes and corrections exactly as they were said. Empty if all does.
     */
    public List<String> faults() {
        return new SheetCheck(kept).faults();
    }

    /** How much is kept: entries, and keys that something is provided under. */
    public int weight() {
        return kept.entries().size() + kept.values().size();
    }

    /**
     * The entries that came to something else since the sheet had so many, in their order; empty if that is not known any more.
     */
    public Optional<List<Entry>> changedSince(long size) {
        if (size < kept.replayed() || size > kept.entries().size()) {
            return size == kept.entries().size() ? Optional.of(List.of()) : Optional.empty();
        }
        BitSet changed = new BitSet();
        for (int i = (int) size - kept.replayed(); i < kept.changes().size(); i++) {   // cutting a part off would copy it
            IntStream.of(kept.changes().get(i)).forEach(changed::set);
        }
        return Optional.of(changed.stream().mapToObj(number -> kept.entries().get(number - 1)).toList());
    }
}
