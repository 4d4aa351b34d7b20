package verge.app.floor;

import java.util.Optional;
import verge.core.floor.Storey;
import verge.core.geodesy.Elevation;
import verge.core.job.JobState;
import verge.core.points.StoredPoint;
import verge.core.units.Figures;

/** Floors in words. */
public final class FloorWords {
    private FloorWords() {
    }

    /** From where to where a floor reaches. */
    public static String reach(Storey storey, Figures f) {
        return storey.to().map(to -> f.bare(storey.from().asLength()) + " to " + f.length(to.asLength()))
                .orElseGet(() -> f.length(storey.from().asLength()) + " and up");
    }

    /** What is to be told of a point that was stored and does not lie on the floor that is worked on; empty if it does. */
    public static Optional<String> elsewhere(JobState state, StoredPoint point) {
        Optional<Elevation> elevation = point.position().elevation();
        return elsewhere(state, elevation)
                .map(where -> point.name() + " lies at " + elevation.map(e -> state.settings().figures().length(e.asLength())).orElse("")
                + ", " + where
                + ". Work is on " + state.floor().here().map(s -> s.floor().name()).orElse("") + ".");
    }

    /** Where a height is that does not belong to the floor that is worked on: 'on landing 1'; empty if it does. */
    public static Optional<String> elsewhere(JobState state, Optional<Elevation> elevation) {
        return state.floor().holds(elevation) ? Optional.empty()
                : elevation.map(e -> state.floor().floors().at(e).map(s -> "on " + s.floor().name()).orElse("below all floors"));
    }
}
