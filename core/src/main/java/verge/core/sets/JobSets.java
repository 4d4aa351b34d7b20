package verge.core.sets;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import verge.core.coding.PointName;
import verge.core.journal.Sheet;
import verge.core.leaf.JobLeaves;
import verge.core.reading.Target;
import verge.core.setup.Sighting;

/** The sets of directions of a job, as its sheet tells them. */
public final class JobSets {
    private final Sheet sheet;

    public JobSets(Sheet sheet) {
        this.sheet = sheet;
    }

    private Stream<Round> all() {
        return sheet.all(new Plans()).stream().flatMap(plan -> find(plan).stream());
    }

    /** Those observed on a leaf, in the order of their plans. */
    public List<Round> on(UUID leaf) {
        return all().filter(r -> r.plan().setup().equals(leaf)).toList();
    }

    /** By the entry of its plan. */
    public Optional<Round> find(UUID plan) {
        return sheet.latest(new PlanOf(plan)).map(planned -> Round.of(plan, planned, sheet.all(new DoneInSets(plan))));
    }

    /** The target that stood over a mark when it was last read for a setup or in sets. */
    public Optional<Target> lastTarget(PointName mark) {
        Stream<Target> setups = new JobLeaves(sheet).all().stream().flatMap(l -> l.written().arrangement().sightings().stream())
                .filter(s -> s.mark().equals(mark)).map(Sighting::target);
        Stream<Target> sets = all().flatMap(r -> r.mark(mark).stream()).map(SetMark::target);
        return Stream.concat(setups, sets).reduce((first, next) -> next);
    }
}
