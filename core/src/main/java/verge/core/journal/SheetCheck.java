package verge.core.journal;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.UUID;
import org.pcollections.HashTreePMap;
import org.pcollections.TreePMap;

/** Holds what a sheet keeps against what follows from its entries and their outcomes. */
final class SheetCheck {
    private final Sheet.Kept kept;
    private final List<String> faults = new ArrayList<>();

    SheetCheck(Sheet.Kept kept) {
        this.kept = kept;
    }

    List<String> faults() {
        numbering();
        values();
        lookers();
        amendments();
        folds();
        return List.copyOf(faults);
    }

    private void require(boolean holds, String what, Object about) {
        if (!holds) {
            faults.add(what + ": " + about);
        }
    }

    private void numbering() {
        require(kept.entries().size() == kept.reckoned().size(), "as many reckoned as entries", kept.reckoned().size());
        require(kept.entries().size() == kept.numbers().size(), "as many ids as entries", kept.numbers().size());
        Map<Class<?>, Integer> kinds = new HashMap<>();
        Map<Class<?>, Integer> last = new HashMap<>();
        for (int i = 0; i < kept.entries().size(); i++) {
            Entry entry = kept.entries().get(i);
            require(entry.sequence() == i + 1, "numbered on", entry.sequence());
            require(Integer.valueOf(i + 1).equals(kept.numbers().get(entry.id())), "found by its id", entry.sequence());
            int ordinal = kinds.merge(entry.payload().getClass(), 1, Integer::sum);
            last.put(entry.payload().getClass(), i + 1);
            require(kept.reckoned().get(i).ordinal() == ordinal, "of the ordinal of its kind", entry.sequence());
            boolean struck = Sheet.isStruck(kept.strikes().get(entry.id()));
            require(!struck || kept.reckoned().get(i).outcome().size() == 0, "what is struck comes to nothing", entry.sequence());
        }
        kinds.forEach((kind, count) ->
                require(new Sheet.Written(count, last.get(kind)).equals(kept.kinds().get(kind)), "counted by kind", kind.getSimpleName()));
        require(kinds.size() == kept.kinds().size(), "no kind that is not there", kept.kinds().size());
    }

    private void values() {
        Map<Key<?>, TreeMap<Integer, Object>> provided = new HashMap<>();
        for (int i = 0; i < kept.reckoned().size(); i++) {
            Outcome outcome = kept.reckoned().get(i).outcome();
            for (int k = 0; k < outcome.size(); k++) {
                Object before = provided.computeIfAbsent(outcome.key(k), key -> new TreeMap<>()).put(i + 1, outcome.value(k));
                require(before == null, "a key once in an outcome", outcome.key(k));
            }
        }
        same("what is provided", provided, kept.values());
    }

    private void lookers() {
        Map<Reckoned.Look, TreeSet<Integer>> looked = new HashMap<>();
        for (int i = 0; i < kept.reckoned().size(); i++) {
            for (Reckoned.Look look : kept.reckoned().get(i).looked()) {
                looked.computeIfAbsent(look, l -> new TreeSet<>()).add(i + 1);
            }
        }
        Map<Reckoned.Look, Object> remembered = new HashMap<>(kept.lookers());
        remembered.values().removeIf(all -> ((Collection<?>) all).isEmpty());   // who looked once and looks no more leaves an empty place
        same("who looked", looked, remembered);
    }

    private void amendments() {
        Map<UUID, TreeMap<Integer, Boolean>> strikes = new HashMap<>();
        Map<UUID, TreeMap<Integer, Payload>> corrections = new HashMap<>();
        for (Entry entry : kept.entries()) {
            int number = (int) entry.sequence();
            if (entry.payload() instanceof Reworked rework) {
                corrections.computeIfAbsent(rework.entry(), id -> new TreeMap<>()).put(number, rework.corrected());
            } else if (entry.payload() instanceof Amendment amendment) {
                strikes.computeIfAbsent(amendment.entry(), id -> new TreeMap<>()).put(number, amendment instanceof Struck);
            }
        }
        same("what was struck", strikes, kept.strikes());
        same("what was corrected", corrections, kept.corrections());
    }

    private void folds() {
        Layer<Key<?>, TreePMap<Integer, Object>> all = new Layer<>(HashTreePMap.empty());
        kept.values().forEach(all::put);
        same("what is kept of values", kept.folds().emptied().after(all).kept(), kept.folds().kept());
    }

    private <K> void same(String what, Map<K, ?> wanted, Map<K, ?> is) {
        wanted.forEach((key, value) -> require(value.equals(is.get(key)), what, key));
        is.keySet().stream().filter(key -> !wanted.containsKey(key)).forEach(key -> require(false, what + ", where nothing is", key));
    }
}
