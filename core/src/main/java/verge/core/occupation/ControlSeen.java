package verge.core.occupation;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.job.JobState;
import verge.core.points.Origin;
import verge.core.points.StoredPoint;
import verge.core.units.Length;

/**
 * A mark that is known, or was measured before, and was stood on: how far it came from where it is.
 *
 * @param against the earlier time of the same mark; absent where it is held against what is known of it
 * @param north @param east @param up measured less known or earlier
 * @param within whether the measurement's own σ explains it
 */
public record ControlSeen(Stood stood, Optional<Stood> against, Length north, Length east, Optional<Length> up, boolean within) {
    private static final double SIGMAS = 3;
    private static final double LEAST_PLAN_METRES = 0.020;
    private static final double LEAST_UP_METRES = 0.030;

    /** Every time that a known mark was stood on, against what is known of it; and every point of one name, against the time before. */
    public static List<ControlSeen> of(JobState state) {
        List<ControlSeen> all = new ArrayList<>();
        Map<PointName, Stood> before = new HashMap<>();
        for (Stood stood : state.all(new StoodOn())) {
            stood.place().ifPresent(place -> {
                Optional<StoredPoint> known = state.find(stood.name(), Origin.CONTROL);
                known.ifPresent(k -> all.add(of(stood, Optional.empty(), place, k.position(), k.sigma())));
                Optional.ofNullable(before.put(stood.name(), stood))
                        .ifPresent(b -> all.add(of(stood, Optional.of(b), place, b.place().orElseThrow(), b.sigma())));
            });
        }
        return all;
    }

    private static ControlSeen of(Stood stood, Optional<Stood> against, Position place, Position other, Optional<Uncertainty> sigma) {
        double north = place.plan().northing() - other.plan().northing();
        double east = place.plan().easting() - other.plan().easting();
        Optional<Length> up = place.elevation().flatMap(p -> other.elevation().map(p::minus));
        double plan = Math.max(LEAST_PLAN_METRES,
                SIGMAS * Math.hypot(metres(stood.sigma().map(Uncertainty::plan)), metres(sigma.map(Uncertainty::plan))));
        double high = Math.max(LEAST_UP_METRES,
                SIGMAS * Math.hypot(metres(stood.sigma().map(Uncertainty::up)), metres(sigma.map(Uncertainty::up))));
        return new ControlSeen(stood, against, new Length(north), new Length(east), up,
                Math.hypot(north, east) <= plan && up.map(u -> Math.abs(u.metres()) <= high).orElse(true));
    }

    private static double metres(Optional<Length> length) {
        return length.map(Length::metres).orElse(0.0);
    }

    public Length plan() {
        return new Length(Math.hypot(north.metres(), east.metres()));
    }
}
