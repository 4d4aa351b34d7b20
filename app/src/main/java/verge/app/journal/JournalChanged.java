package verge.app.journal;

import java.util.UUID;
import verge.core.journal.Entry;

/** An entry has been committed. */
public record JournalChanged(UUID job, Entry entry) {
}
