package verge.core.points;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import verge.core.coding.PointName;
import verge.core.journal.Key;
import verge.core.journal.Looks;
import verge.core.journal.Outcome;
import verge.core.journal.Sheet;

/** Points as entries give them, and which of one name counts. */
public final class Points {
    private Points() {
    }

    public static Outcome outcome(StoredPoint point) {
        return Outcome.of(new PointsNamed(point.name()), List.of(point));
    }

    public static Outcome outcome(List<StoredPoint> points) {
        Map<PointsNamed, List<StoredPoint>> byName = points.stream()
                .collect(Collectors.groupingBy(p -> new PointsNamed(p.name()), LinkedHashMap::new, Collectors.toUnmodifiableList()));
        return Outcome.of(byName);
    }

    /** As {@link #outcome(List)}, of points that are there however late they were given. */
    public static Outcome given(List<StoredPoint> points) {
        Map<PointsGiven, List<StoredPoint>> byName = points.stream()
                .collect(Collectors.groupingBy(p -> new PointsGiven(p.name()), LinkedHashMap::new, Collectors.toUnmodifiableList()));
        return outcome(points).and(Outcome.of(byName));
    }

    /** The points of an outcome, in its order. */
    public static Stream<StoredPoint> of(Outcome outcome) {
        return outcome.values(PointsNamed.class).flatMap(List::stream);
    }

    /** Under what it is said which position of a name was chosen to count. */
    public static Key<Optional<UUID>> choice(PointName name) {
        return new CountsByHand(name);
    }

    /** The position that counts among those of one name: by origin, then the latest. */
    public static Optional<StoredPoint> counting(List<List<StoredPoint>> named) {
        return named.stream().flatMap(List::stream).reduce((first, next) -> next.origin().compareTo(first.origin()) <= 0 ? next : first);
    }

    /** As {@link #counting(List)}, of all that a job has of a name, unless one of them was chosen to count. */
    public static Optional<StoredPoint> counting(Sheet sheet, PointName name) {
        List<List<StoredPoint>> named = sheet.all(new PointsNamed(name));
        return byHand(sheet, name).or(() -> counting(named));
    }

    /** The position of a name that was chosen to count, if one was and is there. */
    public static Optional<StoredPoint> byHand(Sheet sheet, PointName name) {
        return byHand(sheet.all(new PointsNamed(name)), sheet.latest(new CountsByHand(name)));
    }

    /** @param chosen the entry whose position of the name was chosen, by whoever chose last */
    public static Optional<StoredPoint> byHand(List<List<StoredPoint>> named, Optional<Optional<UUID>> chosen) {
        return chosen.flatMap(entry -> entry)
                .flatMap(entry -> named.stream().flatMap(List::stream).filter(p -> p.entry().equals(entry)).findFirst());
    }

    /** The latest position that has an origin. */
    public static Optional<StoredPoint> latest(List<List<StoredPoint>> named, Origin origin) {
        return named.stream().flatMap(List::stream).filter(p -> p.origin() == origin).reduce((first, next) -> next);
    }

    /**
     * What a name meant when an entry was written: a later import does not move an earlier setup. A name that was not known then, as in a
     * correction made when more is known, means the point of the name that was given first.
     */
    public static Optional<StoredPoint> then(Looks looks, PointName name) {
        List<List<StoredPoint>> named = looks.all(new PointsNamed(name));
        return byHand(named, looks.before(new CountsByHand(name))).or(() -> counting(named))
                .or(() -> firstGiven(looks.wholeAll(new PointsGiven(name))));
    }

    /** What a name that was not known means: of those given later, the first. */
    public static Optional<StoredPoint> firstGiven(List<List<StoredPoint>> given) {
        return given.stream().flatMap(List::stream).findFirst();
    }
}
