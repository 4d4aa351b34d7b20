package verge.app.cogo;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import verge.app.form.Answers;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.app.points.SitePoints;
import verge.core.cogo.Computed;
import verge.core.cogo.Given;
import verge.core.cogo.Givens;
import verge.core.cogo.Scales;
import verge.core.cogo.Tool;
import verge.core.cogo.Worked;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.geodesy.Position;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.plan.Path;
import verge.core.points.Origin;
import verge.core.points.PointSeen;
import verge.core.points.StoredPoint;
import verge.core.problem.SurveyException;
import verge.core.strings.StringName;
import verge.core.strings.SurveyString;

/** Computes with what a job has, and writes what was computed into its book. */
@Service
public class ComputeService {
    /** Whether lengths that are given are those of the grid or of the ground; what the job speaks in if nothing is said. */
    static final String SCALE = "scale";

    private final JournalService journals;
    private final SitePoints points;
    private final FileLines fileLines;
    private final ComputeWords words;

    ComputeService(JournalService journals, SitePoints points, FileLines fileLines, ComputeWords words) {
        this.journals = journals;
        this.points = points;
        this.fileLines = fileLines;
        this.words = words;
    }

    /**
     * What a computation comes to.
     *
     * @param names of the points that are to be kept, by their number from 0; without a first name none has one
     * @param strings names of the lines that are to be kept, by their number among those made
     */
    record Result(Worked worked, Map<Integer, Optional<PointName>> names, Map<Integer, StringName> strings) {
    }

    Journal journal(UUID job) {
        return journals.journal(job);
    }

    JobState state(UUID job) {
        return points.state(job);
    }

    /** @throws SurveyException what is lacking or wrong, in the job's figures */
    Result work(UUID job, JobState state, Tool tool, Answers answers) {
        try {
            Worked worked = tool.work(givens(state, typed(job, state).of(tool, answers), onGround(state, answers)));
            List<Integer> wanted = wanted(tool, worked, answers);
            List<PointName> names = answers.text("first").isEmpty() ? List.of()
                    : names(state, PointName.parse(answers.text("first")), wanted.size());
            Map<Integer, Optional<PointName>> kept = new TreeMap<>();
            IntStream.range(0, wanted.size())
                    .forEach(i -> kept.put(wanted.get(i), names.isEmpty() ? Optional.empty() : Optional.of(names.get(i))));
            return new Result(worked, kept, strings(state, worked, wanted, answers));
        } catch (SurveyException refused) {
            throw words.told(refused, state.settings());
        }
    }

    TypedGivens typed(UUID job, JobState state) {
        return new TypedGivens(state, text -> fileLines.called(job, state, text));
    }

    /** All lines that were made become strings of a code, if one is given; of several ways those of the way whose points are kept. */
    private static Map<Integer, StringName> strings(JobState state, Worked worked, List<Integer> points, Answers answers) {
        Code code = Code.parse(answers.text("lineCode"));
        Map<Integer, StringName> strings = new TreeMap<>();
        if (!code.equals(Code.NONE)) {
            List<Worked.Line> made = worked.made();
            StringName next = state.strings().next(code);
            IntStream.range(0, made.size())
                    .filter(i -> !worked.eitherOr() || points.stream().anyMatch(p -> worked.points().get(p).of().equals(made.get(i).of())))
                    .forEach(i -> strings.put(i, new StringName(code, next.number() + strings.size())));
        }
        return strings;
    }

    /**
     * Which points are kept: those that were ticked; before anything was, all that were constructed, but of several of which one is meant
     * none.
     */
    private static List<Integer> wanted(Tool tool, Worked worked, Answers answers) {
        int made = worked.points().size();
        if (!answers.has("keep")) {
            return tool.group() == Tool.Group.READ || worked.eitherOr() && made > 1 ? List.of() : IntStream.range(0, made).boxed().toList();
        }
        return Stream.of(answers.text("keep").split(",")).map(String::strip).filter(i -> i.matches("\\d{1,5}")).map(Integer::valueOf)
                .filter(i -> i < made).distinct().sorted().toList();
    }

    static Givens givens(JobState state, Map<String, Given> given, boolean onGround) {
        Givens.Sources sources = new Givens.Sources(seen -> position(state, seen),
                id -> state.strings().find(id).<List<Path>>map(s -> paths(state, s)).orElse(List.of()), Optional.of(state.geodesy()),
                Math.min(Givens.Sources.MOST_TOUCHING, state.settings().figures().lengths().lastDigit().metres()));
        return new Givens(given, sources, new Scales(state.plane(), state.settings().ground(), onGround));
    }

    private static List<Path> paths(JobState state, SurveyString string) {
        return state.strings().shape(string).paths();
    }

    private static Optional<Position> position(JobState state, PointSeen seen) {
        return seen.position().or(() -> state.points().find(seen.name()).map(StoredPoint::position));
    }

    private static boolean onGround(JobState state, Answers answers) {
        return answers.text(SCALE, state.settings().ground().distanceWord()).equals("ground");
    }

    /** The first name and those after it that no point of the job has. */
    private static List<PointName> names(JobState state, PointName first, int count) {
        List<PointName> names = new ArrayList<>();
        PointName name = first;
        while (names.size() < count) {
            if (state.points().own(name).isEmpty()) {
                names.add(name);
            }
            name = name.successor();
        }
        return names;
    }

    /**
     * Writes a computation into the field book, with the points that are wanted of it.
     *
     * @param answers 'keep': the numbers of the points from 0, parted by commas; 'first': the name of the first of them, or the next one
     *     that no point has, and so on; 'code' of all;
     *        'lineCode': the lines that were made become strings of it; 'pinned': its dimensions are shown
     * @throws SurveyException what is lacking or wrong
     */
    Kept note(UUID job, Tool tool, Answers answers, Author author) {
        TypedGivens now = typed(job, points.state(job));
        points.takeOn(job, Origin.CONTROL, author.person(), now.of(tool, answers).values().stream().flatMap(Given::seen)
                .map(seen -> seen.name().text()).distinct().toArray(String[]::new));
        return journals.append(job, author, state -> {
            Result result = work(job, state, tool, answers);
            return new Computed(tool, typed(job, state).of(tool, answers), onGround(state, answers), kept(result, answers),
                    result.strings().entrySet().stream()
                    .map(s -> new Computed.KeptLine(s.getKey(), Entry.companion(author.entry(), s.getKey()), s.getValue())).toList(),
                    answers.ticked("pinned"));
        });
    }

    private static List<Computed.Kept> kept(Result result, Answers answers) {
        if (result.names().isEmpty() || answers.text("first").isEmpty() && !result.strings().isEmpty()) {
            return List.of();   // the line alone is wanted
        }
        answers.required("first", "name");
        Code code = Code.parse(answers.text("code"));
        return result.names().entrySet().stream().map(kept -> new Computed.Kept(kept.getKey(), kept.getValue().orElseThrow(), code))
                .toList();
    }
}
