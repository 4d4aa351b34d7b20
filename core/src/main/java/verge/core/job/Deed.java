package verge.core.job;

import java.util.List;
import verge.core.journal.Amendment;
import verge.core.journal.Entry;
import verge.core.journal.Payload;

/**
 * Something done in one go: an entry, or several that were written together.
 *
 * @param back what takes it back, or brings it back; nothing is erased
 */
public record Deed(List<Entry> entries, List<Payload> back) {
    /** Where an entry comes from by which a deed was taken back. */
    public static final String UNDO = "undo";
    /** The same for one that was brought back. */
    public static final String REDO = "redo";

    public Deed {
        entries = List.copyOf(entries);
        back = List.copyOf(back);
    }

    public Entry last() {
        return entries.get(entries.size() - 1);
    }

    /** What was done, and not how it was taken down: the last entry that is no strike, else the last. */
    public Entry chief() {
        return entries.stream().filter(e -> !(e.payload() instanceof Amendment)).reduce((first, next) -> next).orElse(last());
    }
}
