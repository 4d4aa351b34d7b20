package verge.app.journal;

import verge.core.journal.Entry;

/**
 * An entry that is in the journal.
 *
 * @param before it was there already when it was sent: its first answer was lost on the way, and nothing was measured this time
 */
public record Kept(Entry entry, boolean before) {
}
