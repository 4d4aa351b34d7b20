package verge.app.setup;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.springframework.stereotype.Service;
import verge.app.device.InstrumentWatch;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.journal.Kept;
import verge.app.points.SitePoints;
import verge.app.pole.PoleService;
import verge.core.coding.Code;
import verge.core.coding.PointName;
import verge.core.journal.Entry;
import verge.core.journal.JobState;
import verge.core.journal.Journal;
import verge.core.journal.Leaf;
import verge.core.journal.Moves;
import verge.core.journal.Origin;
import verge.core.journal.Payload;
import verge.core.journal.StoredPoint;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.core.reading.Target;
import verge.core.setup.Arrangement;
import verge.core.setup.Sighting;
import verge.core.setup.StationCheck;
import verge.core.units.Length;
import verge.core.units.LengthText;

/** What is done with a leaf after it was accepted: checks, closing and opening, corrections with a look at what they move. */
@Service
public class LeafService {
    private final JournalService journals;
    private final InstrumentWatch watch;
    private final PoleService poles;
    private final SitePoints points;

    LeafService(JournalService journals, InstrumentWatch watch, PoleService poles, SitePoints points) {
        this.journals = journals;
        this.watch = watch;
        this.poles = poles;
        this.points = points;
    }

    /** @throws SurveyException NOT_FOUND if there is no such leaf, or it does not stand */
    public Leaf leaf(UUID job, UUID leaf) {
        return journals.state(job).leaf(leaf).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this leaf"));
    }

    /**
     * A check that was taken.
     *
     * @param outcome absent if the mark is no longer known
     */
    public record Check(Entry entry, Payload.CheckTaken taken, Optional<StationCheck> outcome) {
    }

    /** In the order in which they were taken. */
    public List<Check> checks(UUID job, Leaf leaf) {
        Journal journal = journals.journal(job);
        return journal.state().checks(leaf.entry()).stream().flatMap(id -> journal.entry(id).stream()).map(e -> {
            Payload.CheckTaken taken = (Payload.CheckTaken) journal.counting(e);
            return new Check(e, taken, journal.state().check(taken));
        }).toList();
    }

    /** Marks of the floor in hand by which a setup can be checked, those that took no part in it first: only they check it independently. */
    public List<PointName> checkMarks(UUID job, Leaf leaf) {
        List<PointName> sighted = leaf.written().arrangement().sightings().stream().map(Sighting::mark).toList();
        JobState state = points.state(job);
        List<PointName> all = new ArrayList<>(state.points().filter(p -> p.origin() == Origin.CONTROL && state.isHere(p) && !p.name().equals(leaf.written().station()))
                .map(StoredPoint::name).distinct().toList());
        all.sort(Comparator.comparing(sighted::contains));
        return all;
    }

    /** Whether a mark took part in the setup, so that its check is no independent one. */
    static boolean sighted(Leaf leaf, PointName mark) {
        return leaf.written().arrangement().sightings().stream().anyMatch(s -> s.mark().equals(mark));
    }

    /**
     * Reads a known mark from the open leaf and keeps what it says.
     *
     * @param id made by the asker; asking again with it measures nothing and gives what was stored
     * @throws SurveyException POINT_UNKNOWN, or as {@link InstrumentWatch#ready}
     */
    public CompletableFuture<Kept> check(UUID job, UUID id, String mark, String targetHeight, String prism, String person) {
        Optional<Entry> stored = journals.journal(job).entry(id);
        if (stored.isPresent()) {
            return CompletableFuture.completedFuture(new Kept(stored.get(), true));
        }
        points.takeOn(job, Origin.CONTROL, person, mark);
        PointName name = PointName.parse(mark);
        journals.state(job).mark(name).orElseThrow(() -> new SurveyException(Problem.POINT_UNKNOWN, name.text()));
        if (!targetHeight.isBlank() && !prism.isBlank()) {
            poles.choose(job, targetHeight, prism, person);
        }
        InstrumentWatch.Ready ready = watch.ready(job);
        return watch.shoot(ready).thenApply(reading -> new Kept(journals.append(job, new Author(id, person, ready.device()),
                new Payload.CheckTaken(ready.leaf().entry(), name, reading, ready.target())), false));
    }

    /** Ends the work on a leaf. */
    public void close(UUID job, UUID leaf, Author author) {
        journals.append(job, author, new Payload.LeafClosed(leaf(job, leaf).entry()));
    }

    /** Takes a leaf up again. @throws SurveyException INSTRUMENT_MOVED if the instrument no longer stands there as it did */
    public void reopen(UUID job, UUID leaf, Author author) {
        Leaf found = leaf(job, leaf);
        watch.requireStanding(job, found);
        journals.append(job, author, new Payload.LeafReopened(found.entry()));
    }

    /**
     * A correction that was not written yet.
     *
     * @param moves what it would do to the job's points
     */
    public record Rework(UUID entry, Payload corrected, Moves moves) {
    }

    /**
     * What a correction would move, without writing it.
     *
     * @param fields 'station', 'instrumentHeight', 'mark-0', 'height-0', 'prism-0', 'plan-0' … for a setup; 'height-0', 'prism-0' … for sets;
     *     'targetHeight', 'prismConstant', 'name', 'code' for a shot; what is blank stays
     * @throws SurveyException NOTHING_TO_REWORK, POINT_UNKNOWN, NOT_A_LENGTH, OUT_OF_RANGE
     */
    public Rework preview(UUID job, UUID entry, Map<String, String> fields, String person) {
        Journal journal = journals.journal(job);
        Entry found = journal.entry(entry).orElseThrow(() -> new SurveyException(Problem.NOT_FOUND, "this line"));
        Payload corrected = corrected(job, journal, journal.counting(found), new SetupForm(fields), person);
        Journal now = journals.journal(job);
        return new Rework(entry, corrected, Moves.between(now.state(), now.trial(new Payload.Reworked(entry, corrected, ""))));
    }

    /** Writes a correction. @throws SurveyException REASON_NEEDED without a reason */
    public void rework(UUID job, UUID entry, Map<String, String> fields, String reason, Author author) {
        if (reason.isBlank()) {
            throw new SurveyException(Problem.REASON_NEEDED, "a correction of what was written");
        }
        Payload corrected = preview(job, entry, fields, author.person()).corrected();
        journals.append(job, author, new Payload.Reworked(entry, corrected, reason.strip()));
    }

    private Payload corrected(UUID job, Journal journal, Payload before, SetupForm form, String person) {
        JobState state = journal.state();
        if (before instanceof Payload.StationSetUp setUp) {
            return setUp.with(corrected(job, state, setUp.arrangement(), form, person));
        } else if (before instanceof Payload.ShotTaken shot) {
            PointName name = form.get("name").isEmpty() ? shot.name() : PointName.parse(form.get("name"));
            Code code = form.fields().containsKey("code") ? Code.parse(form.get("code")) : shot.code();
            return new Payload.ShotTaken(shot.setup(), name, code, shot.reading(), target(job, state, form, shot.target()), shot.notes());
        } else if (before instanceof Payload.PointStaked stake) {
            return new Payload.PointStaked(stake.setup(), stake.name(), stake.design(), stake.reading(), target(job, state, form, stake.target()), stake.tolerance(), stake.reason());
        } else if (before instanceof Payload.CheckTaken check) {
            PointName mark = form.get("name").isEmpty() ? check.mark() : PointName.parse(form.get("name"));
            return new Payload.CheckTaken(check.setup(), mark, check.reading(), target(job, state, form, check.target()));
        } else if (before instanceof Payload.SetsPlanned plan) {
            List<Payload.SetMark> marks = IntStream.range(0, plan.marks().size()).mapToObj(i -> new Payload.SetMark(plan.marks().get(i).name(),
                    target(job, state, form.get("height-" + i), form.get("prism-" + i), plan.marks().get(i).target()))).toList();
            return new Payload.SetsPlanned(plan.setup(), marks, plan.sets(), plan.limits());
        }
        throw new SurveyException(Problem.NOTHING_TO_REWORK);
    }

    private Target target(UUID job, JobState state, SetupForm form, Target before) {
        return target(job, state, form.get("targetHeight"), form.get("prismConstant"), before);
    }

    private Target target(UUID job, JobState state, String height, String prism, Target before) {
        Target parsed = poles.parse(job, state, height.isEmpty() ? "0" : height, prism.isEmpty() ? "0" : prism);
        return new Target(height.isEmpty() ? before.height() : parsed.height(), prism.isEmpty() ? before.prismConstant() : parsed.prismConstant());
    }

    private Arrangement corrected(UUID job, JobState state, Arrangement before, SetupForm form, String person) {
        Arrangement a = before;
        if (!form.get("station").isEmpty()) {
            points.takeOn(job, Origin.CONTROL, person, form.get("station"));
            a = a.withStation(PointName.parse(form.get("station")));
        }
        if (!form.get("instrumentHeight").isEmpty()) {
            Length height = LengthText.parse(form.get("instrumentHeight"), state.settings().figures().lengthUnit());
            a = a.with(height);
        }
        List<Sighting> sightings = new ArrayList<>();
        for (int i = 0; i < before.sightings().size(); i++) {
            Sighting s = before.sightings().get(i);
            String mark = form.get("mark-" + i);
            if (!mark.isEmpty()) {
                points.takeOn(job, Origin.CONTROL, person, mark);
                PointName name = PointName.parse(mark);
                if (s.azimuth().isEmpty() && journals.state(job).find(name).isEmpty()) {
                    throw new SurveyException(Problem.POINT_UNKNOWN, mark);
                }
                s = s.with(name);
            }
            s = s.with(target(job, state, form.get("height-" + i), form.get("prism-" + i), s.target()));
            if (form.fields().containsKey("plan-" + i)) {
                s = s.with(new Sighting.Use(form.is("plan-" + i), form.is("plan-" + i), form.is("up-" + i)));
            }
            sightings.add(s);
        }
        return a.withSightings(sightings);
    }
}
