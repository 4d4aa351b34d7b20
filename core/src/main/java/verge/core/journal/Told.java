package verge.core.journal;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import verge.core.floor.WorkFloor;
import verge.core.reading.Target;

/**
 * What a journal was told that is no point: the prism in use, the design and the floor that the work goes by, what of the walk-round was
 * accepted.
 *
 * @param prism name of the prism in use, or empty
 * @param accepted reasons, by kind and matter of the finding
 * @param files the file that each import was from, by its entry
 */
record Told(Optional<Target> target, String prism, Optional<UUID> design, Map<String, String> accepted, Map<UUID, String> files, LeafNotes leaves,
        WorkFloor floor) {
    static final Told NOTHING = new Told(Optional.empty(), "", Optional.empty(), Map.of(), Map.of(), LeafNotes.NOTHING, WorkFloor.ANYWHERE);

    Told with(Payload.TargetChosen chosen) {
        return new Told(Optional.of(chosen.target()), chosen.prism(), design, accepted, files, leaves, floor);
    }

    Told with(Payload.DesignChosen chosen) {
        return new Told(target, prism, Optional.of(chosen.file()), accepted, files, leaves, floor);
    }

    Told with(Payload.FindingAccepted finding) {
        return new Told(target, prism, design, with(accepted, key(finding.kind(), finding.about()), finding.reason()), files, leaves, floor);
    }

    Told with(UUID entry, Payload.PointsImported imported) {
        return new Told(target, prism, design, accepted, with(files, entry, imported.fileName()), leaves, floor);
    }

    Told with(LeafNotes noted) {
        return new Told(target, prism, design, accepted, files, noted, floor);
    }

    Told with(WorkFloor other) {
        return new Told(target, prism, design, accepted, files, leaves, other);
    }

    static String key(String kind, String about) {
        return kind + " " + about;
    }

    private static <K> Map<K, String> with(Map<K, String> before, K key, String value) {
        Map<K, String> more = new HashMap<>(before);
        more.put(key, value);
        return Map.copyOf(more);
    }
}
