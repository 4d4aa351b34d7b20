package verge.core.journal;

import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.pcollections.PMap;
import org.pcollections.PVector;
import org.pcollections.TreePMap;
import org.pcollections.TreePSet;
import verge.core.journal.Reckoned.Look;
import verge.core.journal.Reckoned.Manner;

/** A sheet while entries are being added to it: the one thing here that changes, and only until {@link #run} gives the sheet they make. */
final class Wave {
    private final Map<Class<? extends Payload>, Chapter<?>> chapters;
    private final Sheet.Kept before;
    private PVector<Entry> entries;
    private PMap<UUID, Integer> numbers;
    private PVector<Reckoned> reckoned;
    private PMap<Key<?>, TreePMap<Integer, Object>> values;
    private PMap<Look, TreePSet<Integer>> lookers;
    private PMap<UUID, TreePMap<Integer, Boolean>> strikes;
    private PMap<UUID, TreePMap<Integer, Payload>> corrections;
    private PMap<Class<?>, Integer> counts;
    /** Places still to be reckoned: those of the whole come first. */
    private final BitSet dueOfTheWhole = new BitSet();
    private final BitSet due = new BitSet();
    private final BitSet changed = new BitSet();

    Wave(Sheet.Kept from) {
        before = from;
        chapters = from.chapters();
        entries = from.entries();
        numbers = from.numbers();
        reckoned = from.reckoned();
        values = from.values();
        lookers = from.lookers();
        strikes = from.strikes();
        corrections = from.corrections();
        counts = from.counts();
    }

    void add(Entry entry) {
        int number = entries.size() + 1;
        if (entry.sequence() != number) {
            throw new IllegalArgumentException("entry " + number + " is numbered " + entry.sequence());
        }
        int ordinal = counts.getOrDefault(entry.payload().getClass(), 0) + 1;
        counts = counts.plus(entry.payload().getClass(), ordinal);
        entries = entries.plus(entry);
        numbers = numbers.plus(entry.id(), number);
        reckoned = reckoned.plus(new Reckoned(ordinal, Outcome.NOTHING, List.of()));
        changed.set(number);
        if (entry.payload() instanceof Amendment amendment) {
            amend(number, amendment);
        } else {
            schedule(number);
        }
    }

    private void amend(int number, Amendment amendment) {
        UUID entry = amendment.entry();
        if (amendment instanceof Reworked rework) {
            corrections = corrections.plus(entry, corrections.getOrDefault(entry, TreePMap.empty()).plus(number, rework.corrected()));
        } else {
            strikes = strikes.plus(entry, strikes.getOrDefault(entry, TreePMap.empty()).plus(number, amendment instanceof Struck));
        }
        Integer amended = numbers.get(entry);
        if (amended == null) {
            return;
        }
        // A correction that is struck, or brought back, is what the corrected entry says.
        boolean ofCorrection = entries.get(amended - 1).payload() instanceof Reworked;
        Optional.ofNullable(ofCorrection ? numbers.get(((Reworked) entries.get(amended - 1).payload()).entry()) : amended).ifPresent(this::schedule);
    }

    private Chapter<?> chapter(int number) {
        return chapters.get(entries.get(number - 1).payload().getClass());
    }

    private boolean isOfTheWhole(int number) {
        Chapter<?> chapter = chapter(number);
        return chapter != null && chapter.ofTheWhole();
    }

    private void schedule(int number) {
        (isOfTheWhole(number) ? dueOfTheWhole : due).set(number);
    }

    /** Reckons what is due, in order, and what that makes due. */
    Sheet.Kept run() {
        while (true) {
            BitSet next = dueOfTheWhole.isEmpty() ? due : dueOfTheWhole;
            int number = next.nextSetBit(0);
            if (number < 0) {
                boolean first = before.entries().isEmpty();
                PVector<int[]> changes = before.changes();
                for (int i = before.entries().size(); i < entries.size() && !first; i++) {
                    changes = changes.plus(i == entries.size() - 1 ? changed.stream().toArray() : new int[0]);
                }
                return new Sheet.Kept(chapters, entries, numbers, reckoned, values, lookers, strikes, corrections, counts, changes, first ? entries.size() : before.replayed());
            }
            next.clear(number);
            reckon(number);
        }
    }

    private void reckon(int number) {
        Reckoned earlier = reckoned.get(number - 1);
        Seen seen = new Seen(number);
        Outcome outcome = outcome(number, earlier.ordinal(), seen);
        List<Look> looked = List.copyOf(seen.looked);
        if (!looked.equals(earlier.looked())) {
            earlier.looked().stream().filter(look -> !seen.looked.contains(look)).forEach(look -> forget(look, number));
            looked.forEach(look -> lookers = lookers.plus(look, lookers.getOrDefault(look, TreePSet.empty()).plus(number)));
        }
        reckoned = reckoned.with(number - 1, new Reckoned(earlier.ordinal(), outcome, looked));
        if (!outcome.equals(earlier.outcome())) {
            changed.set(number);
            provide(number, earlier.outcome(), outcome);
        }
    }

    private Outcome outcome(int number, int ordinal, Looks looks) {
        Entry entry = entries.get(number - 1);
        Chapter<?> chapter = chapter(number);
        return chapter == null || Sheet.isStruck(strikes, entry.id()) ? Outcome.NOTHING : reckon(chapter, entry, ordinal, looks);
    }

    private <P extends Payload> Outcome reckon(Chapter<P> chapter, Entry entry, int ordinal, Looks looks) {
        Payload says = Sheet.counting(strikes, corrections, entries, entry);
        return chapter.reckon(new Line<>(entry, ordinal, chapter.kind().cast(says)), looks);
    }

    private void forget(Look look, int number) {
        TreePSet<Integer> fewer = lookers.get(look).minus(number);
        lookers = fewer.isEmpty() ? lookers.minus(look) : lookers.plus(look, fewer);
    }

    private void provide(int number, Outcome earlier, Outcome now) {
        Map<Key<?>, Object> gone = earlier.size() == 0 ? new HashMap<>() : earlier.byKey();
        for (int i = 0; i < now.size(); i++) {
            Key<?> key = now.key(i);
            if (!now.value(i).equals(gone.remove(key))) {
                values = values.plus(key, values.getOrDefault(key, TreePMap.empty()).plus(number, now.value(i)));
                wake(key, number);
            }
        }
        gone.keySet().forEach(key -> {
            TreePMap<Integer, Object> fewer = values.get(key).minus(number);
            values = fewer.isEmpty() ? values.minus(key) : values.plus(key, fewer);
            wake(key, number);
        });
    }

    /** Those who looked at what has changed are to be reckoned again. */
    private void wake(Key<?> key, int number) {
        TreePSet<Integer> whole = lookers.get(new Look(Manner.WHOLE, key));
        if (whole != null) {
            if (!isOfTheWhole(number)) {
                throw new IllegalStateException(key + " counts for the whole job and is provided by what does not");
            }
            whole.forEach(this::schedule);
        }
        TreePSet<Integer> all = lookers.get(new Look(Manner.ALL, key));
        if (all != null) {
            all.tailSet(number, false).forEach(this::schedule);
        }
        TreePSet<Integer> later = lookers.get(new Look(Manner.BEFORE, key));
        if (later != null) {
            Integer next = values.containsKey(key) ? values.get(key).higherKey(number) : null;   // from there on another value was seen, and still is
            (next == null ? later.tailSet(number, false) : later.subSet(number, false, next, true)).forEach(this::schedule);
        }
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
            return values.getOrDefault(key, TreePMap.empty());
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
        @SuppressWarnings("unchecked")
        public <V> Optional<V> whole(Key<V> key) {
            TreePMap<Integer, Object> said = at(Manner.WHOLE, key);
            return said.isEmpty() ? Optional.empty() : Optional.of((V) said.lastEntry().getValue());
        }

        @Override
        @SuppressWarnings("unchecked")
        public <V> List<V> wholeAll(Key<V> key) {
            return (List<V>) List.copyOf(at(Manner.WHOLE, key).values());
        }
    }
}
