package verge.core.leaf;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import verge.core.journal.Sheet;

/** The leaves of a job, as its sheet tells them. */
public final class JobLeaves {
    private final Sheet sheet;

    public JobLeaves(Sheet sheet) {
        this.sheet = sheet;
    }

    /** All that stand, in their order. */
    public List<Leaf> all() {
        return sheet.all(new Leaves());
    }

    public int count() {
        return sheet.count(new Leaves());
    }

    public Optional<Leaf> find(UUID entry) {
        return sheet.latest(new LeafOf(entry));
    }

    /** The leaf that shots go to now: the one taken up again, else the last that stands and is not closed. */
    public Optional<Leaf> open() {
        return sheet.latest(new LeafTakenUp()).flatMap(taken -> taken).flatMap(this::find)
                .or(() -> all().stream().filter(l -> !isClosed(l.entry())).max(Comparator.comparingInt(Leaf::number)));
    }

    public boolean isClosed(UUID leaf) {
        return sheet.latest(new LeafClosedNow(leaf)).orElse(false);
    }

    /** Entries of the checks on a leaf, in their order. */
    public List<UUID> checks(UUID leaf) {
        return sheet.all(new ChecksOn(leaf));
    }
}
