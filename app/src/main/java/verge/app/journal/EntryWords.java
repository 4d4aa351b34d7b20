package verge.app.journal;

import java.util.List;
import org.springframework.stereotype.Component;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;

/** Entries in the words of the field book. */
@Component
public class EntryWords {
    private final EntryKinds kinds;

    EntryWords(EntryKinds kinds) {
        this.kinds = kinds;
    }

    /** What stands beside the line: the trade's word for its kind. */
    public String margin(Entry entry) {
        return kinds.of(entry.payload()).margin();
    }

    public String text(Journal journal, Entry entry) {
        return text(entry.payload(), new InBook(journal, entry, this));
    }

    String text(Payload payload, InBook in) {
        return kinds.of(payload).text(payload, in);
    }

    @SuppressWarnings("unchecked")
    <P extends Payload> String corrected(P was, Payload says, InBook in) {
        return kinds.of(was).corrected(was, (P) says, in);
    }

    public String brief(Journal journal, Entry entry) {
        return kinds.of(entry.payload()).brief(entry.payload(), new InBook(journal, entry, this));
    }

    public String spoken(Journal journal, Entry entry) {
        return kinds.of(entry.payload()).spoken(entry.payload(), new InBook(journal, entry, this));
    }

    public String raw(Entry entry) {
        return kinds.of(entry.payload()).raw(entry.payload());
    }

    public String result(Journal journal, Entry entry) {
        Payload counting = journal.counting(entry);
        return kinds.of(counting).result(counting, new InBook(journal, entry, this));
    }

    /** What it says as it counts now, corrections included. */
    public String countingText(Journal journal, Entry entry) {
        return text(journal.counting(entry), new InBook(journal, entry, this));
    }

    public List<TraceStep> steps(Journal journal, Entry entry) {
        Payload counting = journal.counting(entry);
        return kinds.of(counting).steps(counting, new InBook(journal, entry, this));
    }

    public boolean correctable(Entry entry) {
        return kinds.of(entry.payload()).correctable();
    }
}
