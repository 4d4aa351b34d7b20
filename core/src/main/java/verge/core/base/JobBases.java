package verge.core.base;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import verge.core.journal.Sheet;

/** The bases of a job, as its sheet tells them. */
public final class JobBases {
    private final Sheet sheet;

    public JobBases(Sheet sheet) {
        this.sheet = sheet;
    }

    /** All that were set up, in their order. */
    public List<Base> all() {
        return sheet.all(new Bases());
    }

    /** The one that was set up last, unless it ended. */
    public Optional<Base> open() {
        return sheet.latest(new Bases()).filter(b -> sheet.latest(new EndOf(b.entry())).isEmpty());
    }

    /** The one that the points of an entry rest on; empty for one that is not the job's own, and without any. */
    public Optional<Base> under(UUID entry) {
        return sheet.latest(new BaseUnder(entry));
    }

    /** How many points were measured or staked from one. */
    public int measuredFrom(Base base) {
        return sheet.count(new MeasuredFrom(base.entry()));
    }
}
