package verge.core.journal;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.pcollections.HashTreePMap;
import org.pcollections.PVector;
import org.pcollections.TreePMap;
import org.pcollections.TreePSet;
import verge.core.journal.Reckoned.Look;
import verge.core.journal.Reckoned.Manner;

/** A sheet while entries are being added to it: the one thing here that changes, and only until {@link #run} gives the sheet they make. */
final class Wave {
    private final Sheet.Kept before;
    private final List<Entry> added = new ArrayList<>();
    private final Layer<UUID, Integer> numbers;
    private final Layer<Integer, Reckoned> reckoned = new Layer<>(HashTreePMap.empty());
    private final Layer<Key<?>, TreePMap<Integer, Object>> values;
    private final Layer<Look, TreePSet<Integer>> lookers;
    private final Layer<UUID, TreePMap<Integer, Boolean>> strikes;
    private final Layer<UUID, TreePMap<Integer, Payload>> corrections;
    private final Layer<Class<?>, Sheet.Written> kinds;
    /** Places still to be reckoned: those of the whole come first. */
    private final BitSet dueOfTheWhole = new BitSet();
    private final BitSet due = new BitSet();
    private final BitSet changed = new BitSet();

    Wave(Sheet.Kept from) {
        before = from;
        numbers = new Layer<>(from.numbers());
        values = new Layer<>(from.values());
        lookers = new Layer<>(from.lookers());
        strikes = new Layer<>(from.strikes());
        corrections = new Layer<>(from.corrections());
        kinds = new Layer<>(from.kinds());
    }

    void add(Entry entry) {
        int number = size() + 1;
        if (entry.sequence() != number) {
            throw new IllegalArgumentException("entry " + number + " is numbered " + entry.sequence());
        }
        int ordinal = or(kinds.get(entry.payload().getClass()), Sheet.Written.NONE).count() + 1;
        kinds.put(entry.payload().getClass(), new Sheet.Written(ordinal, number));
        added.add(entry);
        numbers.put(entry.id(), number);
        reckoned.put(number, new Reckoned(ordinal, Outcome.NOTHING, List.of()));
        changed.set(number);
        if (entry.payload() instanceof Amendment amendment) {
            amend(number, amendment);
        } else {
            schedule(number);
        }
    }

    private static <T> T or(T value, T other) {
        return value == null ? other : value;
    }

    private int size() {
        return before.entries().size() + added.size();
    }

    private Entry entry(int number) {
        return number <= before.entries().size() ? before.entries().get(number - 1) : added.get(number - 1 - before.entries().size());
    }

    private Reckoned reckoned(int number) {
        Reckoned now = reckoned.get(number);
        return now == null ? before.reckoned().get(number - 1) : now;
    }

    private void amend(int number, Amendment amendment) {
        UUID entry = amendment.entry();
        if (amendment instanceof Reworked rework) {
            corrections.put(entry, or(corrections.get(entry), TreePMap.<Integer, Payload>empty()).plus(number, rework.corrected()));
        } else {
            strikes.put(entry, or(strikes.get(entry), TreePMap.<Integer, Boolean>empty()).plus(number, amendment instanceof Struck));
        }
        Integer amended = numbers.get(entry);
        if (amended == null) {
            return;
        }
        // A correction that is struck, or brought back, is what the corrected entry says.
        Integer concerned = entry(amended).payload() instanceof Reworked corrected ? numbers.get(corrected.entry()) : amended;
        if (concerned != null) {
            schedule(concerned);
        }
    }

    private Chapter<?> chapter(int number) {
        return before.chapters().get(entry(number).payload().getClass());
    }

    private boolean isOfTheWhole(int number) {
        return chapter(number) instanceof WholeChapter<?>;
    }

    private void schedule(int number) {
        (isOfTheWhole(number) ? dueOfTheWhole : due).set(number);
    }

    /** Reckons what is due, in order, and what that makes due. */
    Sheet.Kept run() {
        while (!dueOfTheWhole.isEmpty() || !due.isEmpty()) {
            BitSet next = dueOfTheWhole.isEmpty() ? due : dueOfTheWhole;
            int number = next.nextSetBit(0);
            next.clear(number);
            reckon(number);
        }
        return merged();
    }

    private Sheet.Kept merged() {
        boolean first = before.entries().isEmpty();
        PVector<Reckoned> all = before.reckoned();
        PVector<int[]> changes = before.changes();
        for (int number = changed.nextSetBit(0); number > 0; number = changed.nextSetBit(number + 1)) {
            all = number <= all.size() ? all.with(number - 1, reckoned(number)) : all.plus(reckoned(number));
        }
        for (int i = 0; i < added.size() && !first; i++) {
            changes = changes.plus(i == added.size() - 1 ? changed.stream().toArray() : new int[0]);
        }
        return new Sheet.Kept(before.chapters(), before.entries().plusAll(added), numbers.merged(), all, values.merged(), lookers.merged(),
                strikes.merged(), corrections.merged(),
                kinds.merged(), changes, first ? size() : before.replayed(), before.folds().after(values));
    }

    private void reckon(int number) {
        Reckoned earlier = reckoned(number);
        Seen seen = new Seen(number);
        Outcome outcome = outcome(number, earlier.ordinal(), seen);
        List<Look> looked = List.copyOf(seen.looked);
        boolean same = outcome.equals(earlier.outcome());
        if (same && looked.equals(earlier.looked())) {
            return;
        }
        earlier.looked().stream().filter(look -> !seen.looked.contains(look)).forEach(look -> forget(look, number));
        looked.stream().filter(look -> !earlier.looked().contains(look))
                .forEach(look -> lookers.put(look, or(lookers.get(look), TreePSet.<Integer>empty()).plus(number)));
        reckoned.put(number, new Reckoned(earlier.ordinal(), outcome, looked));
        changed.set(number);
        if (!same) {
            provide(number, earlier.outcome(), outcome);
        }
    }

    private Outcome outcome(int number, int ordinal, Looks looks) {
        Entry entry = entry(number);
        Chapter<?> chapter = chapter(number);
        return chapter == null || Sheet.isStruck(strikes.get(entry.id())) ? Outcome.NOTHING : reckon(chapter, entry, ordinal, looks);
    }

    private <P extends Payload> Outcome reckon(Chapter<P> chapter, Entry entry, int ordinal, Looks looks) {
        Payload says = Sheet.counting(entry, corrections.get(entry.id()), by -> Sheet.isStruck(strikes.get(entry(by).id())));
        try {
            Outcome outcome = chapter.reckon(new Line<>(entry, ordinal, chapter.kind().cast(says)), looks);
            outcome.requireEachKeyOnce();
            outcome.wholeKeys().filter(key -> !(chapter instanceof WholeChapter<?> whole) || !whole.provides().contains(key.getClass()))
                    .findFirst().ifPresent(key -> {
                throw new IllegalStateException(key + " counts for the whole job, and " + entry.payload().getClass().getSimpleName()
                        + " does not say that it provides it");
            });
            return outcome;
        } catch (RuntimeException unfit) {
            throw new Unreckonable(entry, unfit);
        }
    }

    private void forget(Look look, int number) {
        lookers.put(look, lookers.get(look).minus(number));
    }

    private void provide(int number, Outcome earlier, Outcome now) {
        Map<Key<?>, Object> gone = earlier.size() == 0 ? new HashMap<>() : earlier.byKey();
        for (int i = 0; i < now.size(); i++) {
            Key<?> key = now.key(i);
            if (!now.value(i).equals(gone.remove(key))) {
                values.put(key, or(values.get(key), TreePMap.<Integer, Object>empty()).plus(number, now.value(i)));
                wake(key, number);
            }
        }
        gone.keySet().forEach(key -> {
            TreePMap<Integer, Object> fewer = values.get(key).minus(number);
            if (fewer.isEmpty()) {
                values.remove(key);
            } else {
                values.put(key, fewer);
            }
            wake(key, number);
        });
    }

    private TreePSet<Integer> lookers(Manner manner, Key<?> key) {
        return or(lookers.get(new Look(manner, key)), TreePSet.<Integer>empty());
    }

    /** Those who looked at what has changed are to be reckoned again. */
    private void wake(Key<?> key, int number) {
        lookers(Manner.WHOLE, key).forEach(this::schedule);
        lookers(Manner.ALL, key).tailSet(number, false).forEach(this::schedule);
        TreePSet<Integer> later = lookers(Manner.BEFORE, key);
        TreePMap<Integer, Object> provided = values.get(key);
        // from there on another value was seen, and still is
        Integer next = later.isEmpty() || provided == null ? null : provided.higherKey(number);
        (next == null ? later.tailSet(number, false) : later.subSet(number, false, next, true)).forEach(this::schedule);
    }

    /** The job as an entry sees it. */
    private final class Seen implements Looks {
        private final int number;
        private final Set<Look> looked = new LinkedHashSet<>();

        private Seen(int number) {
            this.number = number;
        }

        private TreePMap<Integer, Object> at(Manner manner, Key<?> key) {
            looked.add(new Look(manner, key));
            return or(values.get(key), TreePMap.<Integer, Object>empty());
        }

        @Override
        @SuppressWarnings("unchecked")
        public <V> Optional<V> before(Key<V> key) {
            return Optional.ofNullable(at(Manner.BEFORE, key).lowerEntry(number)).map(e -> (V) e.getValue());
        }

        @Override
        @SuppressWarnings("unchecked")
        public <V> List<V> all(Key<V> key) {
            return (List<V>) List.copyOf(at(Manner.ALL, key).headMap(number, false).values());
        }

        @Override
        public <V> Optional<V> earlier(WholeKey<V> key) {
            return before(key);
        }

        private TreePMap<Integer, Object> atWhole(WholeKey<?> key) {
            if (chapter(number) instanceof WholeChapter<?> whole && !whole.waitsFor().contains(key.getClass())) {
                throw new IllegalStateException(whole.kind().getSimpleName() + " does not say that it waits for " + key);
            }
            return at(Manner.WHOLE, key);
        }

        @Override
        @SuppressWarnings("unchecked")
        public <V> Optional<V> whole(WholeKey<V> key) {
            TreePMap<Integer, Object> said = atWhole(key);
            return said.isEmpty() ? Optional.empty() : Optional.of((V) said.lastEntry().getValue());
        }

        @Override
        @SuppressWarnings("unchecked")
        public <V> List<V> wholeAll(WholeKey<V> key) {
            return (List<V>) List.copyOf(atWhole(key).values());
        }
    }
}
