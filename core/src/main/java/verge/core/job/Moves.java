package verge.core.job;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.points.StoredPoint;
import verge.core.units.Length;

/**
 * What a change of settings or of a reading does to the coordinates that a job shows.
 *
 * @param moved those that change by more than a hundredth of a millimetre, the farthest first
 * @param kept how many stay
 * @param gone points that have no coordinates afterwards
 */
public record Moves(List<Move> moved, long kept, List<PointName> gone) {
    /** Finer than any shown digit; coarser than what replaying through other formulas rounds. */
    private static final double LEAST_METRES = 1e-5;

    public Moves {
        moved = List.copyOf(moved);
        gone = List.copyOf(gone);
    }

    /** One point: where it was shown and where it will be. */
    public record Move(StoredPoint before, StoredPoint after, Length north, Length east, Optional<Length> up) {
        public Length distance() {
            return new Length(Math.hypot(north.metres(), east.metres()));
        }

        private double farthest() {
            return Math.max(distance().metres(), up.map(u -> Math.abs(u.metres())).orElse(0.0));
        }
    }

    public static Moves between(JobState before, JobState after) {
        List<Optional<Move>> moves = before.points().map(p -> move(before, after, p)).toList();
        List<Move> all = moves.stream().flatMap(Optional::stream).toList();
        List<Move> moved = all.stream().filter(m -> m.farthest() > LEAST_METRES)
                .sorted(Comparator.comparingDouble(Move::farthest).reversed()).toList();
        List<PointName> gone = before.points().filter(p -> counterpart(after, p).isEmpty()).map(StoredPoint::name).toList();
        return new Moves(moved, all.size() - moved.size(), gone);
    }

    private static Optional<Move> move(JobState before, JobState after, StoredPoint point) {
        return counterpart(after, point).map(other -> {
            GridPoint from = before.settings().ground().shown(point.position().plan());
            GridPoint to = after.settings().ground().shown(other.position().plan());
            return new Move(point, other, new Length(to.northing() - from.northing()), new Length(to.easting() - from.easting()),
                    point.position().elevation().flatMap(a -> other.position().elevation().map(b -> b.minus(a))));
        });
    }

    private static Optional<StoredPoint> counterpart(JobState after, StoredPoint point) {
        return after.pointsOf(point.entry()).stream().filter(p -> p.name().equals(point.name())).findFirst();
    }

    public Length largest() {
        return moved.isEmpty() ? Length.ZERO : moved.get(0).distance();
    }

    public Length mean() {
        return new Length(moved.stream().mapToDouble(m -> m.distance().metres()).average().orElse(0));
    }
}
