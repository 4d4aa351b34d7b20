package verge.app.sketch;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import verge.app.journal.JournalService;
import verge.core.geodesy.GridPoint;
import verge.core.journal.JobState;
import verge.core.journal.Leaf;

/** What the sketch of a job shows. */
@RestController
class SketchController {
    private final JournalService journals;

    SketchController(JournalService journals) {
        this.journals = journals;
    }

    /** @param backsight where the station's line to its backsight ends */
    record Station(String name, int leaf, double north, double east, double backsightNorth, double backsightEast, boolean open) {
    }

    /** Where the ground factor was taken. */
    record Reference(double north, double east, String label) {
    }

    record Sketch(List<SketchPoint> points, List<Station> stations, Reference reference, double metresPerUnit, String unit) {
    }

    @GetMapping("/jobs/{job}/sketch")
    Sketch sketch(@PathVariable UUID job) {
        JobState state = journals.state(job);
        Optional<Leaf> open = state.openLeaf();
        List<Station> stations = state.leaves().stream().flatMap(leaf -> station(state, leaf, open.equals(Optional.of(leaf))).stream()).toList();
        return new Sketch(state.points().map(SketchPoint::of).toList(), stations, reference(state),
                state.settings().figures().lengthUnit().metresPerUnit(), state.settings().figures().lengthUnit().symbol());
    }

    private static Reference reference(JobState state) {
        return state.settings().ground().factor().map(f -> new Reference(f.reference().northing(), f.reference().easting(), "ground factor")).orElse(null);
    }

    private static Optional<Station> station(JobState state, Leaf leaf, boolean open) {
        GridPoint at = leaf.solved().station().occupation().station().plan();
        return state.find(leaf.written().backsight()).map(b -> new Station(leaf.written().station().text(), leaf.number(),
                at.northing(), at.easting(), b.position().plan().northing(), b.position().plan().easting(), open));
    }
}
