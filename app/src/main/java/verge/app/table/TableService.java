package verge.app.table;

import java.util.List;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import verge.app.coding.Codebooks;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.points.ChosenPositions;
import verge.app.words.StationWords;
import verge.core.coding.Code;
import verge.core.coding.Codebook;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Struck;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** What the table of points is filtered by, and what is done with what is selected in it. */
@Service
class TableService {
    private final JournalService journals;
    private final Codebooks codebooks;

    TableService(JournalService journals, Codebooks codebooks) {
        this.journals = journals;
        this.codebooks = codebooks;
    }

    JobState state(UUID job) {
        return journals.state(job);
    }

    /** Something to filter by: how a form sends it, and how people call it. */
    record Choice(String value, String words) {
    }

    /** What there is to filter by in a job. */
    record Choices(List<String> codes, List<String> layers, List<String> people, List<Choice> leaves, List<Choice> bases,
            List<String> floors) {
    }

    Choices choices(UUID job) {
        Journal journal = journals.journal(job);
        JobState state = journal.state();
        Codebook book = codebooks.of(job);
        List<String> codes = Stream.concat(state.points().codes().keySet().stream(), book.rows().stream().map(Codebook.Row::code))
                .filter(c -> !c.equals(Code.NONE))
                .map(Code::text).distinct().toList();
        List<String> layers = List.copyOf(new TreeSet<>(book.rows().stream().map(r -> r.drawn().layer()).filter(l -> !l.isEmpty())
                .toList()));
        List<String> people = List.copyOf(new TreeSet<>(journal.entries().stream().map(Entry::person).distinct().toList()));
        return new Choices(codes, layers, people,
                state.leaves().all().stream().map(l ->
                new Choice(l.entry().toString(), "leaf " + l.number() + ", " + StationWords.of(l.written()))).toList(),
                state.bases().all().stream().map(b -> new Choice(b.entry().toString(), "base " + b.mark())).toList(),
                state.floor().floors().storeys().stream().map(s -> s.floor().name()).toList());
    }

    /**
     * What striking the lines of selected points takes.
     *
     * @param lines that are struck
     * @param points that go, with all that rests on those lines
     * @param gone of the selected points, those that are not there any more
     * @param whole points that go because they came with the same line as a selected one
     */
    record WouldStrike(int lines, int points, int gone, int whole) {
    }

    /** Nothing is written. @param chosen as {@link ChosenPositions} reads it */
    WouldStrike wouldStrike(UUID job, String chosen) {
        Journal journal = journals.journal(job);
        ChosenPositions positions = ChosenPositions.read(chosen, journal.state());
        List<UUID> entries = entries(journal, positions);
        JobState without = journal.tried(struck(entries)).state();
        int own = entries.stream().mapToInt(e -> journal.state().points().of(e).size()).sum();
        return new WouldStrike(entries.size(), journal.state().points().count() - without.points().count(),
                positions.wanted() - positions.there().size(), own - positions.there().size());
    }

    /** @throws SurveyException NOTHING_TO_STRIKE if nothing of it is there any more */
    void strike(UUID job, String chosen, Author author) {
        journals.appendTogether(job, author, journal -> {
            List<UUID> entries = entries(journal, ChosenPositions.read(chosen, journal.state()));
            if (entries.isEmpty()) {
                throw new SurveyException(Problem.NOTHING_TO_STRIKE);
            }
            return struck(entries);
        });
    }

    /** The lines of what is there and can be struck. */
    private static List<UUID> entries(Journal journal, ChosenPositions positions) {
        return positions.entries().stream().filter(journal::canStrike).toList();
    }

    private static List<Payload> struck(List<UUID> entries) {
        return entries.stream().<Payload>map(Struck::new).toList();
    }
}
