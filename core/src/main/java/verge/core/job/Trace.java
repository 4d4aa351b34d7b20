package verge.core.job;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import verge.core.coding.PointName;
import verge.core.journal.Entry;
import verge.core.journal.Sheet;
import verge.core.points.MadeFrom;
import verge.core.points.Points;
import verge.core.points.PointsGiven;
import verge.core.points.PointsNamed;
import verge.core.points.StoredPoint;

/**
 * How an entry came about: what it rests on, directly, and what rests on it.
 *
 * @param restsOn entries that gave what it was reckoned from, in the order in which it looked
 * @param names of the points that it took from each of them
 * @param amended what was said later of it: corrections, strikes
 * @param under entries that rest on it, in their order
 */
public record Trace(Entry entry, List<Entry> restsOn, Map<UUID, List<PointName>> names, List<Entry> amended, List<Entry> under) {
    static Trace of(Sheet sheet, Entry entry) {
        List<Entry> under = sheet.lookersAt(entry.id()).stream().filter(looker -> restsOn(sheet, looker.id()).containsKey(entry.id()))
                .toList();
        return new Trace(entry, List.copyOf(restsOn(sheet, entry.id()).values()), names(sheet, entry.id()), sheet.amendments(entry.id()),
                under);
    }

    private static Map<UUID, Entry> restsOn(Sheet sheet, UUID entry) {
        Map<UUID, Entry> all = new LinkedHashMap<>();
        Set<UUID> madeFrom = madeFrom(sheet, entry);
        sheet.seenBy(entry).forEach(sight -> by(sight, madeFrom).forEach(by -> all.put(by.id(), by)));
        return all;
    }

    private static Set<UUID> madeFrom(Sheet sheet, UUID entry) {
        return sheet.entry(entry).map(sheet::counting).filter(MadeFrom.class::isInstance)
                .map(p -> ((MadeFrom) p).madeFrom().flatMap(seen -> seen.entry().stream()).collect(Collectors.toSet())).orElse(Set.of());
    }

    private static Map<UUID, List<PointName>> names(Sheet sheet, UUID entry) {
        Map<UUID, List<PointName>> all = new HashMap<>();
        Set<UUID> madeFrom = madeFrom(sheet, entry);
        sheet.seenBy(entry).forEach(sight -> name(sight)
                .ifPresent(name -> by(sight, madeFrom).forEach(by -> all.computeIfAbsent(by.id(), none -> new ArrayList<>()).add(name))));
        return all;
    }

    private static Optional<PointName> name(Sheet.Sight sight) {
        return sight.key() instanceof PointsNamed then ? Optional.of(then.name()) : sight.key() instanceof PointsGiven given
                ? Optional.of(given.name()) : Optional.empty();
    }

    /** Of several points of a name, only the one that was computed with, or counted then. */
    private static List<Entry> by(Sheet.Sight sight, Set<UUID> madeFrom) {
        if (sight.key() instanceof PointsNamed && sight.by().stream().anyMatch(by -> madeFrom.contains(by.id()))) {
            return sight.by().stream().filter(by -> madeFrom.contains(by.id())).toList();
        }
        return sight.key() instanceof PointsNamed ? of(sight, Points.counting(points(sight))) : sight.key() instanceof PointsGiven
                ? of(sight, Points.firstGiven(points(sight))) : sight.by();
    }

    @SuppressWarnings("unchecked")
    private static List<List<StoredPoint>> points(Sheet.Sight sight) {
        return sight.values().stream().map(v -> (List<StoredPoint>) v).toList();
    }

    private static List<Entry> of(Sheet.Sight sight, Optional<StoredPoint> point) {
        return sight.by().stream().filter(by -> point.map(StoredPoint::entry).filter(by.id()::equals).isPresent()).toList();
    }
}
