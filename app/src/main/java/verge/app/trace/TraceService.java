package verge.app.trace;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import verge.app.journal.EntryWords;
import verge.app.journal.JournalService;
import verge.app.journal.TraceStep;
import verge.core.coding.PointName;
import verge.core.job.Journal;
import verge.core.job.Trace;
import verge.core.journal.Entry;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/** Tells how what a job shows came about. */
@Service
public class TraceService {
    private static final int DEEPEST = 6;
    private static final int MOST_BESIDE = 12;
    private static final int MOST_UNDER = 50;

    private final JournalService journals;
    private final EntryWords words;

    TraceService(JournalService journals, EntryWords words) {
        this.journals = journals;
        this.words = words;
    }

    /**
     * @param root the entry with all that it rests on
     * @param under what rests on it, the first of them
     * @param underCount how many there are
     * @param correctable whether something of it can be corrected in its place
     */
    public record Told(TraceNode root, List<TraceNode> under, int underCount, boolean correctable) {
    }

    /** @throws SurveyException NOT_FOUND */
    public Told trace(UUID job, UUID entry) {
        Journal journal = journals.journal(job);
        Trace trace = journal.trace(entry).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this line"));
        return new Told(node(journal, trace, new HashSet<>(), 0), trace.under().stream().limit(MOST_UNDER).map(e -> leaf(journal, e))
                .toList(), trace.under().size(),
                words.correctable(journal, trace.entry()) && !journal.state().isStruck(entry));
    }

    /** What an entry rests on, to be drawn. @throws SurveyException NOT_FOUND */
    TraceDrawing drawing(UUID job, UUID entry) {
        Journal journal = journals.journal(job);
        return TraceDrawing.of(journal, journal.entry(entry).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this line")));
    }

    /** The entry that the position which counts of a name came from. @throws SurveyException POINT_UNKNOWN */
    public UUID entryOf(UUID job, String name) {
        return journals.state(job).points().own(PointName.parse(name)).map(StoredPoint::entry)
                .orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, name));
    }

    private TraceNode node(Journal journal, Trace trace, Set<UUID> told, int depth) {
        Entry entry = trace.entry();
        boolean further = told.add(entry.id()) && depth < DEEPEST;
        List<TraceNode> on = !further ? List.of() : trace.restsOn().stream().limit(MOST_BESIDE)
                .map(e -> node(journal, journal.trace(e.id()).orElseThrow(), told, depth + 1).with(given(journal, e, trace))).toList();
        return node(journal, entry, trace.amended(), on, further ? trace.restsOn().size() - on.size() : 0);
    }

    private List<TraceStep> given(Journal journal, Entry from, Trace trace) {
        return trace.names().getOrDefault(from.id(), List.of()).stream().distinct()
                .flatMap(name -> words.given(journal, from, name).stream()).toList();
    }

    private TraceNode leaf(Journal journal, Entry entry) {
        return node(journal, entry, List.of(), List.of(), 0);
    }

    private TraceNode node(Journal journal, Entry entry, List<Entry> amended, List<TraceNode> on, int more) {
        return new TraceNode(entry.id(), entry.sequence(), words.margin(entry), words.countingText(journal, entry),
                words.result(journal, entry), journal.state().isStruck(entry.id()),
                words.steps(journal, entry), amended.stream().map(a -> new TraceNode.Amended(a.sequence(), words.text(journal, a)))
                .toList(), on, more);
    }
}
