package verge.app.floor;

import java.util.Optional;
import verge.core.floor.Storey;
import verge.core.geodesy.Elevation;
import verge.core.journal.JobState;
import verge.core.journal.StoredPoint;
import verge.core.units.Figures;

/** Floors in words. */
public final class FloorWords {
    private FloorWords() {
    }

    /** From where to where a floor reaches. */
    public static String reach(Storey storey, Figures f) {
        return storey.to().map(to -> f.bare(storey.from().asLength()) + " to " + f.length(to.asLength())).orElseGet(() -> f.length(storey.from().asLength()) + " and up");
    }

    /** What is to be told of a point that was stored and does not lie on the floor that is worked on; empty if it does. */
    public static Optional<String> elsewhere(JobState state, StoredPoint point) {
        return state.isHere(point) ? Optional.empty() : point.position().elevation().map(e ->
                point.name() + " lies at " + state.settings().figures().length(e.asLength()) + ", " + onWhich(state, e) + ". Work is on "
                        + state.floor().here().map(s -> s.floor().name()).orElse("") + ".");
    }

    private static String onWhich(JobState state, Elevation elevation) {
        return state.floor().floors().at(elevation).map(s -> "on " + s.floor().name()).orElse("below all floors");
    }
}
