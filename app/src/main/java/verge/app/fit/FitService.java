package verge.app.fit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import verge.app.form.Answers;
import verge.app.job.Job;
import verge.app.job.JobService;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.app.points.SitePoints;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.fit.MarksFitted;
import verge.core.geodesy.GridPoint;
import verge.core.geodesy.Position;
import verge.core.geodesy.Similarity;
import verge.core.geodesy.transformation.FitSettings;
import verge.core.geodesy.transformation.Mark;
import verge.core.job.JobState;
import verge.core.journal.Entry;
import verge.core.points.NamedPosition;
import verge.core.points.Origin;
import verge.core.points.PointSeen;
import verge.core.points.PointsImported;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.units.Angle;
import verge.core.units.Decimals;
import verge.core.units.LengthText;
import verge.core.units.Sums;

/** Fits a group of marks onto what was found of it, or moves it by values, and writes that into a job's book. */
@Service
public class FitService {
    private static final String OLD_NAME = "*";

    private final JobService jobs;
    private final JournalService journals;
    private final SitePoints points;
    private final FitGroups groups;

    FitService(JobService jobs, JournalService journals, SitePoints points, FitGroups groups) {
        this.jobs = jobs;
        this.journals = journals;
        this.points = points;
        this.groups = groups;
    }

    JobState state(UUID job) {
        return points.state(job);
    }

    /**
     * What was asked for, and what it comes to.
     *
     * @param said with the names of what would be kept
     * @param into the other job in which it would be; absent for this one
     */
    record Work(MarksFitted said, MarksFitted.Came came, Optional<Job> into) {
    }

    /** @throws SurveyException what is lacking */
    Proposals propose(UUID job, JobState state, Answers answers) {
        FitGroups.Group group = groups.computed(job, state, answers);
        List<Mark> computed = group.marks().stream().map(m -> new Mark(m.name(), m.position())).toList();
        List<Mark> found = groups.found(state, answers, group).stream().map(p -> new Mark(p.name().text(), p.position())).toList();
        return Proposals.of(computed, found, settings(state, answers));
    }

    /** @throws SurveyException what is lacking or wrong */
    Work work(UUID job, JobState state, Answers answers) {
        FitGroups.Group group = groups.computed(job, state, answers);
        boolean byValues = answers.text("way").equals("VALUES");
        MarksFitted said = new MarksFitted(group.source(), group.marks(), byValues ? List.of() : pairs(state, group, answers.text("pairs")),
                byValues ? values(state, group, answers) : byPairs(state, answers), List.of());
        MarksFitted.Came came = said.work(seen -> position(state, seen));
        Optional<Job> into = into(job, state, answers);
        JobState beside = into.map(other -> journals.state(other.id())).orElse(state);
        return new Work(new MarksFitted(said.source(), said.marks(), said.pairs(), said.how(), kept(beside, said, answers)), came, into);
    }

    /** The jobs of the site whose coordinates are the same figures. */
    List<Job> others(UUID job, JobState state) {
        return jobs.jobs(jobs.job(job).siteId()).stream()
                .filter(j -> !j.id().equals(job) && !j.archived()
                && journals.readable(j.id()).filter(other -> sameCoordinates(other.state(), state)).isPresent()).toList();
    }

    private static boolean sameCoordinates(JobState one, JobState other) {
        return one.settings().system().equals(other.settings().system());
    }

    private Optional<Job> into(UUID job, JobState state, Answers answers) {
        String id = answers.text("into");
        return id.isEmpty() ? Optional.empty()
                : Optional.of(others(job, state).stream().filter(j -> j.id().toString().equals(id)).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this job, with the same coordinate system")));
    }

    private static MarksFitted.How byPairs(JobState state, Answers answers) {
        FitSettings settings = settings(state, answers);
        return switch (answers.choice("freedom", Freedom.class, Freedom.SHAPE_KEPT)) {
            case SHAPE_KEPT -> new MarksFitted.How.ByPairs(settings);
            case AFFINE -> new MarksFitted.How.Affinely(settings);
            case SPACE -> new MarksFitted.How.InSpace(settings);
        };
    }

    /** What of a group may change when it is fitted. */
    private enum Freedom { SHAPE_KEPT, AFFINE, SPACE }

    private static Optional<Position> position(JobState state, PointSeen seen) {
        return seen.position().or(() -> state.points().find(seen.name()).map(StoredPoint::position));
    }

    private static List<MarksFitted.Paired> pairs(JobState state, FitGroups.Group group, String typed) {
        Map<String, Integer> numbers = new HashMap<>();
        IntStream.range(0, group.marks().size()).forEach(i -> numbers.putIfAbsent(group.marks().get(i).name(), i));
        List<MarksFitted.Paired> pairs = new ArrayList<>();
        for (PairLines.Line line : PairLines.read(typed)) {
            Integer mark = numbers.get(line.computed());
            if (mark == null) {
                throw new SurveyException(Problem.POINT_UNKNOWN, line.computed());
            }
            pairs.add(new MarksFitted.Paired(mark, FitGroups.seen(state, found(state, line.found())), line.inPlan(), line.inHeight()));
        }
        return pairs;
    }

    /** @throws SurveyException POINT_UNKNOWN */
    static StoredPoint found(JobState state, String name) {
        return state.points().find(PointName.parse(name)).orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, name));
    }

    static FitSettings settings(JobState state, Answers answers) {
        return settings(state, answers, "ONE");
    }

    /** @param usual what of ONE, HELD and SOLVED becomes of the scale if nothing is said */
    static FitSettings settings(JobState state, Answers answers, String usual) {
        OptionalDouble scale = switch (answers.text("scaleMode", usual)) {
            case "SOLVED" -> OptionalDouble.empty();
            case "HELD" -> OptionalDouble.of(figure(answers.text("scale"), 1e-3, 1e3));
            default -> OptionalDouble.of(1);
        };
        double sigma = answers.text("sigma").isEmpty() ? FitSettings.USUAL_SIGMA
                : LengthText.parse(answers.text("sigma"), state.settings().figures().lengthUnit()).metres();
        if (!(sigma > 0) || sigma > 10) {
            throw new SurveyException(Problem.LENGTH_NOUGHT, "sigma");
        }
        FitSettings.Heights heights = answers.choice("heights", FitSettings.Heights.class, FitSettings.Heights.SHIFT);
        return new FitSettings(scale, answers.text("by").equals("HOLD") ? OptionalInt.of(0) : OptionalInt.empty(), heights,
                answers.ticked("mirrored"), sigma, sigma);
    }

    private static double figure(String typed, double least, double most) {
        double figure = Decimals.parse(typed).orElseThrow(() -> new SurveyException(Problem.NOT_A_NUMBER, typed));
        if (!(figure >= least && figure <= most)) {
            throw new SurveyException(Problem.NOT_A_NUMBER, typed);
        }
        return figure;
    }

    /**
     * 'about' which mark of the group, or its middle, 'rotation' clockwise, 'scale', 'toNorth' and 'toEast' by which it is shifted, 'rise'.
     */
    private static MarksFitted.How values(JobState state, FitGroups.Group group, Answers answers) {
        String about = answers.text("about");
        GridPoint from = about.isEmpty() ? group.marks().get(0).position().plan()
                : group.marks().stream().filter(m -> m.name().equals(about)).map(m -> m.position().plan()).findFirst()
                .or(() -> known(state, about)).orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, about));
        var unit = state.settings().figures().lengthUnit();
        double north = answers.text("toNorth").isEmpty() ? 0 : Sums.length(answers.text("toNorth"), unit).metres();
        double east = answers.text("toEast").isEmpty() ? 0 : Sums.length(answers.text("toEast"), unit).metres();
        double rise = answers.text("rise").isEmpty() ? 0 : Sums.length(answers.text("rise"), unit).metres();
        double turn = answers.text("rotation")
                .isEmpty() ? 0 : Sums.angle(answers.text("rotation"), state.settings().figures().angles().unit()).radians();
        double scale = answers.text("scale").isEmpty() ? 1 : figure(answers.text("scale"), 1e-3, 1e3);
        if (Math.max(Math.max(Math.abs(north), Math.abs(east)), Math.abs(rise)) > GridPoint.FARTHEST_METRES) {
            throw new SurveyException(Problem.NOT_A_NUMBER, answers.text("toNorth"));
        }
        return new MarksFitted.How.ByValues(new Similarity(from, from.plus(north, east), new Angle(turn).wholeCircle(), scale,
                answers.ticked("mirrored")), rise);
    }

    private static Optional<GridPoint> known(JobState state, String name) {
        return state.points().find(PointName.parse(name)).map(p -> p.position().plan());
    }

    /** The pattern's star stands for the old name. @throws SurveyException FIT_NAMES_TAKEN if any would be somebody's already */
    private static List<MarksFitted.Kept> kept(JobState state, MarksFitted said, Answers answers) {
        String pattern = answers.text("pattern");
        if (pattern.isEmpty()) {
            return List.of();
        }
        if (!pattern.contains(OLD_NAME)) {
            throw new SurveyException(Problem.PATTERN_WITHOUT_NAME, pattern);
        }
        Set<Integer> found = said.found();
        boolean all = !answers.text("keep").equals("UNFOUND");
        Code code = Code.parse(answers.text("code"));
        List<MarksFitted.Kept> kept = IntStream.range(0, said.marks().size()).filter(i -> all || !found.contains(i))
                .mapToObj(i -> new MarksFitted.Kept(i, PointName.parse(pattern.replace(OLD_NAME, said.marks().get(i).name())), code))
                .toList();
        Set<PointName> names = new HashSet<>();
        List<String> taken = kept.stream().map(MarksFitted.Kept::name)
                .filter(name -> !names.add(name) || state.points().find(name).isPresent())
                .map(PointName::text).toList();
        if (!taken.isEmpty()) {
            throw new SurveyException(Problem.FIT_NAMES_TAKEN, taken.size(),
                    String.join(", ", taken.subList(0, Math.min(5, taken.size()))));
        }
        return kept;
    }

    /**
     * Writes a fit into the field book, with the points that are wanted of it; those for another job come first, so that a second try finds
     * them.
     *
     * @throws SurveyException what is lacking or wrong
     */
    Kept note(UUID job, Answers answers, Author author) {
        Optional<Entry> again = journals.journal(job).entry(author.entry());
        if (again.isPresent()) {
            return new Kept(again.get(), true);
        }
        JobState now = points.state(job);
        Optional<Job> other = into(job, now, answers);
        Author there = new Author(Entry.companion(author.entry(), 0), author.person(), author.device());
        Answers withoutNames = answers.with(Map.of("pattern", ""));
        boolean isThere = other.isPresent() && journals.journal(other.get().id()).entry(there.entry()).isPresent();
        Work work = work(job, now, isThere ? withoutNames : answers);
        points.takeOn(job, Origin.CONTROL, author.person(), work.said().pairs().stream().map(p -> p.found().name().text()).distinct()
                .toArray(String[]::new));
        other.filter(o -> !work.said().kept().isEmpty())
                .ifPresent(o -> journals.append(o.id(), there, inAnotherJob(jobs.job(job).name(), work)));
        return journals.append(job, author, state -> work(job, points.seeing(job, state), other.isPresent() ? withoutNames : answers)
                .said());
    }

    /** As points to be staked. */
    private static PointsImported inAnotherJob(String from, Work work) {
        return new PointsImported(Origin.DESIGN, "fit of " + from, "",
                work.said().kept().stream().map(k -> new NamedPosition(k.name(), k.code(), work.came().place(k.mark()))).toList());
    }
}
