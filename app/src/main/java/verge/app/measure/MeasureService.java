package verge.app.measure;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import verge.app.device.InstrumentWatch;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.app.journal.Typed;
import verge.app.journal.UnderWay;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.measure.Aside;
import verge.core.measure.Measured;
import verge.core.measure.NotesWritten;
import verge.core.measure.ShotTaken;
import verge.core.points.Origin;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.strings.SurveyString;
import verge.core.units.Length;
import verge.core.units.LengthUnit;

/** Measures points and keeps their readings. */
@Service
public class MeasureService {
    private static final int LONGEST_NOTE = 500;

    private final JournalService journals;
    private final UnderWay underWay;
    private final InstrumentWatch watch;

    MeasureService(JournalService journals, UnderWay underWay, InstrumentWatch watch) {
        this.journals = journals;
        this.underWay = underWay;
        this.watch = watch;
    }

    /**
     * Measures and stores one point. All that can be refused is refused before the instrument is asked.
     *
     * @param notes by the names of the job's own fields
     * @param beside where the point lies beside the prism as it was typed: right, farther, up; blank for nought
     * @param armed the strings that it is to join
     * @param again whether a point may be of the name: both are kept; else a name that somebody else has given meanwhile is refused
     * @param id made by the asker; asking again with it measures nothing and gives what was stored
     * @return fails with a SurveyException POINT_NAME_UNFIT, CODE_UNFIT, POINT_NAME_TAKEN, STRING_WITHOUT_CODE, NOT_A_LENGTH, OUT_OF_RANGE,
     *     as {@link InstrumentWatch#ready}, or as the instrument does
     */
    public CompletableFuture<Kept> measure(UUID job, UUID id, String typedName, String typedCode, Map<String, String> notes, Beside beside,
            List<Armed> armed, boolean again, String person) {
        return underWay.once(job, id, () -> {
            PointName name = PointName.parse(typedName);
            Code code = Code.parse(typedCode);
            requireFree(journals.state(job), name, again);
            Armed.joinings(journals.state(job), id, armed);
            Aside aside = beside.read(journals.state(job).settings().figures().lengthUnit());
            aside.line().ifPresent(line -> requireLine(journals.state(job), line));
            InstrumentWatch.Ready ready = watch.ready(job);
            return watch.shoot(ready).thenApply(reading -> journals.append(job, new Author(id, person, ready.device()), state -> {
                requireFree(state, name, again);
                return new ShotTaken(ready.leaf().entry(), name, code, reading, ready.target(), kept(state, notes), aside,
                        Armed.joinings(state, id, armed));
            }));
        });
    }

    /**
     * Where a point lies beside the prism, as it was typed.
     *
     * @param along the string that it is told along; null for as one sees it from the instrument
     */
    public record Beside(String right, String farther, String up, UUID along) {
        public static final Beside NOT = new Beside("", "", "", null);

        private Aside read(LengthUnit unit) {
            return new Aside(read(right, unit), read(farther, unit), read(up, unit), Optional.ofNullable(along));
        }

        private static Length read(String typed, LengthUnit unit) {
            return typed == null || typed.isBlank() ? Length.ZERO : Typed.aside(typed, unit);
        }
    }

    /** A string without a piece has no direction. @throws SurveyException STRING_TOO_SHORT */
    private static void requireLine(JobState state, UUID line) {
        SurveyString string = state.strings().find(line).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "the string"));
        if (state.strings().shape(string).paths().stream().noneMatch(p -> p.pieces() > 0)) {
            throw new SurveyException(Problem.STRING_TOO_SHORT, string.name(), string.vertices().size());
        }
    }

    /** Notes for the fields that the job has, blank ones left out. */
    static Map<String, String> kept(JobState state, Map<String, String> notes) {
        Map<String, String> kept = new LinkedHashMap<>();
        state.settings().work().noteFields().forEach(field -> {
            String typed = fitting(notes.getOrDefault(field, ""));
            if (!typed.isEmpty()) {
                kept.put(field, typed);
            }
        });
        return kept;
    }

    /**
     * Writes or changes what stands in the job's own fields beside an earlier shot: a blank text wipes what was there.
     *
     * @throws SurveyException NOT_FOUND if the entry is no shot of the job
     */
    public void writeNotes(UUID job, UUID shot, Map<String, String> notes, Author author) {
        journals.journal(job).entry(shot).filter(e -> e.payload() instanceof Measured)
                .orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this shot"));
        journals.append(job, author, state -> new NotesWritten(shot, notes.entrySet().stream()
                .filter(n -> state.settings().work().noteFields().contains(n.getKey()))
                .collect(Collectors.toMap(Map.Entry::getKey, n -> fitting(n.getValue())))));
    }

    private static String fitting(String note) {
        String typed = note.strip();
        return typed.substring(0, Math.min(typed.length(), LONGEST_NOTE));
    }

    static void requireFree(JobState state, PointName name, boolean again) {
        if (!again && state.points().find(name, Origin.MEASURED).isPresent()) {
            throw new SurveyException(Problem.POINT_NAME_TAKEN, name.text());
        }
    }

    /** The code last used, so that it need not be chosen again. */
    public static Code lastCode(Journal journal) {
        return journal.lastWritten(Measured.class).map(Measured::code).orElse(Code.NONE);
    }
}
