package verge.core.job;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Restored;
import verge.core.journal.Struck;

/** Finds what was done last and still stands, and what was taken back last, whoever did it and when. */
final class Deeds {
    /** So far back is looked. */
    private static final int FARTHEST = 20_000;

    private final Journal journal;

    Deeds(Journal journal) {
        this.journal = journal;
    }

    /** The last deed that stands, with what takes it back. */
    Optional<Deed> lastDone() {
        return walk(1, false);
    }

    /** The last deed that was taken back and not brought back since. */
    Optional<Deed> lastUndone() {
        return walk(0, true);
    }

    /** @param first places before this are passed over: a job does not lose its first settings */
    private Optional<Deed> walk(int first, boolean undone) {
        List<Entry> entries = journal.entries();
        int skipped = 0;
        int end = entries.size();
        while (end > first && end > entries.size() - FARTHEST) {
            String by = entries.get(end - 1).device();
            boolean matters = undone ? by.equals(Deed.UNDO) || by.equals(Deed.REDO) : !by.equals(Deed.UNDO) && !by.equals(Deed.REDO);
            int begin = Math.max(first, end - (matters ? Together.upTo(entries, end) : 1));
            if (by.equals(Deed.REDO)) {
                skipped++;
            } else if (by.equals(Deed.UNDO) && undone && skipped > 0) {
                skipped--;
            } else if (by.equals(Deed.UNDO) == undone) {
                List<Entry> group = journal.between(begin, end);
                List<Payload> back = back(group);
                if (!back.isEmpty()) {
                    return Optional.of(new Deed(group, back));
                }
            }
            end = begin;
        }
        return Optional.empty();
    }

    /** The other way round, the last first; what has been turned already stays. */
    private List<Payload> back(List<Entry> group) {
        List<Payload> back = new ArrayList<>();
        for (Entry entry : group) {
            if (entry.payload() instanceof Struck struck) {
                turn(struck.entry(), true).ifPresent(back::add);
            } else if (entry.payload() instanceof Restored restored) {
                turn(restored.entry(), false).ifPresent(back::add);
            } else if (journal.canStrike(entry.id())) {
                turn(entry.id(), false).ifPresent(back::add);
            }
        }
        Collections.reverse(back);
        return back;
    }

    private Optional<Payload> turn(UUID entry, boolean struck) {
        return journal.state().isStruck(entry) != struck ? Optional.empty() : Optional.of(struck ? new Restored(entry) : new Struck(entry));
    }
}
