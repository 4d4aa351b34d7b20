package verge.core.journal;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;

/**
 * What was noted on leaves beside their shots: which are closed, sets of directions, checks.
 *
 * @param reopened the leaf taken up again since the last setup
 * @param rounds sets by the entry of their plan, in their order
 * @param checks by leaf
 * @param calibrated the latest determination of each instrument's axis errors
 */
record LeafNotes(Set<UUID> closed, Optional<UUID> reopened, Map<UUID, Round> rounds, Map<UUID, List<UUID>> checks, Map<String, Payload.InstrumentCalibrated> calibrated) {
    static final LeafNotes NOTHING = new LeafNotes(Set.of(), Optional.empty(), Map.of(), Map.of(), Map.of());

    LeafNotes close(UUID setup) {
        Set<UUID> more = new HashSet<>(closed);
        more.add(setup);
        return new LeafNotes(Set.copyOf(more), reopened.filter(r -> !r.equals(setup)), rounds, checks, calibrated);
    }

    LeafNotes reopen(UUID setup) {
        Set<UUID> fewer = new HashSet<>(closed);
        fewer.remove(setup);
        return new LeafNotes(Set.copyOf(fewer), Optional.of(setup), rounds, checks, calibrated);
    }

    LeafNotes setUp() {
        return reopened.isEmpty() ? this : new LeafNotes(closed, Optional.empty(), rounds, checks, calibrated);
    }

    LeafNotes with(Round round) {
        return new LeafNotes(closed, reopened, with(rounds, round.entry(), round), checks, calibrated);
    }

    LeafNotes withCheck(UUID setup, UUID entry) {
        List<UUID> all = new ArrayList<>(checks.getOrDefault(setup, List.of()));
        all.add(entry);
        return new LeafNotes(closed, reopened, rounds, with(checks, setup, List.copyOf(all)), calibrated);
    }

    LeafNotes with(Payload.InstrumentCalibrated calibration) {
        return new LeafNotes(closed, reopened, rounds, checks, with(calibrated, calibration.instrument(), calibration));
    }

    private static <K, V> Map<K, V> with(Map<K, V> before, K key, V value) {
        Map<K, V> more = new LinkedHashMap<>(before);
        more.put(key, value);
        return Collections.unmodifiableMap(more);
    }
}
