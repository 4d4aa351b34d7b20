package verge.app.rework;

import java.util.List;
import java.util.Map;
import java.util.OptionalLong;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import verge.app.journal.Author;
import verge.app.journal.EntryWords;
import verge.app.journal.JournalService;
import verge.app.journal.Typed;
import verge.app.points.SitePoints;
import verge.app.pole.PoleService;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.journal.Reworked;
import verge.core.points.Origin;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.rework.Change;
import verge.core.rework.Choice;
import verge.core.rework.Consequences;
import verge.core.rework.Correction;

/** Corrections of what was written, one line or several, each with a look at what it moves before it is written. */
@Service
public class ReworkService {
    private final JournalService journals;
    private final SitePoints points;
    private final PoleService poles;
    private final EntryWords words;

    ReworkService(JournalService journals, SitePoints points, PoleService poles, EntryWords words) {
        this.journals = journals;
        this.points = points;
        this.poles = poles;
        this.words = words;
    }

    /**
     * What would be written, and what it would do.
     *
     * @param lines that are corrected
     * @param asOf number of the last entry it was looked at with
     */
    public record Preview(Journal before, List<Entry> lines, Consequences consequences, long asOf) {
    }

    /** What several corrections are to be. @param first what has to be written before them */
    public record Several(List<Payload> first, Choice choice, Change change) {
    }

    /** An entry that can be corrected. @throws SurveyException NOT_FOUND, REWORK_OF_STRUCK, REWORK_OF_REWORK, NOTHING_TO_REWORK */
    public Entry open(Journal journal, UUID entry) {
        Entry found = journal.entry(entry).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this line"));
        Correction.requireOpenTo(journal, found);
        if (!words.correctable(journal, found)) {
            throw new SurveyException(Problem.NOTHING_TO_REWORK);
        }
        return found;
    }

    /**
     * What a correction would do, without writing it.
     *
     * @param fields those of the entry's values; what is not among them stays
     * @throws SurveyException as {@link #open} and {@link Correction#requireSound}, or for what cannot be read
     */
    public Preview preview(UUID job, UUID entry, Map<String, String> fields) {
        return preview(job, journal -> written(job, journal, entry, fields, ""));
    }

    /** What several corrections would do. @throws SurveyException as {@link Correction#of} */
    public Preview preview(UUID job, Several several) {
        return preview(job, journal -> written(journal, several, ""));
    }

    private Preview preview(UUID job, Function<Journal, List<? extends Payload>> corrections) {
        Journal before = journals.journal(job);
        List<? extends Payload> written = corrections.apply(before);
        List<Entry> lines = written.stream().filter(Reworked.class::isInstance).flatMap(r -> before.entry(((Reworked) r).entry()).stream())
                .toList();
        Journal after = written.isEmpty() ? before : before.tried(List.copyOf(written));
        return new Preview(before, lines, Consequences.between(before, after), before.entries().size());
    }

    /**
     * Writes a correction.
     *
     * @param asOf number of the last entry that whoever corrects has seen; empty if nothing was looked at
     * @throws SurveyException REASON_NEEDED without a reason, REWORK_CHANGES_NOTHING, CHANGED_MEANWHILE if somebody else has corrected or
     *     struck the line since
     */
    public void write(UUID job, UUID entry, Map<String, String> fields, String reason, OptionalLong asOf, Author author) {
        requireReason(reason);
        journals.appendTogether(job, author, journal -> {
            asOf.ifPresent(seen -> requireUnchanged(journal, entry, seen));
            return requireSome(written(job, journal, entry, fields, reason.strip()));
        });
    }

    /** Writes several corrections, all or none. @throws SurveyException as {@link #write}; REWORK_CHANGES_NOTHING */
    public void write(UUID job, Several several, String reason, OptionalLong asOf, Author author) {
        requireReason(reason);
        journals.appendTogether(job, author, journal -> {
            List<Payload> written = requireSome(written(journal, several, reason.strip()));
            asOf.ifPresent(seen -> written.stream().filter(Reworked.class::isInstance)
                    .forEach(c -> requireUnchanged(journal, ((Reworked) c).entry(), seen)));
            return written;
        });
    }

    /** Nothing at all where nothing is corrected. */
    private static List<Payload> written(Journal journal, Several several, String reason) {
        List<Reworked> corrections = Correction.of(several.first().isEmpty() ? journal : journal.tried(several.first()), several.choice(),
                several.change(), reason);
        return corrections.isEmpty() ? List.of() : Stream.concat(several.first().stream(), corrections.stream()).toList();
    }

    private static void requireReason(String reason) {
        if (reason.isBlank()) {
            throw new SurveyException(Problem.REASON_NEEDED, "a correction of what was written");
        }
    }

    private static List<Payload> requireSome(List<Payload> corrections) {
        if (corrections.isEmpty()) {
            throw new SurveyException(Problem.REWORK_CHANGES_NOTHING);
        }
        return corrections;
    }

    private static void requireUnchanged(Journal journal, UUID entry, long seen) {
        journal.amendedSince(entry, seen).ifPresent(e -> {
            throw new SurveyException(Problem.CHANGED_MEANWHILE, "This line", e.person());
        });
    }

    /** The correction, after what takes on the points of the site that it names. */
    private List<Payload> written(UUID job, Journal journal, UUID entry, Map<String, String> fields, String reason) {
        Entry found = open(journal, entry);
        List<Payload> needed = points.toTakeOn(job, Origin.CONTROL,
                fields.entrySet().stream().filter(f -> f.getKey().equals("station") || f.getKey().startsWith("mark"))
                .map(Map.Entry::getValue).sorted().toArray(String[]::new));
        JobState state = journal.tried(needed).state();
        Payload corrected = words.corrected(journal, found, fields, typed(job, state));
        if (corrected.equals(journal.counting(found))) {
            return List.of();
        }
        Correction.requireSound(state, found, journal.counting(found), corrected);
        return Stream.concat(needed.stream(), Stream.of(new Reworked(entry, corrected, reason))).toList();
    }

    /** How what is typed for a job is read. */
    Typed typed(UUID job, JobState state) {
        return poles.typed(job, state);
    }
}
