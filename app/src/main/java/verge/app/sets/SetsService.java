package verge.app.sets;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.stereotype.Service;
import verge.app.device.InstrumentWatch;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.app.journal.UnderWay;
import verge.app.points.SitePoints;
import verge.app.pole.PoleService;
import verge.app.setup.SetupWords;
import verge.core.coding.PointName;
import verge.core.geodesy.GridPoint;
import verge.core.job.JobState;
import verge.core.leaf.Leaf;
import verge.core.points.Origin;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Face;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.reading.TotalStationReading;
import verge.core.sets.MarkCarried;
import verge.core.sets.Round;
import verge.core.sets.SetLimits;
import verge.core.sets.SetMark;
import verge.core.sets.SetPointing;
import verge.core.sets.SetTakenOut;
import verge.core.sets.SetsPlanned;
import verge.core.setup.ObservedPoint;
import verge.core.units.Angle;
import verge.core.units.AngleText;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.core.units.Length;

/**
 * Sets of directions: planned once, then read pointing by pointing, each stored by itself. What breaks in between loses nothing: the sets
 * go on with the first pointing that is missing.
 */
@Service
public class SetsService {
    private static final int MOST_SETS = 20;
    private static final int MOST_MARKS = 20;
    private static final Pattern MARK =
            Pattern.compile("([^,;\\s]+)(?:\\s+at\\s+(\\d+(?:[.,]\\d+)?(?=[,;\\s]|$))(?:\\s+prism\\s+([^,;]+))?)?");

    private final JournalService journals;
    private final UnderWay underWay;
    private final InstrumentWatch watch;
    private final PoleService poles;
    private final SitePoints points;
    private final CarriedFile carriedFile;

    SetsService(JournalService journals, UnderWay underWay, InstrumentWatch watch, PoleService poles, SitePoints points,
            CarriedFile carriedFile) {
        this.journals = journals;
        this.underWay = underWay;
        this.watch = watch;
        this.poles = poles;
        this.points = points;
        this.carriedFile = carriedFile;
    }

    /** The sets that are under way on the open leaf: the last planned. */
    public Optional<Round> current(JobState state) {
        return state.leaves().open().flatMap(leaf -> state.sets().on(leaf.entry()).stream().reduce((first, next) -> next));
    }

    /**
     * Plans sets on the open leaf.
     *
     * @param names of the marks, parted by commas or blanks; known and new ones, each with a target of its own where one is written behind
     *     it: 'N1 at 1.450' or 'N1 at 1.450 prism Wall mount'
     * @param directions limit in seconds of arc; the zenith angles' is the same
     * @throws SurveyException NO_SETUP, MISSING, POINT_NAME_UNFIT, OUT_OF_RANGE
     */
    public Round plan(UUID job, String names, String sets, String targetHeight, String prism, String directions, String distance,
            Author author) {
        Leaf leaf = journals.state(job).leaves().open().orElseThrow(() -> new SurveyException(Problem.NO_SETUP));
        Map<String, Own> typed = typed(names);
        points.takeOn(job, Origin.CONTROL, author.person(), typed.keySet().toArray(String[]::new));
        JobState state = journals.state(job);
        if (typed.size() < 2) {
            throw new SurveyException(Problem.MISSING, "second mark");
        }
        int count = (int) number("number of sets", sets, 1, MOST_SETS);
        number("number of marks", Integer.toString(typed.size()), 2, MOST_MARKS);
        Target usual = poles.parse(job, state, targetHeight, prism);
        List<SetMark> marks = ordered(state, leaf, typed.keySet().stream().map(PointName::parse).distinct().toList()).stream()
                .map(n -> new SetMark(n, own(job, state, typed.get(n.text()), usual).or(() -> state.sets().lastTarget(n)).orElse(usual)))
                .toList();
        SetLimits limits = new SetLimits(Angle.ofArcSeconds(number("limit of directions", directions, 1, 600)),
                Angle.ofArcSeconds(number("limit of directions", directions, 1, 600)),
                new Length(number("limit of distances", distance, 0.1, 100) / 1000));
        UUID entry = journals.append(job, author, new SetsPlanned(leaf.entry(), marks, count, limits)).entry().id();
        return journals.state(job).sets().find(entry).orElseThrow();
    }

    /** What is written behind a mark's name; empty texts for what is not. */
    private record Own(String height, String prism) {
    }

    private static Map<String, Own> typed(String names) {
        Map<String, Own> found = new LinkedHashMap<>();
        Matcher mark = MARK.matcher(names);
        while (mark.find()) {
            if (mark.group(1).matches("at|prism")) {   // a height that is no figure must not make two marks of two words
                throw new SurveyException(Problem.NOT_A_NUMBER, names.substring(mark.start()));
            }
            found.putIfAbsent(mark.group(1),
                    new Own(Objects.requireNonNullElse(mark.group(2), ""), Objects.requireNonNullElse(mark.group(3), "").strip()));
        }
        return found;
    }

    private Optional<Target> own(UUID job, JobState state, Own typed, Target usual) {
        if (typed == null || typed.height().isEmpty()) {
            return Optional.empty();
        }
        Target own = poles.parse(job, state, typed.height(), typed.prism().isEmpty() ? "0" : typed.prism());
        return Optional.of(typed.prism().isEmpty() ? new Target(own.height(), usual.prismConstant()) : own);
    }

    private static double number(String field, String typed, double lowest, double highest) {
        double value = Decimals.parse(typed).orElseThrow(() -> new SurveyException(Problem.NOT_A_NUMBER, typed));
        if (value < lowest || value > highest) {
            throw new SurveyException(Problem.OUT_OF_RANGE, field, typed, Decimals.print(lowest, 0), Decimals.print(highest, 0));
        }
        return value;
    }

    /** By turning angle from the first; marks of which no place is known yet stay at the end, in the order typed. */
    private static List<PointName> ordered(JobState state, Leaf leaf, List<PointName> names) {
        GridPoint here = leaf.station().occupation().station().plan();
        Optional<Double> first = state.points().find(names.get(0)).map(p -> azimuth(here, p.position().plan()));
        List<PointName> rest = new ArrayList<>(names.subList(1, names.size()));
        rest.sort(Comparator.comparingDouble(n ->
                first.flatMap(zero -> state.points().find(n)
                        .map(p -> new Angle(azimuth(here, p.position().plan()) - zero).wholeCircle().radians()))
                .orElse(10.0)));
        rest.add(0, names.get(0));
        return rest;
    }

    private static double azimuth(GridPoint from, GridPoint to) {
        return Math.atan2(to.easting() - from.easting(), to.northing() - from.northing());
    }

    /**
     * Reads a pointing of sets: turns there where the way is known and the instrument has motors.
     *
     * @param id made by the asker; asking again with it measures nothing
     * @param plan entry of the sets
     * @param step the pointing that the asker means, which must be the one that is next: a reading must never be filed under another mark
     * @return whether it was read now or before; fails with a SurveyException NO_SETUP, NOT_FOUND, SET_STEP_PASSED, SET_SHOT_OUTSIDE, or as
     *     {@link InstrumentWatch#ready}
     */
    public CompletableFuture<Kept> read(UUID job, UUID id, UUID plan, Round.Step step, boolean turn, String person) {
        return underWay.once(job, id, () -> {
            InstrumentWatch.Ready ready = watch.ready(job);
            JobState state = journals.state(job);
            Round round = requireNext(state, plan, step);
            CompletableFuture<Void> aimed = aim(state, ready, round, step, turn);
            return aimed.thenCompose(there ->
                    watch.shoot(new InstrumentWatch.Ready(ready.leaf(), ready.target(), ready.station(), ready.device(),
                    new InstrumentWatch.How(ready.how().levelLimit(), Math.max(1, ready.how().times())))))
                    .thenApply(reading -> keep(job, id, ready, round, step, reading, person));
        });
    }

    private Kept keep(UUID job, UUID id, InstrumentWatch.Ready ready, Round round, Round.Step step, TotalStationReading reading,
            String person) {
        requireFace(step, reading);
        requireWithin(journals.state(job).settings().figures(), round, step, reading);
        return journals.append(job, new Author(id, person, ready.device()), state -> {
            requireNext(state, round.entry(), step);
            return new SetPointing(round.entry(), step.set(), round.filed(step.mark()), Pointing.of(reading));
        });
    }

    private static Round requireNext(JobState state, UUID plan, Round.Step step) {
        Round round = state.sets().find(plan).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "these sets"));
        if (!round.next().equals(Optional.of(step))) {
            throw new SurveyException(Problem.SET_STEP_PASSED, words(step), round.next().map(SetsService::words).orElse("nothing"));
        }
        return round;
    }

    private static void requireFace(Round.Step step, TotalStationReading reading) {
        if (reading.face() != step.face()) {
            throw new SurveyException(Problem.SET_SHOT_OUTSIDE, step.mark().text(),
                    "it was read in face " + (reading.face() == Face.ONE ? 1 : 2), "face " + (step.face() == Face.ONE ? 1 : 2));
        }
    }

    /** Against what was read to the same mark before in these sets, face by face. */
    private static void requireWithin(Figures f, Round round, Round.Step step, TotalStationReading reading) {
        Optional<Round.Shot> before = round.shots().stream()
                .filter(s -> s.takenOut().isEmpty() && s.mark().equals(step.mark()) && s.pointing().face() == step.face()).findFirst();
        before.ifPresent(shot -> {
            SetLimits limits = round.plan().limits();
            double direction = Math.abs(reading.faceOneDirection().minus(shot.pointing().faceOneDirection()).halfCircle().radians())
                    * reading.zenith().wholeCircle().sin();
            outside(step, "direction", Math.abs(direction), limits.direction());
            outside(step, "zenith angle", Math.abs(reading.faceOneZenith().minus(shot.pointing().faceOneZenith()).radians()),
                    limits.zenith());
            double distance = shot.pointing().distance().map(d -> Math.abs(d.metres() - reading.slopeDistance().metres())).orElse(0.0);
            if (distance > limits.distance().metres()) {
                throw new SurveyException(Problem.SET_SHOT_OUTSIDE, step.mark().text(),
                        "the distance is " + f.small(new Length(distance)) + " off the earlier one", f.small(limits.distance()));
            }
        });
    }

    private static void outside(Round.Step step, String what, double radians, Angle limit) {
        if (radians > limit.radians()) {
            throw new SurveyException(Problem.SET_SHOT_OUTSIDE, step.mark().text(),
                    "the " + what + " is " + SetupWords.seconds(new Angle(radians)) + " off the earlier one", SetupWords.seconds(limit));
        }
    }

    private CompletableFuture<Void> aim(JobState state, InstrumentWatch.Ready ready, Round round, Round.Step step, boolean turn) {
        if (!turn) {
            return CompletableFuture.completedFuture(null);
        }
        Optional<Pointing> way = round.shots().stream().filter(s -> s.mark().equals(step.mark())).map(Round.Shot::pointing)
                .reduce((first, next) -> next)
                .or(() -> computed(state, ready.leaf(), round, step));
        return way.map(p -> {
            Angle direction = step.face() == Face.ONE ? p.faceOneDirection() : p.faceOneDirection().plus(Angle.HALF_TURN);
            Angle zenith = step.face() == Face.ONE ? p.faceOneZenith() : new Angle(2 * Math.PI - p.faceOneZenith().radians());
            return ready.station().turn(direction.wholeCircle(), zenith);
        }).orElseGet(() -> CompletableFuture.completedFuture(null));   // a new mark is aimed at by hand the first time
    }

    /** The way to a mark whose coordinates are known. */
    private static Optional<Pointing> computed(JobState state, Leaf leaf, Round round, Round.Step step) {
        return state.points().find(step.mark()).map(p -> leaf.station()
                .wayTo(p.position(), round.mark(step.mark()).map(m -> m.target().height()).orElse(Length.ZERO)));
    }

    /** Takes a mark of a set, or a whole set, out of the means. @throws SurveyException REASON_NEEDED without a reason */
    public void takeOut(UUID job, UUID plan, int set, String mark, String reason, Author author) {
        if (reason.isBlank()) {
            throw new SurveyException(Problem.REASON_NEEDED, "a reading that is taken out of the means");
        }
        Round round = journals.state(job).sets().find(plan).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "these sets"));
        journals.append(job, author, new SetTakenOut(plan, set, mark.isBlank() ? Optional.empty()
                : Optional.of(round.filed(PointName.parse(mark))), reason.strip()));
    }

    /**
     * Lets a mark that was seen with its coordinates join the known points.
     *
     * @throws SurveyException NOT_FOUND, MARK_WITHOUT_MEAN, POINT_NAME_TAKEN if a known point of that name is there, SETS_UNFINISHED
     */
    public ObservedPoint carry(UUID job, UUID plan, String mark, Author author) {
        PointName name = PointName.parse(mark);
        journals.append(job, author, state -> {
            Round round = state.sets().find(plan).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "these sets"));
            if (round.next().isPresent()) {
                throw new SurveyException(Problem.SETS_UNFINISHED);
            }
            if (state.points().find(name, Origin.CONTROL).isPresent()) {
                throw new SurveyException(Problem.POINT_NAME_TAKEN, name.text());
            }
            state.carried(round, name).orElseThrow(() -> new SurveyException(Problem.MARK_WITHOUT_MEAN, name.text()));
            return new MarkCarried(plan, round.filed(name));
        });
        carriedFile.write(job, Author.atPage(author.person()));
        JobState state = journals.state(job);
        return state.carried(state.sets().find(plan).orElseThrow(), name).orElseThrow();
    }

    /** In words: 'set 2, T4, face 2'. */
    static String words(Round.Step step) {
        return "set " + step.set() + ", " + step.mark() + ", face " + (step.face() == Face.ONE ? 1 : 2);
    }

    /** A direction in the job's circle style with one decimal more, for means. */
    public static String circle(Figures f, Angle angle) {
        return AngleText.direction(angle, f.angles().unit(), Math.min(6, f.angles().decimals() + 1));
    }
}
