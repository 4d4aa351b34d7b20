package verge.app.journal;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.core.coding.PointName;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.problem.SurveyException;

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

    /** What an entry gave of a point that something else was computed from. */
    public List<TraceStep> given(Journal journal, Entry entry, PointName name) {
        Payload counting = journal.counting(entry);
        return kinds.of(counting).given(counting, name, new InBook(journal, entry, this));
    }

    /** What of an entry can be corrected in its place, as it counts now. */
    public Stream<? extends Value<?>> values(Journal journal, Entry entry) {
        Payload counting = journal.counting(entry);
        return kinds.of(counting).values(counting, new InBook(journal, entry, this));
    }

    public boolean correctable(Journal journal, Entry entry) {
        return values(journal, entry).findAny().isPresent();
    }

    /** Where in the job what an entry says is said anew instead of corrected; empty if nowhere. */
    public String saidAnew(Entry entry) {
        return kinds.of(entry.payload()).saidAnew();
    }

    /**
     * What an entry should have said. A value that is not among the fields stays, and so does one left blank, unless there may be none.
     *
     * @throws SurveyException for what cannot be read or cannot be
     */
    public Payload corrected(Journal journal, Entry entry, Map<String, String> fields, Typed by) {
        return corrected(journal.counting(entry), new InBook(journal, entry, this), fields, by);
    }

    private <P extends Payload> P corrected(P counting, InBook in, Map<String, String> fields, Typed by) {
        List<Value<P>> otherwise = kinds.of(counting).values(counting, in)
                .filter(value -> isOtherwise(value, fields.getOrDefault(value.field(), value.now()))).toList();
        P corrected = counting;
        for (Value<P> value : otherwise) {
            corrected = value.setter().with(corrected, fields.get(value.field()), by);
        }
        return corrected;
    }

    private static boolean isOtherwise(Value<?> value, String typed) {
        return !typed.equals(value.now()) && (value.optional() || !typed.isBlank());
    }
}
