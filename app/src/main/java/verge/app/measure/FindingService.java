package verge.app.measure;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import org.springframework.stereotype.Service;
import verge.app.device.InstrumentWatch;
import verge.app.form.Answers;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.app.journal.Typed;
import verge.app.journal.UnderWay;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.job.JobState;
import verge.core.job.Journal;
import verge.core.journal.Entry;
import verge.core.journal.Payload;
import verge.core.measure.Finding;
import verge.core.measure.Found;
import verge.core.measure.FoundOf;
import verge.core.measure.PointFound;
import verge.core.measure.ShotEntries;
import verge.core.measure.Sight;
import verge.core.measure.SightTaken;
import verge.core.measure.SightsFor;
import verge.core.points.PointSeen;
import verge.core.points.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Pointing;
import verge.core.reading.Target;
import verge.core.units.Length;
import verge.core.units.LengthText;
import verge.core.units.LengthUnit;

/** Finds points on which no prism can stand: sight by sight, each kept as it is read, or by the tape. */
@Service
public class FindingService {
    private static final double FARTHEST_METRES = 1000;
    private static final int BEHIND_COMPANIONS = 100;

    private final JournalService journals;
    private final UnderWay underWay;
    private final InstrumentWatch watch;

    FindingService(JournalService journals, UnderWay underWay, InstrumentWatch watch) {
        this.journals = journals;
        this.underWay = underWay;
        this.watch = watch;
    }

    /** Ways to find a point, by the names that pages and programs use. */
    public enum Way { PRISMS, LINE, EDGES, RIM, TAPED, SQUARE }

    /**
     * What is asked for.
     *
     * @param name of the point as it was typed, with its code, the notes for the job's own fields and the strings it joins
     * @param answers 'way', and what that wants: 'between' and 'beyond', 'first', 'other', 'from', 'fromOther', 'side', 'along', 'across'
     * @param again whether a point may be of the name already
     */
    public record Wanted(String name, String code, Map<String, String> notes, List<Armed> armed, boolean again, Answers answers) {
    }

    /**
     * Takes the next sight for a point; with the last one the point is stored as well, in the same go. One that is taped is stored at once.
     *
     * @param point the entry to be, made by the asker: the last sight's request is known by it
     * @param place of the sight, from 1: asking again for one measures nothing
     * @return fails with a SurveyException NOT_FOUND, for what cannot be read, FINDING_FAILS if what was read gives no place (nothing but
     *     the sights before is kept then), or as the instrument does
     */
    public CompletableFuture<Kept> take(UUID job, UUID point, int place, Wanted wanted, String person) {
        JobState now = journals.state(job);
        Finding finding = finding(now, wanted.answers());
        boolean last = place >= finding.sights();
        return underWay.once(job, last ? point : sight(point, place), () -> {
            PointName name = PointName.parse(wanted.name());
            Code code = Code.parse(wanted.code());
            MeasureService.requireFree(now, name, wanted.again());
            Armed.joinings(now, sight(point, 0), wanted.armed());
            if (finding.sights() == 0) {
                return CompletableFuture.completedFuture(journals.append(job, new Author(point, person, "page"),
                        state -> found(state, List.of(), name, code, finding(state, wanted.answers()), wanted, point)));
            }
            if (now.all(new SightsFor(point)).size() != place - 1) {
                throw new SurveyException(Problem.SIGHTS_CHANGED);
            }
            InstrumentWatch.Ready ready = watch.ready(job);
            Target target = wanted.answers().choice("way", Way.class, Way.PRISMS) == Way.PRISMS
                    ? new Target(Length.ZERO, ready.target().prismConstant()) : ready.target();
            return read(ready, finding, place)
                    .thenApply(reading -> journals.appendTogether(job,
                    new Author(last ? point : sight(point, place), person, ready.device()), journal -> {
                SightTaken taken = new SightTaken(ready.leaf().entry(), point, reading, target);
                List<Payload> all = new ArrayList<>(List.of(taken));
                if (last) {
                    MeasureService.requireFree(journal.state(), name, wanted.again());
                    all.add(found(journal.state(), sights(journal, point, taken), name, code, finding, wanted, point));
                }
                return all;
            }));
        });
    }

    /**
     * The id of a sight that is not the last; of none, what the strings are begun with: the last sight is a companion of the point itself.
     */
    private static UUID sight(UUID point, int place) {
        return Entry.companion(point, BEHIND_COMPANIONS + place);
    }

    /** Edges are pointed at, everything else is measured. */
    private CompletableFuture<Pointing> read(InstrumentWatch.Ready ready, Finding finding, int place) {
        return finding instanceof Finding.Edges && place < finding.sights() ? watch.circles(ready) : watch.shoot(ready)
                .thenApply(Pointing::of);
    }

    private static List<Sight> sights(Journal journal, UUID point, SightTaken more) {
        return journal.trial(more).all(new SightsFor(point));
    }

    private static PointFound found(JobState state, List<Sight> sights, PointName name, Code code, Finding finding, Wanted wanted,
            UUID point) {
        MeasureService.requireFree(state, name, wanted.again());
        Optional<Found> found = ShotEntries.found(finding, sights, seen -> seen.position(), state.plane());
        if (found.isEmpty()) {
            throw new SurveyException(Problem.FINDING_FAILS, FoundKinds.why(finding));
        }
        return new PointFound(name, code, finding, MeasureService.kept(state, wanted.notes()),
                Armed.joinings(state, sight(point, 0), wanted.armed()));
    }

    private static Finding finding(JobState state, Answers a) {
        LengthUnit unit = state.settings().figures().lengthUnit();
        return switch (a.choice("way", Way.class, Way.PRISMS)) {
            case PRISMS -> new Finding.Beyond(length(a, "beyond", "the tip beyond the second prism", unit),
                    Optional.of(length(a, "between", "the prisms apart", unit)));
            case LINE -> new Finding.Beyond(length(a, "beyond", "beyond the second", unit), Optional.empty());
            case EDGES -> new Finding.Edges();
            case RIM -> new Finding.Rim();
            case TAPED -> new Finding.Taped(point(state, a, "first"), point(state, a, "other"), length(a, "from", "from the first", unit),
                    length(a, "fromOther", "from the other", unit), !a.text("side").equals("right"));
            case SQUARE -> new Finding.Square(point(state, a, "first"), point(state, a, "other"),
                    Typed.aside(a.required("along", "along the line"), unit), Typed.aside(a.required("across", "right of the line"), unit));
        };
    }

    private static Length length(Answers a, String field, String words, LengthUnit unit) {
        Length typed = LengthText.parse(a.required(field, words), unit);
        if (typed.metres() <= 0 || typed.metres() > FARTHEST_METRES) {
            throw new SurveyException(Problem.OUT_OF_RANGE, words, a.text(field), "0 m", "1000 m");
        }
        return typed;
    }

    private static PointSeen point(JobState state, Answers a, String field) {
        PointName name = PointName.parse(a.required(field, field.equals("first") ? "the first point" : "the other point"));
        StoredPoint point = state.points().own(name).orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, name));
        return PointSeen.of(point, state.points().named(name));
    }

    /** What came out besides the place, in words; empty if there is nothing to be said, or the point is not found yet. */
    String told(JobState state, UUID point) {
        return state.latest(new FoundOf(point)).map(found -> FoundKinds.more(found, state.settings().figures())).orElse("");
    }
}
