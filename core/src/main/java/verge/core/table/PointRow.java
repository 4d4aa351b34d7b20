package verge.core.table;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import verge.core.base.Base;
import verge.core.coding.Codebook;
import verge.core.doubt.Asked;
import verge.core.floor.Storey;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Uncertainty;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.leaf.Leaf;
import verge.core.points.StoredPoint;
import verge.core.units.Length;

/** One position of a name, with what the job knows of it. What takes a look at other entries is looked up when it is asked for. */
public final class PointRow {
    private final StoredPoint point;
    private final Journal journal;
    private final Entry entry;

    public PointRow(StoredPoint point, Journal journal) {
        this.point = point;
        this.journal = journal;
        this.entry = journal.entry(point.entry()).orElseThrow();
    }

    public StoredPoint point() {
        return point;
    }

    public Entry entry() {
        return entry;
    }

    public Instant at() {
        return entry.at();
    }

    public String person() {
        return entry.person();
    }

    /** In metres; empty without an elevation. */
    public OptionalDouble height() {
        return point.position().elevation().map(Elevation::metres).map(OptionalDouble::of).orElse(OptionalDouble.empty());
    }

    /** Standard deviation in plan: root of both variances; empty for what counts as exact. */
    public Optional<Length> sigmaPlan() {
        return point.sigma().map(Uncertainty::plan);
    }

    public Optional<Length> sigmaHeight() {
        return point.sigma().map(Uncertainty::up);
    }

    /** The leaf that it was observed from. */
    public Optional<Leaf> leaf() {
        return point.leaf().flatMap(journal.state().leaves()::find);
    }

    /** The base that it was measured from. */
    public Optional<Base> base() {
        return journal.state().bases().under(point.entry());
    }

    /** How many positions bear its name. */
    public int positions() {
        return journal.state().points().named(point.name()).size();
    }

    /** Whether it is the one that counts of those of its name. */
    public boolean counts() {
        return journal.state().points().own(point.name()).equals(Optional.of(point));
    }

    /** How far it lies in plan from the position that counts, or, of that, the farthest of the others; empty if it is the only one. */
    public Optional<Length> apart() {
        List<StoredPoint> named = journal.state().points().named(point.name());
        Optional<StoredPoint> counting = journal.state().points().own(point.name());
        if (named.size() < 2 || counting.isEmpty()) {
            return Optional.empty();
        }
        double farthest = counts() ? named.stream().mapToDouble(other -> between(point, other)).max()
                .orElse(0) : between(point, counting.get());
        return Optional.of(new Length(farthest));
    }

    private static double between(StoredPoint a, StoredPoint b) {
        return Math.hypot(a.position().plan().northing() - b.position().plan().northing(),
                a.position().plan().easting() - b.position().plan().easting());
    }

    /** The floor that its height belongs to. */
    public Optional<Storey> floor() {
        return point.position().elevation().flatMap(journal.state().floor().floors()::at);
    }

    /** What the codebook asks about it was answered. */
    public Map<String, String> answers() {
        return journal.state().answersOf(point.entry());
    }

    /** What stands in the job's own fields. */
    public String notes() {
        return journal.state().notesOf(point.entry()).entrySet().stream().sorted(Map.Entry.comparingByKey())
                .filter(e -> !e.getValue().isBlank())
                .map(e -> e.getKey() + ": " + e.getValue()).collect(Collectors.joining(", "));
    }

    /** Whether its code asks something that nobody has answered. */
    public boolean lacksAnswer(Codebook book) {
        return Asked.of(point, journal.state(), book).filter(asked -> !asked.missing().isEmpty()).isPresent();
    }
}
