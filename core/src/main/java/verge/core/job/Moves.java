package verge.core.job;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.points.StoredPoint;
import verge.core.units.Length;

/**
 * What a change of settings or of a reading does to the coordinates that a job shows.
 *
 * @param moved those that change by more than a hundredth of a millimetre, the farthest first
 * @param kept how many stay
 * @param gone points that have no coordinates afterwards, of this entry or of another
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

    /**
     * @param after what a job came to from before by a few entries more: only what these changed is looked at, unless all is shown
     *     otherwise
     */
    public static Moves between(JobState before, JobState after) {
        List<Move> moved = new ArrayList<>();
        List<PointName> gone = new ArrayList<>();
        boolean shownAlike = before.settings().ground().equals(after.settings().ground());
        List<UUID> concerned = after.changedSince(before).filter(c -> shownAlike).orElseGet(before::entries);
        for (UUID entry : concerned) {
            Map<PointName, StoredPoint> there = after.points().of(entry).stream()
                    .collect(Collectors.toMap(StoredPoint::name, Function.identity(), (first, next) -> first));
            for (StoredPoint point : before.points().of(entry)) {
                Optional.ofNullable(there.get(point.name())).or(() -> instead(before, after, point))
                        .ifPresentOrElse(other -> moved.add(move(before, after, point, other)), () -> gone.add(point.name()));
            }
        }
        moved.removeIf(m -> m.farthest() <= LEAST_METRES);
        moved.sort(Comparator.comparingDouble(Move::farthest).reversed());
        return new Moves(moved, before.points().count() - moved.size() - gone.size(), gone);
    }

    /** What counts by the name afterwards, for a point that counted and is given by its entry no more. */
    private static Optional<StoredPoint> instead(JobState before, JobState after, StoredPoint point) {
        return before.points().own(point.name()).filter(p -> p.entry().equals(point.entry()))
                .flatMap(p -> after.points().own(point.name()));
    }

    private static Move move(JobState before, JobState after, StoredPoint point, StoredPoint other) {
        GridPoint from = before.settings().ground().shown(point.position().plan());
        GridPoint to = after.settings().ground().shown(other.position().plan());
        return new Move(point, other, new Length(to.northing() - from.northing()), new Length(to.easting() - from.easting()),
                point.position().elevation().flatMap(a -> other.position().elevation().map(b -> b.minus(a))));
    }

    public Length largest() {
        return moved.isEmpty() ? Length.ZERO : moved.get(0).distance();
    }

    public Length mean() {
        return new Length(moved.stream().mapToDouble(m -> m.distance().metres()).average().orElse(0));
    }
}
