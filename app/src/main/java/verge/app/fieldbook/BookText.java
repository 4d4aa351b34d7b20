package verge.app.fieldbook;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.app.floor.FloorWords;
import verge.app.journal.EntryWords;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Amendment;
import verge.core.journal.Entry;
import verge.core.measure.Measured;
import verge.core.units.TimeText;

/** Journal entries as a surveyor would write them. */
@Component
public class BookText {

    private static final int FEWEST_TOLD_AS_ONE = 4;

    private final EntryWords words;

    BookText(EntryWords words) {
        this.words = words;
    }

    /**
     * @param clock by which day and time are told
     * @param text the line itself
     * @param raw the reading exactly as the instrument sent it, or empty
     * @param result what it came to, or empty
     * @param canStrike whether it may be struck through
     * @param correctable whether something of it can be corrected in its place
     * @param saidAnew the page of the job where it is said anew instead, or empty
     * @param notes the job's own fields of a shot with what stands in them; none for other lines
     * @param points how many points go if it is struck: a setup carries all that was measured from it
     */
    public record Line(UUID entry, long sequence, When when, String kind, String text, String raw, String result, String person,
            String device, boolean struck, May may, List<Note> notes) {
    }

    /** When something was written, by the job's clock. */
    public record When(String day, String clock, String time) {
    }

    /**
     * What may be done with a line now.
     *
     * @param saidAnew the page where it is said anew instead of corrected, or empty
     * @param points how many go with it when it is struck
     */
    public record May(boolean canStrike, boolean correctable, String saidAnew, long points) {
    }

    /** One of the job's own fields beside a shot. */
    public record Note(String field, String text) {
    }

    /**
     * A line short enough for the foot of the leaf.
     *
     * @param kind the trade's word for what it is
     * @param spoken the same to be listened to: what was stored, without the figures of its sight
     */
    public record FootLine(long sequence, String time, String kind, String text, String spoken, boolean struck) {
    }

    public FootLine footLine(Journal journal, Entry entry) {
        JobState state = journal.state();
        String elsewhere = state.points().of(entry.id()).stream().filter(p -> p.leaf().isPresent())
                .flatMap(p -> FloorWords.elsewhere(state, p).stream()).map(". "::concat).findFirst().orElse("");
        return new FootLine(entry.sequence(), state.settings().times().clock(entry.at()), words.margin(entry), words.brief(journal, entry),
                words.spoken(journal, entry) + elsewhere, state.isStruck(entry.id()));
    }

    public Line line(Journal journal, Entry entry) {
        JobState state = journal.state();
        TimeText times = state.settings().times();
        return new Line(entry.id(), entry.sequence(), new When(times.day(entry.at()), times.clockAt(entry.at()), times.clock(entry.at())),
                words.margin(entry), words.text(journal, entry), words.raw(entry), words.result(journal, entry), entry.person(),
                entry.device(), state.isStruck(entry.id()), new May(journal.canStrike(entry.id()), words.correctable(journal, entry),
                words.saidAnew(entry), journal.pointsThatGoWith(entry.id())), fields(state, entry));
    }

    /** What was changed later of a leaf. */
    public record Change(String time, String person, String words, boolean struck) {
    }

    /** What was changed later of a leaf and of what was read from it; what was corrected or struck in one go is one. */
    public List<Change> changes(Journal journal, UUID leaf, Function<Instant, String> time) {
        return runs(journal.changes(leaf)).stream()
                .flatMap(run -> run.size() < FEWEST_TOLD_AS_ONE ? run.stream()
                .map(e -> change(journal, e, "", time)) : Stream.of(change(journal, run.get(0),
                "\nand so " + (run.size() - 1) + " lines more, written together", time))).toList();
    }

    /** Entries in their order, those corrected or struck in one go beside one another. */
    static List<List<Entry>> runs(List<Entry> entries) {
        List<List<Entry>> runs = new ArrayList<>();
        for (Entry entry : entries) {
            if (runs.isEmpty() || !isOfOneGo(runs.get(runs.size() - 1).get(0), entry)) {
                runs.add(new ArrayList<>());
            }
            runs.get(runs.size() - 1).add(entry);
        }
        return runs;
    }

    private Change change(Journal journal, Entry e, String more, Function<Instant, String> time) {
        return new Change(time.apply(e.at()), e.person(), words.text(journal, e) + more, journal.state().isStruck(e.id()));
    }

    /** Corrections and strikes that were written by one append bear one time. */
    private static boolean isOfOneGo(Entry one, Entry next) {
        return one.payload() instanceof Amendment && one.payload().getClass() == next.payload().getClass() && one.at().equals(next.at())
                && one.person().equals(next.person());
    }

    private static List<Note> fields(JobState state, Entry entry) {
        return !(entry.payload() instanceof Measured) ? List.of() : state.settings().work().noteFields().stream()
                .map(field -> new Note(field, state.notesOf(entry.id()).getOrDefault(field, ""))).toList();
    }
}
