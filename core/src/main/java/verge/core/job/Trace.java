package verge.core.job;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
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
        return restsOn(sheet, entry, sight -> true);
    }

    /** The entries that an entry was reckoned from, directly, each by its id. @param matters which of what it saw */
    static Map<UUID, Entry> restsOn(Sheet sheet, UUID entry, Predicate<Sheet.Sight> matters) {
        Map<UUID, Entry> all = new LinkedHashMap<>();
        Chosen chosen = chosen(sheet, entry);
        chosen.seen().stream().filter(matters).forEach(sight -> chosen.by(sight).forEach(by -> all.put(by.id(), by)));
        return all;
    }

    private static Chosen chosen(Sheet sheet, UUID entry) {
        return new Chosen(sheet.seenBy(entry), madeFrom(sheet, entry));
    }

    private static Set<UUID> madeFrom(Sheet sheet, UUID entry) {
        return sheet.entry(entry).map(sheet::counting).filter(MadeFrom.class::isInstance)
                .map(p -> ((MadeFrom) p).madeFrom().flatMap(seen -> seen.entry().stream()).collect(Collectors.toSet())).orElse(Set.of());
    }

    private static Map<UUID, List<PointName>> names(Sheet sheet, UUID entry) {
        Map<UUID, List<PointName>> all = new HashMap<>();
        Chosen chosen = chosen(sheet, entry);
        chosen.seen().forEach(sight -> name(sight)
                .ifPresent(name -> chosen.by(sight).forEach(by -> all.computeIfAbsent(by.id(), none -> new ArrayList<>()).add(name))));
        return all;
    }

    private static Optional<PointName> name(Sheet.Sight sight) {
        return sight.key() instanceof PointsNamed then ? Optional.of(then.name()) : sight.key() instanceof PointsGiven given
                ? Optional.of(given.name()) : Optional.empty();
    }

    /** Of several points of a name, which an entry took. @param madeFrom those that it says it was made from */
    private record Chosen(List<Sheet.Sight> seen, Set<UUID> madeFrom) {
        /** Only the one that was computed with, or was chosen to count, or counted then. */
        private List<Entry> by(Sheet.Sight sight) {
            if (sight.key() instanceof PointsNamed && sight.by().stream().anyMatch(by -> madeFrom.contains(by.id()))) {
                return sight.by().stream().filter(by -> madeFrom.contains(by.id())).toList();
            }
            return sight.key() instanceof PointsNamed named ? of(sight, counting(named.name(), points(sight)))
                    : sight.key() instanceof PointsGiven ? of(sight, Points.firstGiven(points(sight))) : sight.by();
        }

        @SuppressWarnings("unchecked")
        private Optional<StoredPoint> counting(PointName name, List<List<StoredPoint>> points) {
            Optional<Optional<UUID>> byHand = seen.stream().filter(s -> s.key().equals(Points.choice(name)))
                    .flatMap(s -> s.values().stream()).map(v -> (Optional<UUID>) v).reduce((first, next) -> next);
            return Points.byHand(points, byHand).or(() -> Points.counting(points));
        }
    }

    @SuppressWarnings("unchecked")
    private static List<List<StoredPoint>> points(Sheet.Sight sight) {
        return sight.values().stream().map(v -> (List<StoredPoint>) v).toList();
    }

    private static List<Entry> of(Sheet.Sight sight, Optional<StoredPoint> point) {
        return sight.by().stream().filter(by -> point.map(StoredPoint::entry).filter(by.id()::equals).isPresent()).toList();
    }
}
