package verge.app.cogo;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Component;
import verge.core.cogo.Worked;
import verge.core.cogo.WorkedOf;
import verge.core.geodesy.GridPoint;
import verge.core.job.JobState;
import verge.core.plan.Path;
import verge.core.units.Angle;

/** What of computations that were noted is shown in the sketch and goes onto drawings. */
@Component
public class PinnedDimensions {
    static final String WORDS = "Shown in the sketch and on the drawing";

    private final ComputeWords words;

    PinnedDimensions(ComputeWords words) {
        this.words = words;
    }

    /**
     * Words with where they stand.
     *
     * @param along the azimuth of what they measure; absent for an area or an angle
     */
    public record Words(String text, GridPoint at, Optional<Angle> along) {
    }

    /** Of one computation. */
    public record Pinned(UUID entry, List<Path> lines, List<Words> words) {
    }

    /** In the order of the book, as they are now. */
    public List<Pinned> of(JobState state) {
        return state.all(new WorkedOf.Pinned()).stream()
                .flatMap(id -> state.latest(new WorkedOf(id)).map(worked -> pinned(state, id, worked)).stream()).toList();
    }

    private Pinned pinned(JobState state, UUID entry, Worked worked) {
        return new Pinned(entry, worked.lines().stream().filter(l -> l.role() != Worked.Role.DOUBTFUL).map(Worked.Line::path).toList(),
                worked.dimensions().stream().map(d -> new Words(words.quantity(d.quantity(), state.settings()), d.at(), d.along()))
                .toList());
    }
}
