package verge.core.points;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.journal.Looks;

/**
 * A point that something was computed from: the very position, so that another one of its name changes nothing, whenever it comes.
 *
 * @param entry that gave the position; empty where only the name was written: what it meant then is meant
 * @param place among the positions of the name that the entry gave, from 0
 * @param position where it lay when it was computed with; empty where only the name was written
 */
public record PointSeen(PointName name, Optional<UUID> entry, int place, Optional<Position> position) {
    public PointSeen {
        Objects.requireNonNull(name, "name");
        Objects.requireNonNull(entry, "entry");
        Objects.requireNonNull(position, "position");
    }

    /** By its name alone. */
    public static PointSeen named(PointName name) {
        return new PointSeen(name, Optional.empty(), 0, Optional.empty());
    }

    /** A position of a job, among all of its name. */
    public static PointSeen of(StoredPoint point, List<StoredPoint> named) {
        List<StoredPoint> ofEntry = named.stream().filter(p -> p.entry().equals(point.entry())).toList();
        return new PointSeen(point.name(), Optional.of(point.entry()), Math.max(0, ofEntry.indexOf(point)), Optional.of(point.position()));
    }

    /** By another name, if it is called so; what that means then is meant. */
    public PointSeen renamed(UnaryOperator<PointName> other) {
        PointName called = other.apply(name);
        return called.equals(name) ? this : named(called);
    }

    /** The point as it is now, for an entry that was computed from it; empty if it is there no more. */
    public Optional<StoredPoint> now(Looks looks) {
        return entry.map(id -> ofEntry(looks.all(new PointsNamed(name)).stream().flatMap(List::stream), id))
                .orElseGet(() -> Points.then(looks, name));
    }

    private Optional<StoredPoint> ofEntry(Stream<StoredPoint> named, UUID id) {
        return named.filter(p -> p.entry().equals(id)).skip(place).findFirst();
    }
}
