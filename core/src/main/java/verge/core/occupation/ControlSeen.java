package verge.core.occupation;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.geodesy.Uncertainty;
import verge.core.job.JobState;
import verge.core.points.Origin;
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

    /**
     * Every time that a known mark was stood on, against what is known of it; and every point of one name, against the time before; in the
     * order of their entries.
     */
    public static List<ControlSeen> of(JobState state) {
        Set<PointName> names = new HashSet<>(StoodKept.of(state).times().again());
        names.addAll(state.points().names(Origin.CONTROL).keySet());
        List<ControlSeen> all = new ArrayList<>();
        names.forEach(name -> all.addAll(of(state, name)));
        all.sort(Comparator.comparingLong(seen -> state.line(seen.stood().entry())));
        return all;
    }

    /** How far the mark that is known came from where it is, when it was stood on by an entry; empty for any other entry. */
    public static Optional<ControlSeen> of(JobState state, UUID entry) {
        return state.outcome(entry).values(StoodOn.class).findFirst().flatMap(stood -> known(state, stood));
    }

    private static Optional<ControlSeen> known(JobState state, Stood stood) {
        return stood.place().flatMap(place -> state.points().find(stood.name(), Origin.CONTROL)
                .map(k -> of(stood, Optional.empty(), place, k.position(), k.sigma())));
    }

    private static List<ControlSeen> of(JobState state, PointName name) {
        List<ControlSeen> all = new ArrayList<>();
        Optional<Stood> before = Optional.empty();
        for (Stood stood : state.all(new StoodOn(name)).stream().filter(s -> s.place().isPresent()).toList()) {
            known(state, stood).ifPresent(all::add);
            before.ifPresent(b ->
                    all.add(of(stood, Optional.of(b), stood.place().orElseThrow(), b.place().orElseThrow(), b.sigma())));
            before = Optional.of(stood);
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
